import { join } from 'node:path';
import { checkNode, ensureDependencies } from './lib/dependencies.mjs';
import { ensureBuild } from './lib/build.mjs';
import { startCluster } from './lib/postgres.mjs';
import { run, say } from './lib/say.mjs';
import { ROOT, show } from './lib/shell.mjs';

const SEED = process.env.FUZZ_SEED ?? String(Date.now() % 1_000_000_000);

/** Sends the server far more nonsense than the tests do, another each time; FUZZ_SEED repeats one. */
await run(async () => {
  checkNode();
  await ensureDependencies();
  await ensureBuild();
  const cluster = await startCluster('test-postgres', { durable: false });
  try {
    say(`Seed ${SEED}`);
    process.exitCode = await show(
      'node',
      [
        '--experimental-vm-modules',
        join(ROOT, 'node_modules/jest/bin/jest.js'),
        '--selectProjects',
        'server',
        '--testPathPatterns',
        'fuzz',
      ],
      {
        env: {
          FUZZ: '50000',
          FUZZ_MS: '1000',
          ...process.env,
          FUZZ_SEED: SEED,
          TEST_DATABASE_URL: cluster.url,
          NODE_NO_WARNINGS: '1',
        },
      },
    );
  } finally {
    cluster.stop();
  }
});
