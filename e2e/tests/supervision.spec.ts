import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { PageView, PieceView } from '@coiled-strand/contract';
import { expect, test } from '@playwright/test';
import { freePort } from '../../scripts/lib/port.mjs';
import { beginIn, type Program } from '../start.js';
import { isAlive, named, type Named } from '../../scripts/lib/process.mjs';

// The real start command, on a data folder of its own, with real signals.
test.describe.configure({ mode: 'serial' });

interface Running {
  readonly start: Named;
  readonly server: Named;
  readonly address: string;
}

let folder = '';
let port = 0;
let program: Program;

test.beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'coiled-strand-'));
  // The database may run as another user, who must get there.
  chmodSync(folder, 0o755);
  port = await freePort();
});
test.afterAll(() => {
  program.child.kill('SIGTERM');
  rmSync(folder, { recursive: true, force: true });
});

const begin = async (at = port): Promise<void> => {
  program = await beginIn(folder, at);
};
const ready = (): Promise<void> => program.ready();
const url = (): string => `http://127.0.0.1:${port}/api`;
const running = (): Running =>
  JSON.parse(readFileSync(join(folder, 'running.json'), 'utf8')) as Running;
const database = (): Named =>
  named(Number(readFileSync(join(folder, 'postgres/data/postmaster.pid'), 'utf8').split('\n')[0]));
const pieces = async (): Promise<readonly PieceView[]> =>
  ((await (await fetch(`${url()}/pieces?sort=laid&limit=100`)).json()) as PageView<PieceView>)
    .items;
const healthy = async (): Promise<boolean> => {
  try {
    return (await fetch(`${url()}/health`)).ok;
  } catch {
    return false;
  }
};
/** The guard that a start has begun. */
const guardOf = (start: number): number =>
  Number(
    readFileSync(`/proc/${start}/task/${start}/children`, 'utf8')
      .trim()
      .split(' ')
      .find((pid) => readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('guard.mjs')),
  );
/** Neither the server nor the database runs, and nothing says that they do. */
const allEnded = (...of: Named[]): Promise<void> =>
  expect
    .poll(() => [of.some(isAlive), existsSync(join(folder, 'running.json'))], { timeout: 60_000 })
    .toEqual([false, false]);

for (const signal of ['SIGTERM', 'SIGINT', 'SIGHUP'] as const) {
  test(`${signal} ends all that the start began, in order`, async () => {
    await begin();
    await ready();
    const all = [running().server, database()];
    expect(all.map(isAlive)).toEqual([true, true]);
    program.child.kill(signal);
    expect(await program.ended).toBe(0);
    await allEnded(...all);
    // The database was stopped, not killed: it left no note.
    expect(existsSync(join(folder, 'postgres/data/postmaster.pid'))).toBe(false);
  });
}

test('a start that is killed is cleaned up after; what was stored is there at the next', async () => {
  await begin();
  await ready();
  const before = await pieces();
  await fetch(`${url()}/pieces/${before[0]!.id}`, { method: 'DELETE' });
  const all = [running().server, database()];
  program.child.kill('SIGKILL');
  await program.ended;
  await allEnded(...all);
  expect(existsSync(join(folder, 'postgres/data/postmaster.pid'))).toBe(false);
  await begin();
  await ready();
  expect((await pieces()).map(({ id }) => id)).toEqual(before.slice(1).map(({ id }) => id));
});

test('a second start in the same folder says where the first is, and opens nothing', async () => {
  const first = program;
  const was = running();
  await begin(await freePort());
  expect(await program.ended).toBe(1);
  expect(program.said()).toContain(
    `already runs on the data in ${folder} (process ${was.start.pid})`,
  );
  expect(program.said()).toContain(`open ${was.address}`);
  expect(running()).toEqual(was);
  expect(await healthy()).toBe(true);
  program = first;
});

test('a database that dies is started again, and what happened is told', async () => {
  const before = database();
  const { server } = running();
  process.kill(before.pid, 'SIGKILL');
  await expect.poll(program.said, { timeout: 60_000 }).toContain('The database is back');
  expect(program.said()).toContain(
    'The database ended by itself; starting it again. Its log says:',
  );
  await expect.poll(healthy).toBe(true);
  expect(database()).not.toEqual(before);
  // The same server has found it again.
  expect(running().server).toEqual(server);
  expect((await pieces()).length).toBeGreaterThan(5);
});

test('a server that dies is started again too', async () => {
  const { server, address } = running();
  process.kill(server.pid, 'SIGKILL');
  await expect.poll(program.said, { timeout: 60_000 }).toContain('The server is back');
  expect(running().server).not.toEqual(server);
  expect(running().address).toBe(address);
  expect(await healthy()).toBe(true);
});

test('server and database killed at once are both back in seconds, and nothing that was stored is gone', async () => {
  const before = await pieces();
  for (const order of ['server first', 'database first']) {
    const all = [running().server, database()];
    if (order === 'database first') all.reverse();
    for (const { pid } of all) process.kill(pid, 'SIGKILL');
    await expect
      .poll(async () => !all.some(({ pid }) => pid === running().server.pid) && (await healthy()), {
        timeout: 120_000,
      })
      .toBe(true);
    expect((await pieces()).map(({ id }) => id)).toEqual(before.map(({ id }) => id));
  }
});

test('a start after everything was killed waits for what is left, and is there', async () => {
  const guard = guardOf(program.child.pid!);
  const all = [running().server, database()];
  process.kill(guard, 'SIGKILL');
  program.child.kill('SIGKILL');
  for (const { pid } of all) process.kill(pid, 'SIGKILL');
  await begin();
  await ready();
  expect(await healthy()).toBe(true);
  // And one whose database is just going down when it is begun.
  const db = database();
  const { server } = running();
  process.kill(guardOf(program.child.pid!), 'SIGKILL');
  program.child.kill('SIGKILL');
  process.kill(server.pid, 'SIGKILL');
  process.kill(db.pid, 'SIGINT');
  await begin();
  await ready();
  expect(await healthy()).toBe(true);
});

test('orphans of a start that was killed with its guard are ended or taken over by the next', async () => {
  const { server } = running();
  const db = database();
  const guard = guardOf(program.child.pid!);
  // Stopped, the server cannot notice that its parent is gone.
  process.kill(server.pid, 'SIGSTOP');
  process.kill(guard, 'SIGKILL');
  program.child.kill('SIGKILL');
  await expect.poll(() => isAlive(running().start)).toBe(false);
  expect([server, db].map(isAlive)).toEqual([true, true]);
  await begin();
  await ready();
  expect(program.said()).toContain(`left its server (process ${server.pid}); ending that`);
  expect(program.said()).toContain('it is taken over');
  expect(isAlive(server)).toBe(false);
  expect(database()).toEqual(db);
  expect(await healthy()).toBe(true);
  // What was taken over is ended like what was begun.
  const all = [running().server, db];
  program.child.kill('SIGTERM');
  expect(await program.ended).toBe(0);
  await allEnded(...all);
});
