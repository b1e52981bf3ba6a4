import { fork } from 'node:child_process';
import { appendFileSync, rmSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { stopCluster } from './postgres.mjs';
import { end } from './process.mjs';

/**
 * A process of its own that ends, in order, what a start began, should the start be killed and not get to it.
 *
 * @returns how to tell it what was begun, and how to dismiss it once that is ended
 */
export function startGuard() {
  const child = fork(fileURLToPath(import.meta.url), ['guard'], {
    detached: true,
    stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
  });
  child.unref();
  child.channel?.unref();
  return {
    pid: child.pid,
    watch: (begun) => child.connected && child.send(begun),
    dismiss: () => child.kill('SIGKILL'),
  };
}

if (process.argv[2] === 'guard' && process.send) {
  /** @type {Record<string, any>} */
  let begun = {};
  // What stops the start is no reason to stop: the start ends this one when all is done.
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => undefined);
  process.on('message', (/** @type {object} */ more) => {
    begun = { ...begun, ...more };
  });
  process.on('disconnect', async () => {
    const { server, cluster, file, log } = begun;
    if (log)
      appendFileSync(
        log,
        `${new Date().toISOString()} The start was killed: ending what it began.\n`,
      );
    if (server) await end(server);
    if (cluster) stopCluster(cluster);
    if (file) rmSync(file, { force: true });
    process.exit(0);
  });
}
