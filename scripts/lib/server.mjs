import { fork } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { openLog } from './log.mjs';
import { Sentence } from './say.mjs';
import { DATA, ROOT } from './shell.mjs';

/**
 * Starts the built server. It ends when this process does, however that ends.
 *
 * @param env PORT and DATABASE_URL, and what else differs from this process
 * @param logName file below the data folder that gets the server's log
 */
export async function startServer(env, logName) {
  mkdirSync(DATA, { recursive: true });
  const logFile = join(DATA, logName);
  const log = await openLog(logName);
  // Detached: Ctrl-C comes to us alone, and we end things in order.
  const child = fork(join(ROOT, 'apps/server/dist/program/main.js'), {
    cwd: ROOT,
    detached: true,
    env: { ...process.env, DATA_FOLDER: DATA, ...env },
    stdio: ['ignore', 'pipe', 'pipe', 'ipc'],
  });
  let words = '';
  child.stderr.on('data', (data) => (words = `${words}${data}`.slice(-4000)));
  for (const output of [child.stdout, child.stderr]) output.on('data', (data) => log.write(data));
  child.once('close', () => log.end());
  const exited = new Promise((resolve) =>
    child.once('exit', (code, signal) => resolve(code ?? signal)),
  );
  const ready = new Promise((resolve, reject) => {
    child.once('message', (/** @type {{ ready?: string; failed?: string }} */ message) =>
      message.ready ? resolve(message.ready) : reject(new Sentence(message.failed)),
    );
    void exited.then((how) => {
      const tail = words.trim().split('\n').slice(-5).join('\n');
      reject(new Sentence(`The server ended (${how}) before it was ready. Its log says:\n${tail}`));
    });
  });
  // Whoever waits for it hears of a failure; nobody may be waiting when it is ended before it was ready.
  ready.catch(() => undefined);
  return {
    pid: child.pid,
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
