import { createHash } from 'node:crypto';
import { deep } from '../../../../scripts/lib/deep.mjs';
import { createWriteStream } from 'node:fs';
import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { fileURLToPath } from 'node:url';
import { gunzipSync, gzipSync } from 'node:zlib';
import { beforeAll, describe, expect, it } from '@jest/globals';
import { DataSource } from 'typeorm';
import { createApp } from '../create-app.js';
import { fromBefore1 } from '../database/before-1.js';
import { createDataSource } from '../database/data-source.js';
import { resealed, useHouse, type House } from '../testing/house.js';
import { drawnKnot } from '../testing/ground.js';
import { as, PASSWORD, stranger, type Signed } from '../testing/people.js';
import { createDatabase, startTestApp, testConfig, type TestApp } from '../testing/test-app.js';
import { readBackup, type Row } from './format.js';
import { restoreAll } from './restore.js';
import { LEFT_OUT, MADE_AGAIN, TABLES, type Table } from './tables.js';
import { backupStream, type Scope } from './write-backup.js';

const house = useHouse();
let folder: string;
let test: TestApp;
let owner: House['owner'];
beforeAll(() => {
  ({ folder, test, owner } = house());
});

const everything: Scope = { of: 'installation' };
async function backup(url: string, name: string, scope: Scope = everything): Promise<string> {
  const file = join(folder, name);
  await pipeline(backupStream(url, scope), createWriteStream(file));
  return file;
}

/** Every row of every table that is in a backup, as values. */
async function rowsOf(source: DataSource): Promise<Record<Table, object[]>> {
  const all: Partial<Record<Table, object[]>> = {};
  for (const table of TABLES) {
    const rows = await source.query<Record<string, unknown>[]>(
      `select * from "${table}" order by id`,
    );
    all[table] = rows.map((row) =>
      Object.fromEntries(
        Object.entries(row).filter(([column]) => !MADE_AGAIN[table]?.includes(column)),
      ),
    );
  }
  return all as Record<Table, object[]>;
}
const withRows = async <T>(url: string, use: (source: DataSource) => Promise<T>): Promise<T> => {
  const source = await createDataSource(url).initialize();
  try {
    return await use(source);
  } finally {
    await source.destroy();
  }
};
/** Everything in a database, in short. */
const fingerprint = (url: string): Promise<string> =>
  withRows(url, async (source) =>
    createHash('sha256')
      .update(JSON.stringify(await rowsOf(source)))
      .digest('hex'),
  );
const schemas = (url: string): Promise<string[]> =>
  withRows(url, async (source) =>
    (await source.query<{ name: string }[]>('select nspname as name from pg_namespace')).map(
      ({ name }) => name,
    ),
  );

/** A row as a backup has it: times and bytes as texts. */
const plainRow = (row: object): unknown =>
  JSON.parse(
    JSON.stringify(row, (_, value: unknown) => {
      const { type, data } = (value ?? {}) as { type?: unknown; data?: number[] };
      if (type === 'Buffer') return `\\x${Buffer.from(data!).toString('hex')}`;
      return typeof value === 'string' && /^\d{4}-\d\d-\d\dT.*(Z|[+-]\d\d:\d\d)$/.test(value)
        ? new Date(value).toISOString()
        : value;
    }),
  );
/** Where two values first differ; null where they are the same. Plans are too large to be printed side by side. */
function apart(a: unknown, b: unknown, path = ''): string | null {
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) {
    return Object.is(a, b) ? null : `${path}: ${String(a)} and ${String(b)}`;
  }
  for (const key of new Set([...Object.keys(a), ...Object.keys(b)])) {
    const found = apart((a as Row)[key], (b as Row)[key], `${path}.${key}`);
    if (found !== null) return found;
  }
  return null;
}
const withoutOrigins = (value: unknown): unknown =>
  JSON.parse(
    JSON.stringify(value, (key, own: unknown) =>
      key === 'origin' || key === 'ownerId' ? undefined : own,
    ) ?? 'null',
  );

describe('a backup of everything', () => {
  it('holds every table, or says why not', async () => {
    const there = await withRows(test.databaseUrl, (source) =>
      source.query<{ name: string }[]>(
        `select table_name as name from information_schema.tables where table_schema = 'public'`,
      ),
    );
    expect(there.map(({ name }) => name).sort()).toEqual([...TABLES, ...LEFT_OUT].sort());
  });

  it('comes out in another installation as it went in, row by row', async () => {
    // The demo draws no knot.
    await as(test.app, owner.signed)().post('/api/knots').send(drawnKnot()).expect(201);
    const file = await backup(test.databaseUrl, 'all.gz');
    // An installation of its own, with other things in it.
    const other = await startTestApp();
    await stranger(other.app, 'was-there-before');
    const told = await restoreAll(other.databaseUrl, file);
    expect(told.workshop).toBe('Thistledown Bench');
    expect(told.counts.piece).toBe(11);
    const [before, after] = await Promise.all(
      [test.databaseUrl, other.databaseUrl].map((url) => withRows(url, rowsOf)),
    );
    for (const table of TABLES) {
      expect(before![table].length).toBeGreaterThan(0);
      expect(after![table]).toEqual(before![table]);
    }
    // Nobody is signed in there, everybody can be, and it works.
    await as(other.app)().get('/api/pieces').expect(401);
    const entered = await as(other.app)()
      .post('/api/session')
      .set('Sec-Fetch-Site', 'same-origin')
      .send({ signIn: 'the-owner', password: PASSWORD })
      .expect(200);
    const cookie = (entered.headers as unknown as { 'set-cookie': string[] })['set-cookie'][0]!;
    const signed: Signed = { Cookie: cookie.split(';')[0]!, 'Sec-Fetch-Site': 'same-origin' };
    expect((await as(other.app, signed)().get('/api/pieces')).body.total).toBe(11);
    // And a backup of it is the same backup.
    const again = await backup(other.databaseUrl, 'again.gz');
    const lines = async (path: string) =>
      gunzipSync(await readFile(path))
        .toString()
        .split('\n')
        .slice(1, -2);
    const left = await lines(again);
    // The sign-in just now is a line of the trail that the first does not have.
    const trail = (line: string) => !line.includes('trail') && !line.includes('signed-in');
    expect(left.filter(trail)).toEqual((await lines(file)).filter(trail));
    expect((await schemas(other.databaseUrl)).filter((name) => name.startsWith('restore'))).toEqual(
      [],
    );
    await other.close();
  });

  it('does not hold who is signed in, nor links that open something', async () => {
    await as(test.app, owner.signed)().post('/api/people/invitations').send({ role: 'viewer' });
    const text = gunzipSync(await readFile(await backup(test.databaseUrl, 'secret.gz'))).toString();
    const [session] = await test.app
      .get(DataSource)
      .query<{ hash: string }[]>(`select encode(token_hash, 'hex') as hash from session`);
    expect(session!.hash).toHaveLength(64);
    for (const held of ['{"table":"session"', '{"table":"link"', session!.hash]) {
      expect(text).not.toContain(held);
    }
  });

  it('is of one moment, whatever is changed while it is taken', async () => {
    const stream = backupStream(test.databaseUrl, everything);
    const parts: Buffer[] = [];
    let changed = false;
    for await (const part of stream) {
      parts.push(part as Buffer);
      if (changed) continue;
      changed = true;
      await as(test.app, owner.signed)()
        .post('/api/wearers')
        .send({ name: 'Too Late', wrist: 160 });
    }
    expect(gunzipSync(Buffer.concat(parts)).toString()).not.toContain('Too Late');
  });
});

describe('a backup of the last program before version 1.0.0', () => {
  const BEFORE_1 = fileURLToPath(new URL('fixtures/before-1.gz', import.meta.url));

  it('comes out row by row, with what has another name now under that name', async () => {
    const fresh = await startTestApp(false);
    const told = await restoreAll(fresh.databaseUrl, BEFORE_1);
    expect(told.workshop).toBe('Thistledown Bench');
    const rows = await withRows(fresh.databaseUrl, rowsOf);
    const read: Record<string, Row[]> = {};
    await readBackup(BEFORE_1, (table, row) => void (read[table] ??= []).push(row));
    for (const table of TABLES) {
      const before = read[table] ?? [];
      expect([table, before.length > 0]).toEqual([table, true]);
      const byId = new Map(rows[table].map((row) => [(row as Row).id, plainRow(row)]));
      expect([table, byId.size]).toEqual([table, before.length]);
      for (const row of before) {
        const was = plainRow(fromBefore1(table, row)) as Row;
        // What the database writes itself is in no backup.
        const all = byId.get(row.id) as Row;
        const is = Object.fromEntries(Object.keys(was).map((column) => [column, all[column]]));
        // Requests have names of their own now, in a table that is in no backup.
        if (table === 'movement') is['request'] = was['request'];
        expect([table, apart(withoutOrigins(is), withoutOrigins(was))]).toEqual([table, null]);
      }
    }
    // Who was known by a name is known by an id, where that is one person.
    const { items } = (await as(fresh.app)().get('/api/pieces?sort=laid&limit=100')).body as {
      items: { piece: { name: string; wearer: { origin?: string } } }[];
    };
    const origin = (name: string) =>
      items.find(({ piece }) => piece.name === name)!.piece.wearer.origin;
    const wearers = read.wearer as unknown as { id: string; value: { name: string } }[];
    expect(origin('Meridian')).toBe(wearers.find(({ value }) => value.name === 'Tobias Renn')!.id);
    // Two are called so: the one whose measures the piece has.
    expect(wearers.filter(({ value }) => value.name === 'Ines Varga')).toHaveLength(2);
    expect(wearers.map(({ id }) => id)).toContain(origin('Azimuth'));
    await fresh.close();
  });

  it('whose own database is left alone by a start, which says how to carry it over', async () => {
    const database = await createDatabase();
    await withRows(database.url, async (source) => {
      await source.query('create table migrations (id serial, timestamp bigint, name text)');
      await source.query(
        `insert into migrations (timestamp, name) values (1700000000001, 'Foundation1700000000001')`,
      );
      await source.query('create table piece (id uuid)');
    });
    const tables = () =>
      withRows(database.url, (source) =>
        source.query(
          `select table_name from information_schema.tables where table_schema = 'public'`,
        ),
      );
    const before = await tables();
    await expect(createApp(testConfig(database.url, true))).rejects.toThrow(
      /before version 1\.0\.0.*Nothing was changed.*npm run backup.*npm run restore/,
    );
    expect(await tables()).toEqual(before);
    await database.drop();
  });
});

describe('a backup that is not whole', () => {
  let whole: Buffer;
  let before: string;
  const file = () => join(folder, 'broken.gz');
  beforeAll(async () => {
    whole = await readFile(await backup(test.databaseUrl, 'whole.gz'));
    before = await fingerprint(test.databaseUrl);
  });

  it('is refused wherever it breaks off, and nothing is changed', async () => {
    // Never at its very end: there it is whole.
    const apart = deep(100, 1500);
    const cuts = Array.from({ length: Math.ceil(whole.length / apart) }, (_, i) => i * apart);
    expect(cuts.length).toBeGreaterThan(deep(300, 20));
    const taken: number[] = [];
    for (const cut of [...cuts, whole.length - 1]) {
      await writeFile(file(), whole.subarray(0, cut));
      await restoreAll(test.databaseUrl, file()).then(
        () => taken.push(cut),
        ({ code }: { code?: string }) => code === 'backup.unfit' || taken.push(cut),
      );
    }
    expect(taken).toEqual([]);
    expect(await fingerprint(test.databaseUrl)).toBe(before);
    expect((await schemas(test.databaseUrl)).filter((name) => name.startsWith('restore'))).toEqual(
      [],
    );
  });

  const text = () => gunzipSync(whole).toString();
  it.each<[string, () => Buffer, RegExp]>([
    ['with a letter changed', () => gzipSync(text().replace('Meridian', 'Meridiam')), /not those/],
    [
      'with a row less',
      () => gzipSync(text().replace(/\{"row":[^\n]*"Perseid[^\n]*\n/, '')),
      /not those/,
    ],
    [
      'with a table less',
      () => gzipSync(text().replace(/\{"table":"swatch"[^]*?"end":"swatch"[^\n]*\n/, '')),
      /wrong place/,
    ],
    ['with something after its end', () => gzipSync(`${text()}{"table":"lot"}\n`), /follows/],
    ['of a later version', () => gzipSync(text().replace('"version":1', '"version":2')), /newer/],
    [
      'of later tables',
      () =>
        resealed(whole, undefined, (header) => ({
          ...header,
          migrations: [...(header.migrations as string[]), 'Next1800000000000'],
        })),
      /newer/,
    ],
    ['that is text', () => Buffer.from('a,b,c\n1,2,3\n'), /breaks off/],
    ['that is another squeezed file', () => gzipSync('{"a":1}\n'), /does not begin/],
    ['that is empty', () => Buffer.alloc(0), /breaks off|end is missing/],
  ])('%s is refused', async (_, made, words) => {
    await writeFile(file(), made());
    await expect(restoreAll(test.databaseUrl, file())).rejects.toThrow(words);
    expect(await fingerprint(test.databaseUrl)).toBe(before);
  });

  it.each<[string, (line: string) => string]>([
    ['a column that there is not', (line) => line.replace('{"row":{', '{"row":{"pg_sleep(9)":1,')],
    [
      'a value that fits nothing',
      (line) => line.replace(/"created_at":"[^"]*"/, '"created_at":"never"'),
    ],
    [
      'a row that refers to nothing',
      (line) =>
        line.replace(/"piece_id":"[^"]*"/, '"piece_id":"00000000-0000-4000-8000-000000000000"'),
    ],
    [
      'a make that would take for ever to plan',
      (line) =>
        line.includes('"first_side"')
          ? line
              .replace(/"steps":.*?,"first_side"/, '"steps":null,"first_side"')
              .replace(/"turns":1/, '"turns":1e9')
              .replace(/"strands":\[/, '"strands":"x","was":[')
          : line,
    ],
    [
      'the same row twice',
      (line) => line.replace(/"id":"[^"]*"/, '"id":"00000000-0000-4000-8000-000000000000"'),
    ],
  ])('with right checksums and %s is refused', async (_, change) => {
    await writeFile(file(), resealed(whole, change));
    await expect(restoreAll(test.databaseUrl, file())).rejects.toMatchObject({
      code: 'backup.unfit',
    });
    expect(await fingerprint(test.databaseUrl)).toBe(before);
  });
});
