import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Sentence, say } from './say.mjs';
import { quiet, ROOT } from './shell.mjs';

const NEEDED = [20, 12];
const STAMP = join(ROOT, 'node_modules', '.installed-from');

/** @throws Sentence when this Node.js is too old */
export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < NEEDED[0] || (major === NEEDED[0] && minor < NEEDED[1])) {
    throw new Sentence(
      `Node.js ${NEEDED.join('.')} or newer is needed; this is ${process.versions.node}. Install a newer one and try again.`,
    );
  }
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
