import { createHash } from 'node:crypto';
import {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { dirname, join } from 'node:path';
import { say } from './say.mjs';
import { quiet, ROOT } from './shell.mjs';

const STAMP = join(ROOT, '.data', 'built-from');
const SOURCES = [
  'packages/core/src',
  'packages/contract/src',
  'packages/solver/src',
  'apps/server/src',
  'apps/web/src',
  'apps/web/public',
  'apps/web/index.html',
  'apps/web/vite.config.ts',
  'package-lock.json',
  'swc.build.json',
];
const OUTPUTS = [
  'packages/core/dist/index.js',
  'packages/contract/dist/index.js',
  'packages/solver/dist/index.js',
  'apps/server/dist/main.js',
  'apps/web/dist/index.html',
];

function* filesOf(path) {
  if (!existsSync(path)) return;
  if (!statSync(path).isDirectory()) {
    yield path;
    return;
  }
  for (const name of readdirSync(path).sort()) yield* filesOf(join(path, name));
}

/** What the build depends on, as one hash of paths and contents. */
function fingerprint() {
  const hash = createHash('sha256');
  for (const source of SOURCES) {
    for (const file of filesOf(join(ROOT, source))) {
      if (/\.test\.tsx?$/.test(file)) continue;
      hash.update(file.slice(ROOT.length)).update(readFileSync(file));
    }
  }
  return hash.digest('hex');
}

const swc = (folder) => {
  rmSync(join(ROOT, folder, 'dist'), { recursive: true, force: true });
  return quiet(
    join(ROOT, 'node_modules/.bin/swc'),
    [
      'src',
      '-d',
      'dist',
      '--strip-leading-paths',
      '--config-file',
      join(ROOT, 'swc.build.json'),
      '-q',
    ],
    { cwd: join(ROOT, folder) },
  );
};

/** Builds everything that changed since the last build; seconds, or nothing at all. */
export async function ensureBuild() {
  const now = fingerprint();
  const upToDate =
    existsSync(STAMP) &&
    readFileSync(STAMP, 'utf8') === now &&
    OUTPUTS.every((file) => existsSync(join(ROOT, file)));
  if (upToDate) return;
  say('Building core, contract and server');
  await Promise.all(
    ['packages/core', 'packages/contract', 'packages/solver', 'apps/server'].map(swc),
  );
  say('Building the web application');
  await quiet(join(ROOT, 'node_modules/.bin/vite'), [
    'build',
    'apps/web',
    '--config',
    'apps/web/vite.config.ts',
    '--logLevel',
    'error',
  ]);
  mkdirSync(dirname(STAMP), { recursive: true });
  writeFileSync(STAMP, now);
}
