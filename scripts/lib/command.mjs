import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ensureBuild } from './build.mjs';
import { checkNode, ensureDependencies } from './dependencies.mjs';
import { startCluster } from './postgres.mjs';
import { run } from './say.mjs';
import { ROOT } from './shell.mjs';

/**
 * Runs one of the server's commands on the database that `npm start` uses, whether that runs or not. What stands
 * behind the name of the script is handed on.
 */
export const runOnData = (command) =>
  run(async () => {
    checkNode();
    await ensureDependencies();
    await ensureBuild();
    const cluster = process.env.DATABASE_URL
      ? null
      : await startCluster('postgres', { durable: true });
    try {
      const child = spawn(
        'node',
        [join(ROOT, 'apps/server/dist/program', `${command}.js`), ...process.argv.slice(2)],
        {
          // Files are named from where the command was called.
          cwd: process.env.INIT_CWD ?? process.cwd(),
          env: { ...process.env, DATABASE_URL: process.env.DATABASE_URL || cluster.url },
          stdio: 'inherit',
        },
      );
      process.exitCode = await new Promise((resolve) =>
        child.once('exit', (code) => resolve(code ?? 1)),
      );
    } finally {
      cluster?.stop();
    }
  });
