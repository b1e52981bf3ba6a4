import { spawn, type ChildProcess } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { expect } from '@playwright/test';
import { freePort } from '../scripts/lib/port.mjs';

export const START = fileURLToPath(new URL('../scripts/start.mjs', import.meta.url));

/** The real start command, on a data folder of its own. */
export interface Program {
  readonly child: ChildProcess;
  readonly url: string;
  /** All that it said so far. */
  readonly said: () => string;
  readonly ready: () => Promise<void>;
  /** Its exit code, when it has ended. */
  readonly ended: Promise<number | null>;
}

/** @param port one that is free when left out */
export async function beginIn(folder: string, port?: number): Promise<Program> {
  const at = port ?? (await freePort());
  let said = '';
  const child = spawn('node', [START], {
    env: { ...process.env, DATABASE_URL: '', DATA_FOLDER: folder, PORT: String(at) },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  for (const output of [child.stdout, child.stderr]) {
    output.on('data', (data: Buffer) => (said += data.toString()));
  }
  return {
    child,
    url: `http://127.0.0.1:${at}`,
    said: () => said,
    ready: () => expect.poll(() => said, { timeout: 120_000 }).toContain('Ready.'),
    ended: new Promise((resolve) => child.once('exit', resolve)),
  };
}
