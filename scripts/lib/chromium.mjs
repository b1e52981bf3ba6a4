import { existsSync } from 'node:fs';
import { say } from './say.mjs';
import { installPackages } from './shell.mjs';

/** Debian’s Chromium without the window round the page: what nobody looks at need not be drawn. */
export const CHROMIUM = process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell';

/** Debian's Chromium, installed when it is missing. */
export async function ensureChromium() {
  if (existsSync(CHROMIUM)) return;
  say('Installing Chromium from Debian’s packages');
  await installPackages(['chromium-headless-shell'], 'The browser tests');
}
