import { fork } from 'node:child_process';
import { mkdirSync, openSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Sentence } from './say.mjs';
import { ROOT } from './shell.mjs';

/**
 * Starts the built server and waits until it answers.
 *
 * @param env PORT and DATABASE_URL, and what else differs from this process
 * @param logName file below .data that gets the server's log
 */
export function startServer(env, logName) {
  mkdirSync(join(ROOT, '.data'), { recursive: true });
  const logFile = join(ROOT, '.data', logName);
  const log = openSync(logFile, 'a');
  // Detached: Ctrl-C comes to us alone, and we end things in order.
  const child = fork(join(ROOT, 'apps/server/dist/main.js'), {
    cwd: ROOT,
    detached: true,
    env: { ...process.env, ...env },
    stdio: ['ignore', log, log, 'ipc'],
  });
  const exited = new Promise((resolve) =>
    child.once('exit', (code, signal) => resolve(code ?? signal)),
  );
  const ready = new Promise((resolve, reject) => {
    child.once('message', (message) =>
      message.ready ? resolve(message.ready) : reject(new Sentence(message.failed)),
    );
    void exited.then((how) => {
      const tail = readFileSync(logFile, 'utf8').trim().split('\n').slice(-5).join('\n');
      reject(new Sentence(`The server ended (${how}) before it was ready. Its log says:\n${tail}`));
    });
  });
  return {
    ready,
    exited,
    logFile,
    /** Asks it to end, and after a while insists. */
    stop: async () => {
      if (child.exitCode !== null || child.signalCode !== null) return;
      child.kill('SIGTERM');
      const insist = setTimeout(() => child.kill('SIGKILL'), 8000);
      await exited;
      clearTimeout(insist);
    },
    /** As a crash would. */
    kill: async () => {
      child.kill('SIGKILL');
      await exited;
    },
  };
}
