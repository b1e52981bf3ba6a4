import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { execFileSync, spawnSync } from 'node:child_process';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { expect, test } from '@playwright/test';
import pg from 'pg';
import { openLog } from '../../scripts/lib/log.mjs';
import { freePort } from '../../scripts/lib/port.mjs';
import { startCluster } from '../../scripts/lib/postgres.mjs';
import { START } from '../start.js';

const made: string[] = [];
const named = (): string => {
  const name = `start-${process.pid}-${made.length}`;
  made.push(name);
  return name;
};

async function ask(url: string, sql: string): Promise<unknown[]> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    return (await client.query(sql)).rows as unknown[];
  } finally {
    await client.end();
  }
}
const begin = (name: string) => startCluster(name, { durable: false });
const places = new Set<string>();

test.afterAll(() => {
  for (const place of places) rmSync(place, { recursive: true, force: true });
});

test('a database that is not whole is refused with what was found, and nothing is touched', async () => {
  const name = named();
  const first = await begin(name);
  places.add(first.place);
  await ask(first.url, 'create table kept as select 42 as answer');
  first.stop();
  const version = join(first.place, 'data', 'PG_VERSION');
  const was = readFileSync(version);
  rmSync(version);
  const before = readdirSync(join(first.place, 'data'));
  await expect(begin(name)).rejects.toThrow(/holds \d+ files or folders .* but no PG_VERSION/);
  expect(readdirSync(join(first.place, 'data'))).toEqual(before);
  // Restored, everything is there.
  writeFileSync(version, was);
  const again = await begin(name);
  expect(await ask(again.url, 'select answer from kept')).toEqual([{ answer: 42 }]);
  again.stop();
});

test('one that belongs to another user is refused with who it is', async () => {
  const name = named();
  const first = await begin(name);
  places.add(first.place);
  first.stop();
  const { uid } = statSync(join(first.place, 'data'));
  const user = { name: 'somebody', uid: uid + 1 };
  await expect(startCluster(name, { durable: false, user })).rejects.toThrow(
    new RegExp(`belongs to the user with the number ${uid}, .*chown -R somebody`),
  );
  (await begin(name)).stop();
});

test('what somebody else put there is not a database, and stays', async () => {
  const name = named();
  const first = await begin(name);
  places.add(first.place);
  first.stop();
  const data = join(first.place, 'data');
  rmSync(data, { recursive: true });
  mkdirSync(data);
  writeFileSync(join(data, 'letter.txt'), 'mine');
  await expect(begin(name)).rejects.toThrow(/letter\.txt/);
  expect(readFileSync(join(data, 'letter.txt'), 'utf8')).toBe('mine');
  // An empty folder is as good as none.
  rmSync(join(data, 'letter.txt'));
  const fresh = await begin(name);
  expect(await ask(fresh.url, 'select 1 as one')).toEqual([{ one: 1 }]);
  fresh.stop();
  expect(readdirSync(first.place).filter((one) => one.startsWith('data-new'))).toEqual([]);
});

test('a copied folder has a database of its own, also while that of the original runs', async () => {
  const [name, other] = [named(), named()];
  const original = await begin(name);
  places.add(original.place);
  await ask(original.url, 'create table mine as select 1 as n');
  await ask(original.url, 'checkpoint');
  const copy = join(dirname(original.place), other);
  places.add(copy);
  execFileSync('cp', ['-a', original.place, copy]);
  expect(existsSync(join(copy, 'data', 'postmaster.pid'))).toBe(true);
  const second = await begin(other);
  try {
    expect(second.place).toBe(copy);
    expect(new URL(second.url).port).not.toBe(new URL(original.url).port);
    await ask(second.url, 'insert into mine values (2)');
    expect(await ask(second.url, 'select count(*)::int as n from mine')).toEqual([{ n: 2 }]);
    expect(await ask(original.url, 'select count(*)::int as n from mine')).toEqual([{ n: 1 }]);
  } finally {
    second.stop();
    original.stop();
  }
});

test('a log is turned over, and the oldest are let go', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'coiled-strand-log-'));
  places.add(folder);
  const log = await openLog('server.log', { folder, size: '10K', maxFiles: 3 });
  for (let line = 0; line < 65; line++) {
    log.write(`${line} `.padEnd(1023, '.') + '\n');
    await new Promise((resolve) => setTimeout(resolve, 5));
  }
  log.end();
  const old = (): string[] => readdirSync(folder).filter((file) => file.endsWith('-server.log'));
  await expect.poll(() => old().length).toBe(3);
  // Between the turning over and the next line there is none for a moment; the last line comes last.
  const current = join(folder, 'server.log');
  await expect
    .poll(() => (existsSync(current) ? readFileSync(current, 'utf8') : ''))
    .toMatch(/^64 \.+$/m);
  for (const file of [...old(), 'server.log']) {
    expect(statSync(join(folder, file)).size).toBeLessThanOrEqual(12 * 1024);
  }
});

test('a start that cannot be says in a sentence why, and what to do', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'coiled-strand-'));
  const file = join(folder, 'a-file');
  writeFileSync(file, 'mine');
  const port = await freePort();
  for (const [env, words] of [
    [{ DATA_FOLDER: file }, /is .*a-file, and that is a file/],
    [{ DATA_FOLDER: join(file, 'data') }, /and that is a file, or lies in one/],
    [{ DATA_FOLDER: '/proc/nowhere' }, /nothing can be kept there/],
    [{ DATA_FOLDER: folder, HOST: '203.0.113.7' }, /HOST is “203\.0\.113\.7”, which is no address/],
    [{ DATA_FOLDER: folder, PORT: 'all' }, /PORT is “all”/],
  ] as const) {
    const { status, stderr } = spawnSync(process.execPath, [START], {
      env: { ...process.env, PORT: String(port), ...env },
      encoding: 'utf8',
    });
    expect(status).toBe(1);
    expect(stderr).toMatch(words);
    expect(stderr).not.toMatch(/\n\s+at /);
  }
  expect(readFileSync(file, 'utf8')).toBe('mine');
  expect(readdirSync(folder)).toEqual(['a-file']);
  rmSync(folder, { recursive: true });
});
