import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { ensureChromium } from './lib/chromium.mjs';
import { checkNode, ensureDependencies } from './lib/dependencies.mjs';
import { startCluster } from './lib/postgres.mjs';
import { run, say } from './lib/say.mjs';
import { ROOT, show } from './lib/shell.mjs';

const RESULTS = join(ROOT, '.data', 'test-results');
const bin = (name) => join(ROOT, 'node_modules/.bin', name);

/** Reads a runner's report; a runner that wrote none has failed as a whole. */
function report(file, read) {
  try {
    return read(JSON.parse(readFileSync(join(RESULTS, file), 'utf8')));
  } catch {
    return { passed: 0, failed: 1 };
  }
}

/** Everything that must hold, from formatting to the browser; the last line counts it. */
await run(async () => {
  checkNode();
  await ensureDependencies();
  await ensureChromium();
  await ensureBuild();
  rmSync(RESULTS, { recursive: true, force: true });
  mkdirSync(RESULTS, { recursive: true });

  let passed = 0;
  let failed = 0;
  const count = (result) => {
    passed += result.passed;
    failed += result.failed;
  };
  const check = async (name, command, args, options) => {
    say(name);
    const ok = (await show(command, args, options)) === 0;
    count({ passed: ok ? 1 : 0, failed: ok ? 0 : 1 });
  };
  // Linting knows the types and takes longest: the others run beside it.
  await Promise.all([
    check('Lint', bin('eslint'), [
      '.',
      '--cache',
      '--cache-location',
      '.data/eslint',
      '--max-warnings',
      '0',
    ]),
    check('Formatting', bin('prettier'), ['--check', '--log-level', 'warn', '.'])
      .then(() => check('Types', 'node', ['scripts/types.mjs']))
      .then(() => check('Dependency rule', 'npm', ['run', '--silent', 'arrows'])),
  ]);

  say('Starting a database for the tests');
  const cluster = await startCluster('test-postgres', { durable: false });
  const env = { ...process.env, TEST_DATABASE_URL: cluster.url, NODE_NO_WARNINGS: '1' };
  try {
    say('Unit and server tests');
    const jest = await show(
      'node',
      [
        '--experimental-vm-modules',
        join(ROOT, 'node_modules/jest/bin/jest.js'),
        '--json',
        `--outputFile=${join(RESULTS, 'jest.json')}`,
      ],
      { env, stdio: ['ignore', 'ignore', 'inherit'] },
    );
    count(
      report('jest.json', (r) => ({
        passed: r.numPassedTests,
        // A file that cannot even be loaded has no tests to fail.
        failed: r.numFailedTests + r.numRuntimeErrorTestSuites || (jest === 0 ? 0 : 1),
      })),
    );
    say('Browser tests');
    const playwright = await show(
      bin('playwright'),
      ['test', '--config', 'e2e/playwright.config.ts'],
      {
        env: { ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: join(RESULTS, 'playwright.json') },
      },
    );
    count(
      report('playwright.json', ({ stats }) => ({
        passed: stats.expected + stats.flaky,
        failed: stats.unexpected || (playwright === 0 ? 0 : 1),
      })),
    );
  } finally {
    cluster.stop();
  }
  process.exitCode = failed > 0 ? 1 : 0;
  process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
});
