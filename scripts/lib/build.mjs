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
import { basename, dirname, join } from 'node:path';
import { say } from './say.mjs';
import { bin, quiet, ROOT } from './shell.mjs';

const LIBRARIES = [
  'packages/rope',
  'packages/core',
  'packages/workshop',
  'packages/contract',
  'packages/solver',
];

export const VENDORED = ['@chakra-ui/react', 'class-validator', 'lucide-react'];
export const vendorFile = (name) => `.data/vendor/${name.replace('/', '-')}.mjs`;
/** What the server stands on. They share parts, and have to be bundled at once to go on sharing them. */
export const GROUND = [
  '@nestjs/common',
  '@nestjs/core',
  '@nestjs/platform-express',
  '@nestjs/swagger',
  '@nestjs/typeorm',
  'class-transformer',
  'express',
  'pg',
  'pg-boss',
  'rate-limiter-flexible',
  'rxjs',
  'supertest',
  'typeorm',
  'typeorm/driver/postgres/PostgresDriver',
];
export const groundFile = (name) => `.data/vendor/server/${name}.mjs`;
/** Those who share it with others leave it where all find the same. */
const REACT = /^(react|react-dom|@emotion\/.*)($|\/)/;

/** What is started of the server. */
const PROGRAM = ['main', 'commands/backup', 'commands/owner', 'commands/restore'];

/** What is built at once, from what, and a file that it ends with. */
const PARTS = {
  server: {
    sources: [...[...LIBRARIES, 'apps/server'].map((part) => `${part}/src`), 'swc.build.json'],
    outputs: [
      ...LIBRARIES.flatMap((part) => [`${part}/dist/index.js`, `${part}/dist/bundle.js`]),
      ...PROGRAM.map((name) => `apps/server/dist/program/${basename(name)}.js`),
    ],
    build: buildServer,
  },
  web: {
    sources: [
      ...LIBRARIES.map((part) => `${part}/src`),
      ...['src', 'public', 'index.html', 'vite.config.ts'].map((file) => `apps/web/${file}`),
    ],
    outputs: ['apps/web/dist/index.html'],
    build: buildWeb,
  },
  // Packages of hundreds of files each, as the tests load them.
  vendor: {
    sources: [],
    outputs: [...VENDORED.map(vendorFile), ...GROUND.map(groundFile)],
    build: () =>
      Promise.all([...VENDORED.map((name) => bundle(name, vendorFile(name), REACT)), ground()]),
  },
};

function* filesOf(path) {
  if (!existsSync(path)) return;
  if (!statSync(path).isDirectory()) {
    yield path;
    return;
  }
  for (const name of readdirSync(path).sort()) yield* filesOf(join(path, name));
}

/** What a part is built from, as one hash of paths and contents. */
function fingerprint(sources) {
  const hash = createHash('sha256');
  for (const source of [...sources, 'package-lock.json']) {
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
    bin('swc'),
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

/**
 * A library as one file, which tests load a hundred times quicker than its hundreds.
 *
 * @param entry its file, or its name among the packages
 * @param external what stays outside
 */
async function bundle(entry, file, external) {
  const { build } = await import('rolldown');
  await build({
    input: entry,
    cwd: join(ROOT, 'apps/web'),
    external,
    platform: 'browser',
    output: { file: join(ROOT, file), sourcemap: true, keepNames: true },
    logLevel: 'silent',
  });
}

/**
 * What the program of the server does not hold: what is compiled for a machine, what finds files beside itself, and
 * what is only asked for where something else is used.
 */
const BESIDE = [
  /^(sharp|@img\/.*|@node-rs\/.*|pg-native|piscina|swagger-ui-dist)(\/|$)/,
  /^(@nestjs\/(websockets|microservices|platform-fastify)|class-transformer\/storage|@fastify)(\/|$)/,
  /^(mongodb|mysql2?|sqlite3|better-sqlite3|oracledb|i?o?redis|sql\.js|mssql|hdb-pool|expo-sqlite)(\/|$)/,
  /^(@google-cloud\/spanner|@sap\/.*|typeorm-aurora.*|react-native-sqlite.*|pg-query-stream)(\/|$)/,
];

/** What the server stands on, as the tests load it: thousands of modules take longer to find than most tests to run. */
async function ground() {
  const { build } = await import('rolldown');
  const AS = 'named:';
  await build({
    input: Object.fromEntries(GROUND.map((name) => [name, AS + name])),
    // Modules of the older kind say the names of what they hold only while they run, and are asked for them.
    plugins: [
      {
        name: 'named',
        resolveId: (id) => (id.startsWith(AS) ? `\0${id}` : null),
        load: async (id) => {
          if (!id.startsWith(`\0${AS}`)) return null;
          const name = id.slice(1 + AS.length);
          const from = name.includes('/driver/') ? `${name}.js` : name;
          const names = Object.keys(await import(from)).filter((one) =>
            /^(?!default$)\w+$/.test(one),
          );
          const each = (say) => names.map(say).join(', ');
          return `import * as all from '${from}';
            const [${each((_, i) => `_${i}`)}] = [${each((one) => `all.${one}`)}];
            export { ${each((one, i) => `_${i} as ${one}`)} };
            export default all.default;`;
        },
      },
    ],
    cwd: join(ROOT, 'apps/server'),
    external: [...BESIDE, 'class-validator', 'reflect-metadata'],
    platform: 'node',
    output: {
      dir: join(ROOT, '.data/vendor/server'),
      entryFileNames: '[name].mjs',
      chunkFileNames: 'shared-[hash].mjs',
      format: 'esm',
      keepNames: true,
    },
    logLevel: 'silent',
  });
}

/** The server and its commands as one program: its thousands of modules take longer to find than to run. */
async function program() {
  const { build } = await import('rolldown');
  await build({
    input: PROGRAM.map((name) => join(ROOT, 'apps/server/dist', `${name}.js`)),
    cwd: join(ROOT, 'apps/server'),
    external: BESIDE,
    platform: 'node',
    // As deep as the folders of its modules, which find what lies beside them.
    output: { dir: join(ROOT, 'apps/server/dist/program'), format: 'esm', keepNames: true },
    logLevel: 'silent',
  });
}

async function buildServer() {
  say('Building core, contract and server');
  await Promise.all([...LIBRARIES, 'apps/server'].map(swc));
  await program();
  await Promise.all(
    LIBRARIES.map((library) =>
      bundle(join(ROOT, library, 'dist/index.js'), `${library}/dist/bundle.js`, /^[^./]/),
    ),
  );
}

async function buildWeb() {
  say('Building the web application');
  const vite = bin('vite');
  const config = ['--config', 'apps/web/vite.config.ts', '--logLevel', 'error'];
  await quiet(vite, ['build', 'apps/web', ...config]);
}

/**
 * Builds what changed since it was last built; seconds, or nothing at all.
 *
 * @param names which parts; all when left out
 */
export async function ensureBuild(names = Object.keys(PARTS)) {
  for (const name of names) {
    const { sources, outputs, build } = PARTS[name];
    const stamp = join(ROOT, '.data', `built-${name}`);
    const now = fingerprint(sources);
    const upToDate =
      existsSync(stamp) &&
      readFileSync(stamp, 'utf8') === now &&
      outputs.every((file) => existsSync(join(ROOT, file)));
    if (upToDate) continue;
    await build();
    mkdirSync(dirname(stamp), { recursive: true });
    writeFileSync(stamp, now);
  }
}
