import { existsSync } from 'node:fs';
import { say } from './say.mjs';
import { installPackages } from './shell.mjs';

export const CHROMIUM = process.env.CHROMIUM ?? '/usr/bin/chromium';

/** Debian's Chromium, installed when it is missing. */
export async function ensureChromium() {
  if (existsSync(CHROMIUM)) return;
  say('Installing Chromium from Debian’s packages');
  await installPackages(['chromium'], 'The browser tests');
}
