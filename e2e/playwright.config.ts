import { defineConfig } from '@playwright/test';

/** Chromium of the system, one worker: every test file has a server and a database of its own. */
export default defineConfig({
  testDir: './tests',
  outputDir: './results',
  workers: 1,
  timeout: 60_000,
  expect: { timeout: 8_000 },
  forbidOnly: true,
  reporter: [['list'], ['json']],
  use: {
    viewport: { width: 1280, height: 800 },
    actionTimeout: 8_000,
    navigationTimeout: 15_000,
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
