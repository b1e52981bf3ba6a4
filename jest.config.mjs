import { availableParallelism } from 'node:os';
import { ensureBuild, GROUND, groundFile, VENDORED, vendorFile } from './scripts/lib/build.mjs';

// Libraries are tested as they are now, also where nobody has built them since.
await ensureBuild(['server', 'vendor']);

const swc = {
  '^.+\\.tsx?$': [
    '@swc/jest',
    {
      swcrc: false,
      jsc: {
        target: 'es2022',
        parser: { syntax: 'typescript', decorators: true, tsx: true },
        transform: {
          legacyDecorator: true,
          decoratorMetadata: true,
          useDefineForClassFields: false,
          react: { runtime: 'automatic' },
        },
        keepClassNames: true,
      },
      module: { type: 'es6' },
    },
  ],
};
/** Packages as they are bundled for the tests. */
const bundled = (names, fileOf) =>
  Object.fromEntries(names.map((name) => [`^${name}(\\.js)?$`, `<rootDir>/../../${fileOf(name)}`]));
const shared = {
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: swc,
  moduleNameMapper: {
    '^(\\.{1,2}/.*)\\.js$': '$1',
    // What others use of a library is built as one file: each test loads it anew, and hundreds take seconds.
    '^@coiled-strand/(rope|core|workshop|contract|solver)$':
      '<rootDir>/../../packages/$1/dist/bundle.js',
    '^@coiled-strand/rope/testing$': '<rootDir>/../../packages/rope/src/testing.ts',
    ...bundled(VENDORED, vendorFile),
  },
  transformIgnorePatterns: ['/node_modules/'],
};
const project = (displayName, rootDir, more = {}) => ({
  ...shared,
  displayName,
  rootDir,
  testMatch: ['<rootDir>/src/**/*.test.ts', '<rootDir>/src/**/*.test.tsx'],
  testEnvironment: 'node',
  ...more,
});

/** With sources of the core for its bundle: what the tests of both share comes out of them too. */
const onSources = ({ moduleNameMapper }) => ({
  moduleNameMapper: {
    ...moduleNameMapper,
    '^@coiled-strand/(rope|core|workshop|contract|solver)$':
      '<rootDir>/../../packages/$1/src/index.ts',
    '^@coiled-strand/core/testing$': '<rootDir>/../../packages/core/src/testing.ts',
  },
});

const web = {
  testEnvironment: 'jsdom',
  // Styles mean nothing without a layout, and there are no workers here.
  moduleNameMapper: {
    ...shared.moduleNameMapper,
    '\\.css$': '<rootDir>/src/test-nothing.ts',
    '/picture-worker(\\?.*)?$': '<rootDir>/src/test-nothing.ts',
  },
  setupFiles: ['reflect-metadata', '<rootDir>/src/test-setup.ts'],
};
const MADE_UP = 'made-up-kinds.test.tsx';

export default {
  // By default one core is left idle; and where a test waits for a server or a database, another may go on.
  maxWorkers: Math.ceil(1.5 * availableParallelism()),
  // Modules of a test file are kept by Node after it. A worker grown larger takes so long to leave that it
  // would have to be killed; one that is begun anew is small.
  workerIdleMemoryLimit: '800MB',
  // Only ends what hangs: speed is measured by `npm run bench`.
  testTimeout: 600_000,
  projects: [
    project('rope', 'packages/rope'),
    project('core', 'packages/core'),
    project('workshop', 'packages/workshop', onSources(shared)),
    project('contract', 'packages/contract', { setupFiles: ['reflect-metadata'] }),
    project('server', 'apps/server', {
      setupFiles: ['reflect-metadata'],
      moduleNameMapper: {
        ...shared.moduleNameMapper,
        ...bundled(GROUND, groundFile),
      },
    }),
    project('web', 'apps/web', { ...web, testPathIgnorePatterns: [MADE_UP] }),
    project('made-up', 'apps/web', {
      ...web,
      testMatch: [`<rootDir>/src/${MADE_UP}`],
      // Puts a kind into the registries of the core, which are no files of their own in a bundle.
      ...onSources(web),
    }),
  ],
};
