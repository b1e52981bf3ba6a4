import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { ensureChromium } from './lib/chromium.mjs';
import { makeTemplates } from './lib/database.mjs';
import { withDemo } from './lib/demo-browser.mjs';
import { checkNode, ensureDependencies } from './lib/dependencies.mjs';
import { writeFormatted } from './lib/format.mjs';
import { killAround } from './lib/kills.mjs';
import { startCluster } from './lib/postgres.mjs';
import { REFUSED_WITHIN, refusals } from './lib/refusals.mjs';
import { run, say } from './lib/say.mjs';
import { bin, capture, ROOT, show } from './lib/shell.mjs';

/** Requests of nonsense, and times that everything is killed. */
const FUZZ = Number(process.env.FUZZ ?? 10_000);
const ROUNDS = Number(process.env.KILL_ROUNDS ?? 3);
const SEED = process.env.FUZZ_SEED ?? String(Date.now() % 1_000_000_000);

/** Tests of the server by what they try; those of a new route join by themselves. */
const OF_THE_SERVER = [
  ['Malformed requests, up to every limit', 'src/(fuzz|oversized)\\.test', FUZZ],
  ['Backups made by hand', 'backup/forged', 0],
  [
    'Backups while something is written, broken off, and by the clock',
    'backup/(backup|owner|by)',
    0,
  ],
  ['Every route by four roles and two workshops', 'accounts/(tenancy|accounts|installation)', 0],
  ['Guesses, names, proxies', 'accounts/(guarded|look)', 0],
  ['Requests that come twice, changes of what was changed', 'idempotency|if-match', 0],
  ['Two servers, one of them killed', 'several-servers', 0],
  [
    'Photos that are traps, downloads that nobody reads, long queues',
    'photos|downloads|planner',
    0,
  ],
];
const OF_THE_BROWSER = [
  ['A full disk', ['disk']],
  ['Users without luck', ['unlucky', 'safety']],
];

const ofJest = ({ numTotalTests: tries, numFailedTests: failed, testResults }) => ({
  tries,
  faults: testResults.flatMap(({ assertionResults, message, name }) => [
    ...assertionResults.filter(({ status }) => status === 'failed').map(({ fullName }) => fullName),
    // A file that could not even be read has no tests.
    ...(assertionResults.length === 0 && failed === 0 ? [`${name}: ${message.slice(0, 200)}`] : []),
  ]),
});
const ofPlaywright = ({ stats: { expected, unexpected, flaky }, errors }) => ({
  tries: expected + unexpected + flaky,
  faults: unexpected > 0 || errors.length > 0 ? [`${unexpected} of the browser tests`] : [],
});

/** Tries to lose, double, reach and stall what it can; prints tries and faults. `--write` puts them into docs/trust.md. */
await run(async () => {
  checkNode();
  await ensureDependencies();
  await ensureChromium();
  await ensureBuild();
  const began = Date.now();
  const results = [];
  const folder = mkdtempSync(join(tmpdir(), 'coiled-strand-attack-'));
  const report = join(folder, 'report.json');
  const note = (section, { tries, faults, more = '' }) => {
    results.push({ section, tries, faults, more });
    say(`${section}: ${tries} tries, ${faults.length} faults${more && `; ${more}`}`);
    for (const fault of faults.slice(0, 10)) say(`  ${fault}`);
  };

  say('Killing what runs while it is written to');
  const { kills, longest, ...killed } = await killAround(ROUNDS);
  note('Writes that were acknowledged while processes were killed', {
    ...killed,
    more: `${kills} kills in all combinations, back after ${longest.toFixed(1)} s at most`,
  });

  say('Sending what is refused');
  await withDemo('attack', async (_browser, url, _database, pid) => {
    const sent = await refusals(url, pid);
    const dearest = Math.max(...sent.map(({ most }) => most));
    note('Bodies made to be dear to refuse', {
      tries: sent.length,
      faults: sent
        .filter(({ most }) => most > REFUSED_WITHIN)
        .map(({ what, most }) => `${what}: ${most} ms`),
      more: `${dearest.toFixed(0)} ms of the processor at most`,
    });
  });

  const cluster = await startCluster('test-postgres', { durable: false });
  try {
    await makeTemplates(cluster.url);
    const env = {
      ...process.env,
      FUZZ: String(FUZZ),
      FUZZ_SEED: SEED,
      DEEP_FORGERIES: '120',
      TEST_DATABASE_URL: cluster.url,
      NODE_NO_WARNINGS: '1',
    };
    for (const [section, pattern, more] of OF_THE_SERVER) {
      const jest = ['--experimental-vm-modules', join(ROOT, 'node_modules/jest/bin/jest.js')];
      const asked = ['--selectProjects', 'server', '--testPathPatterns', pattern];
      await show('node', [...jest, ...asked, '--json', `--outputFile=${report}`], {
        env,
        stdio: ['ignore', 'ignore', 'ignore'],
      });
      const { tries, faults } = ofJest(JSON.parse(readFileSync(report, 'utf8')));
      note(section, { tries: tries + more, faults });
    }
    for (const [section, files] of OF_THE_BROWSER) {
      await show(
        bin('playwright'),
        ['test', '--config', 'e2e/playwright.config.ts', '--reporter=json', ...files],
        {
          env: { ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: report },
          stdio: ['ignore', 'ignore', 'ignore'],
        },
      );
      note(section, ofPlaywright(JSON.parse(readFileSync(report, 'utf8'))));
    }
  } finally {
    cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  }
  const faults = results.reduce((sum, one) => sum + one.faults.length, 0);
  say(`${faults} faults in ${((Date.now() - began) / 60_000).toFixed(1)} min; seed ${SEED}`);
  if (process.argv.includes('--write')) writeDown(results);
  process.exitCode = faults === 0 ? 0 : 1;
});

/** Puts the last run into the page that tells of it. */
function writeDown(results) {
  const file = join(ROOT, 'docs/trust.md');
  const page = readFileSync(file, 'utf8');
  const commit = capture('git', ['rev-parse', '--short', 'HEAD']).out.trim();
  const rows = results.map(
    ({ section, tries, faults, more }) =>
      `| ${section}${more && ` (${more})`} | ${tries.toLocaleString('en')} | ${faults.length} |`,
  );
  const table = [
    `On ${new Date().toISOString().slice(0, 10)}, commit ${commit}, seed ${SEED}.`,
    '',
    '| what was tried | tries | faults |',
    '| --- | --- | --- |',
    ...rows,
  ].join('\n');
  const [before] = page.split('<!-- the last run -->');
  writeFormatted(file, `${before}<!-- the last run -->\n\n${table}\n`);
  say(`Written down in ${file}`);
}
