import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { DATA, ROOT } from './shell.mjs';

/*
 * What takes minutes to compute and is asked by tests again and again: knots drawn tight. A result is found by a hash of
 * the source of the engine, of what is computed and of how; whoever changes the engine finds nothing and computes anew.
 */

const ROPE = join(ROOT, 'packages/rope/src');
/** What the results come out of; all that these import is part of the engine. */
const ENTRIES = [
  'engine/compute.ts',
  'engine/outcome.ts',
  'knots/catalogue.ts',
  'board/tight.ts',
  'engine/opening.ts',
];
/** Kept with the project, so that nobody has to wait for them in a fresh clone. */
const SHARED = join(ROOT, 'packages/rope/kept');
/** Kept on this machine. */
const OWN = join(DATA, 'kept');

/** A source without its comments and spaces: what only reads otherwise computes the same. */
const code = (text) => text.replace(/\/\*[\s\S]*?\*\/|(^|\s)\/\/[^\n]*/g, '').replace(/\s+/g, ' ');

const IMPORT = /(?:import|export)( type)? [^;]*? from '(\.[^']+)\.js'/g;

/** Sources that are imported from some others, each once. */
function sourcesFrom(entries) {
  const sources = new Map();
  const open = entries.map((entry) => join(ROPE, entry));
  while (open.length > 0) {
    const file = open.pop();
    if (sources.has(file)) continue;
    const text = code(readFileSync(file, 'utf8'));
    // Where it lies and where others lie says nothing of what it computes.
    sources.set(file, text.replace(IMPORT, ''));
    for (const [, type, path] of text.matchAll(IMPORT)) {
      if (!type) open.push(join(dirname(file), `${path}.ts`));
    }
  }
  return [...sources.values()].sort();
}

let engine;
/** A hash of the source of the engine: another engine has another. */
export function engineHash() {
  engine ??= createHash('sha256').update(sourcesFrom(ENTRIES).join('\n')).digest('hex');
  return engine;
}

const SEAL = join(SHARED, 'engine.txt');
/** The engine that what is kept with the project came out of. */
export const sharedEngine = () => readFileSync(SEAL, 'utf8').trim();

/** Empties what is kept with the project, to be filled anew by this engine. */
export function clearShared() {
  rmSync(SHARED, { recursive: true, force: true });
  mkdirSync(SHARED, { recursive: true });
  writeFileSync(SEAL, `${engineHash()}\n`);
}

/**
 * A result that is kept, or computed and kept. With `KEPT=off` everything is computed and nothing is kept, as by `npm run
 * test:deep`; with `KEPT=share` what is computed is kept with the project, as by `npm run knots -- --kept`.
 *
 * @param what a name for people
 * @param inputs all that the result depends on besides the engine, as plain data
 * @param compute gives plain data
 */
export function kept(what, inputs, compute) {
  const mode = process.env.KEPT;
  if (mode === 'off') return JSON.parse(JSON.stringify(compute()));
  const asked = createHash('sha256')
    .update(engineHash())
    .update(JSON.stringify([what, inputs]));
  const name = `${what}-${asked.digest('hex').slice(0, 20)}.json`;
  const found = [SHARED, OWN].map((folder) => join(folder, name)).find((file) => existsSync(file));
  if (found && !(mode === 'share' && !found.startsWith(SHARED))) {
    return JSON.parse(readFileSync(found, 'utf8'));
  }
  const text = JSON.stringify(found ? JSON.parse(readFileSync(found, 'utf8')) : compute());
  const folder = mode === 'share' ? SHARED : OWN;
  mkdirSync(folder, { recursive: true });
  // Several may compute the same at once: each writes beside, and what is in place is whole.
  const beside = join(folder, `.${name}.${process.pid}`);
  writeFileSync(beside, text);
  renameSync(beside, join(folder, name));
  return JSON.parse(text);
}
