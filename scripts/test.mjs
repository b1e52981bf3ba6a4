import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { ensureChromium } from './lib/chromium.mjs';
import { makeTemplates } from './lib/database.mjs';
import { checkNode, ensureDependencies } from './lib/dependencies.mjs';
import { startCluster } from './lib/postgres.mjs';
import { run, say } from './lib/say.mjs';
import { bin, capture, ROOT, show } from './lib/shell.mjs';

const RESULTS = join(ROOT, '.data', 'test-results');

/** Everything at full size: every template and seed, every knot drawn tight anew. Takes about an hour. */
const DEEP = process.argv.includes('--deep');

/** So many of the slowest files are named at the end. */
const SLOWEST = 10;

/** Reads a runner's report; a runner that wrote none has failed as a whole. */
function report(file, read) {
  try {
    return read(JSON.parse(readFileSync(join(RESULTS, file), 'utf8')));
  } catch {
    return { passed: 0, failed: 1, seconds: {} };
  }
}

const nameOf = (file) => relative(ROOT, file);

/** Seconds of each file, and how many of its tests passed and failed. */
function readJest({ numPassedTests, numFailedTests, numRuntimeErrorTestSuites, testResults }) {
  const seconds = {};
  for (const { name, startTime, endTime } of testResults) {
    seconds[nameOf(name)] = (endTime - startTime) / 1000;
  }
  // A file that cannot even be loaded has no tests to fail.
  return { passed: numPassedTests, failed: numFailedTests + numRuntimeErrorTestSuites, seconds };
}

function readPlaywright({ stats, suites, config: { rootDir } }) {
  const seconds = {};
  const add = ({ file, specs = [], suites: inner = [] }) => {
    const name = nameOf(join(rootDir, file));
    for (const { tests } of specs) {
      for (const { results } of tests) {
        for (const { duration } of results) seconds[name] = (seconds[name] ?? 0) + duration / 1000;
      }
    }
    inner.forEach(add);
  };
  suites.forEach(add);
  return { passed: stats.expected + stats.flaky, failed: stats.unexpected, seconds };
}

/** A number that is another with every commit: nonsense that is sent to the server follows from it. */
const seedOfCommit = () =>
  String(parseInt(capture('git', ['rev-parse', 'HEAD']).out.slice(0, 7), 16) || 1);

/** Everything that must hold, from formatting to the browser; the last line counts it. */
await run(async () => {
  checkNode();
  await ensureDependencies();
  await ensureChromium();
  rmSync(RESULTS, { recursive: true, force: true });
  mkdirSync(RESULTS, { recursive: true });

  let passed = 0;
  let failed = 0;
  const seconds = {};
  const count = (result) => {
    passed += result.passed;
    failed += result.failed;
    Object.assign(seconds, result.seconds);
  };
  const check = async (name, command, args, options) => {
    say(name);
    const from = Date.now();
    const ok = (await show(command, args, options)) === 0;
    count({
      passed: ok ? 1 : 0,
      failed: ok ? 0 : 1,
      seconds: { [name]: (Date.now() - from) / 1000 },
    });
  };
  await Promise.all([
    check('Dependency rule', 'npm', ['run', '--silent', 'arrows']),
    ensureBuild(),
  ]);
  await check('Formatting', 'npm', ['run', '--silent', 'format:check']);
  await check('Types and lint', 'npm', ['run', '--silent', 'lint']);

  say('Starting a database for the tests');
  const cluster = await startCluster('test-postgres', { durable: false });
  const env = {
    FUZZ_SEED: seedOfCommit(),
    ...process.env,
    TEST_DATABASE_URL: cluster.url,
    NODE_NO_WARNINGS: '1',
    ...(DEEP ? { DEEP: '1', KEPT: 'off', FUZZ: '5000' } : {}),
  };
  try {
    await makeTemplates(cluster.url);
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
    const units = report('jest.json', readJest);
    count({ ...units, failed: units.failed || (jest === 0 ? 0 : 1) });
    say('Browser tests');
    const playwright = await show(
      bin('playwright'),
      ['test', '--config', 'e2e/playwright.config.ts'],
      {
        env: { ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: join(RESULTS, 'playwright.json') },
      },
    );
    const browser = report('playwright.json', readPlaywright);
    count({ ...browser, failed: browser.failed || (playwright === 0 ? 0 : 1) });
  } finally {
    cluster.stop();
  }
  writeFileSync(join(RESULTS, 'seconds.json'), JSON.stringify(seconds, null, 2));
  const slowest = Object.entries(seconds).sort(([, a], [, b]) => b - a);
  say(`The ${SLOWEST} that took longest, of ${slowest.length}:`);
  for (const [name, took] of slowest.slice(0, SLOWEST)) {
    process.stdout.write(`${took.toFixed(1).padStart(9)} s  ${name}\n`);
  }
  process.exitCode = failed > 0 ? 1 : 0;
  process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
});
