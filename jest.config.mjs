import { ensureBuild } from './scripts/lib/build.mjs';

// Libraries are tested as they are now, also where nobody has built them since.
await ensureBuild(['server']);

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
const shared = {
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: swc,
  moduleNameMapper: {
    '^(\\.{1,2}/.*)\\.js$': '$1',
    // What others use of a library is built as one file: each test loads it anew, and hundreds take seconds.
    '^@coiled-strand/(core|contract|solver)$': '<rootDir>/../../packages/$1/dist/bundle.js',
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

export default {
  // By default one core is left idle; with two, that is half of the machine.
  maxWorkers: '100%',
  // Modules of a test file are kept by Node after it. A worker grown larger takes so long to leave that it
  // would have to be killed; one that is begun anew is small.
  workerIdleMemoryLimit: '800MB',
  // Only ends what hangs: speed is measured by `npm run bench`.
  testTimeout: 600_000,
  projects: [
    project('core', 'packages/core'),
    project('contract', 'packages/contract', { setupFiles: ['reflect-metadata'] }),
    project('server', 'apps/server', { setupFiles: ['reflect-metadata'] }),
    project('web', 'apps/web', {
      testEnvironment: 'jsdom',
      // Styles mean nothing without a layout, and there are no workers here.
      moduleNameMapper: {
        ...shared.moduleNameMapper,
        '\\.css$': '<rootDir>/src/test-nothing.ts',
        '/picture-worker(\\?.*)?$': '<rootDir>/src/test-nothing.ts',
      },
      setupFiles: ['reflect-metadata', '<rootDir>/src/test-setup.ts'],
    }),
  ],
};
