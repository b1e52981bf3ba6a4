import { defineConfig } from '@playwright/test';
import { CHROMIUM } from '../scripts/lib/chromium.mjs';

/**
 * Chromium of the system, two workers, each with a server and a database of its own.
 *
 * The limits only end what hangs; speed is measured in the benchmarks. They are wide, since the
 * machine that runs the tests may be several times slower than the one they were written on.
 */
export default defineConfig({
  testDir: './tests',
  outputDir: './results',
  workers: 2,
  timeout: 600_000,
  expect: { timeout: 60_000 },
  forbidOnly: true,
  // A headless browser stops drawing now and then, and whatever waits for its next frame waits for ever. What passes
  // in a new browser is listed as flaky at the end; what is wrong fails in both.
  retries: 1,
  reporter: [['list'], ['json']],
  use: {
    viewport: { width: 1280, height: 800 },
    actionTimeout: 60_000,
    navigationTimeout: 120_000,
    screenshot: 'only-on-failure',
    // Only where it is tested: putting the program on a device takes a while in every test.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: CHROMIUM,
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
