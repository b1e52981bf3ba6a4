import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { nodeFault } from './node-version.mjs';
import { Sentence, say } from './say.mjs';
import { quiet, ROOT } from './shell.mjs';

const STAMP = join(ROOT, 'node_modules', '.installed-from');

/** @throws Sentence when this Node.js is too old */
export function checkNode() {
  const fault = nodeFault();
  if (fault !== null) throw new Sentence(fault);
}

/** Installs the npm packages when they are missing or the lock file changed. */
export async function ensureDependencies() {
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === lock) return;
  say('Installing npm packages (a minute or two the first time)');
  try {
    await quiet('npm', ['ci', '--no-audit', '--no-fund']);
  } catch (error) {
    throw new Sentence(
      `The npm packages could not be installed. Is the npm registry reachable? Then run: npm ci\n${error.message}`,
    );
  }
  writeFileSync(STAMP, lock);
}
