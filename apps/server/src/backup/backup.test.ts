import { createHash } from 'node:crypto';
import { deep } from '../../../../scripts/lib/deep.mjs';
import { createWriteStream } from 'node:fs';
import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { gunzipSync, gzipSync } from 'node:zlib';
import { beforeAll, describe, expect, it } from '@jest/globals';
import { DataSource } from 'typeorm';
import { createDataSource } from '../database/data-source.js';
import { resealed, useHouse, type House } from '../testing/house.js';
import { drawnKnot } from '../testing/ground.js';
import { as, PASSWORD, stranger, type Signed } from '../testing/people.js';
import { createDatabase, startTestApp, type TestApp } from '../testing/test-app.js';
import { readBackup } from './format.js';
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

describe('a backup of an older version', () => {
  it('is brought up to date as an old database is', async () => {
    // As the program left its tables before there were people.
    const database = await createDatabase();
    const { options } = createDataSource(database.url);
    const known = options.migrations as unknown as (new () => object)[];
    const old = await new DataSource({ ...options, migrations: known.slice(0, 9) }).initialize();
    await old.runMigrations({ transaction: 'each' });
    const spec = await test.app
      .get(DataSource)
      .query<{ spec: object }[]>(`select spec from piece limit 1`);
    const [{ id }] = await old.query<[{ id: string }]>(
      `insert into workshop (name, maker, settings) select 'Old bench', 'Old Hand', $1 returning id`,
      [JSON.stringify(owner.workshop.settings)],
    );
    await old.query(`insert into piece (workshop_id, version, spec) values ($1, 3, $2)`, [
      id,
      JSON.stringify(spec[0]!.spec),
    ]);
    await old.destroy();
    const file = await backup(database.url, 'old.gz');
    expect((await readBackup(file)).header.migrations).toHaveLength(9);
    const fresh = await startTestApp(false);
    await restoreAll(fresh.databaseUrl, file);
    const { body } = await as(fresh.app)().get('/api/session');
    // Its maker is its owner, as after an update in place.
    expect(body).toMatchObject({ open: true, person: { name: 'Old Hand', signIn: 'owner' } });
    const pieces = (await as(fresh.app)().get('/api/pieces')).body as { items: object[] };
    expect(pieces.items).toMatchObject([{ version: 3, piece: spec[0]!.spec }]);
    await fresh.close();
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
