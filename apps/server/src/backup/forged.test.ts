import { gunzipSync } from 'node:zlib';
import { beforeAll, describe, expect, it } from '@jest/globals';
import type {
  BackupLookView,
  PageView,
  PhotoView,
  RestoredView,
  TrailView,
} from '@coiled-strand/contract';
import { DataSource } from 'typeorm';
import { drawnKnot } from '../testing/ground.js';
import { downloaded, resealed, useHouse, type House } from '../testing/house.js';
import { mutated, seeded } from '../testing/mutate.js';
import { as, memberOf, type Signed } from '../testing/people.js';
import type { Row } from './format.js';
import { ROW_RULES } from './row-rules.js';
import { TABLES, type Table } from './tables.js';

const house = useHouse();
let test: House['test'];
let owner: Signed;
let whole: Buffer;
/** A few rows of each table, as the file has them. */
const rows = new Map<Table, Row[]>();

const send = () => as(test.app, owner)();
const upload = (path: string, body: Buffer) =>
  send().post(path).set('content-type', 'application/gzip').send(body);

beforeAll(async () => {
  ({
    test,
    owner: { signed: owner },
  } = house());
  await send().post('/api/knots').send(drawnKnot()).expect(201);
  whole = await downloaded(test, owner);
  let table: Table = 'workshop';
  for (const line of gunzipSync(whole).toString().trim().split('\n')) {
    const told = JSON.parse(line) as { table?: Table; row?: Row };
    if (told.table) table = told.table;
    if (told.row) rows.set(table, [...(rows.get(table) ?? []), told.row]);
  }
});

/** The same file with something else in the first row of a table. */
const forged = (table: Table, change: (row: Row) => Row): Buffer => {
  const id = rows.get(table)![0]!['id'] as string;
  return resealed(whole, (line) => {
    const { row } = JSON.parse(line) as { row: Row };
    return row['id'] === id ? JSON.stringify({ row: change(row) }) : line;
  });
};

async function restore(file: Buffer) {
  const looked = await upload('/api/backups/look', file);
  if (looked.status !== 200) return looked;
  const { sha256 } = looked.body as BackupLookView;
  return upload(`/api/backups/restore?replace=${sha256}`, file);
}

const hex = (text: string): string => `\\x${Buffer.from(text).toString('hex')}`;
const PAGE = '<!doctype html><script src="/api/photos/x"></script>';

const FORGERIES: readonly (readonly [string, Table, (row: Row) => Row, RegExp])[] = [
  [
    'a page for a photo',
    'photo',
    (row) => ({ ...row, type: 'text/html', bytes: hex(PAGE) }),
    /bytes are no picture/,
  ],
  [
    'a script for a photo',
    'photo',
    (row) => ({ ...row, bytes: hex('alert(1)') }),
    /bytes are no picture/,
  ],
  ['an empty piece', 'piece', (row) => ({ ...row, spec: {} }), /spec/],
  ['a piece of words', 'piece', (row) => ({ ...row, spec: 'x' }), /spec must be an object/],
  ['an empty hand', 'make', (row) => ({ ...row, hand: {} }), /hand must be a list/],
  ['a make that is nowhere', 'make', (row) => ({ ...row, reached: null }), /reached/],
  ['a make without a plan', 'make', (row) => ({ ...row, plan: null }), /plan/],
  ['a make at no step of it', 'make', (row) => ({ ...row, at: { step: 'x', unit: 0 } }), /at.step/],
  [
    'settings that are none',
    'workshop',
    (row) => ({ ...row, settings: { unit: 'ell' } }),
    /settings/,
  ],
  ['hours that are none', 'workshop', (row) => ({ ...row, week: { zone: 'x' } }), /week/],
  ['a password that is none', 'person', (row) => ({ ...row, password_hash: 'x' }), /password_hash/],
  ['an order for less than nothing', 'customer_order', (row) => ({ ...row, price: -1 }), /price/],
  ['a lot of something else', 'lot', (row) => ({ ...row, thing_key: 'x' }), /thing_key/],
  ['a deed that there is not', 'trail', (row) => ({ ...row, did: 'was.here' }), /did/],
  ['a movement for no reason', 'movement', (row) => ({ ...row, reason: 'x' }), /reason/],
  [
    'an observation that is none',
    'evidence',
    (row) => ({ ...row, observation: {} }),
    /observation/,
  ],
];

describe('a backup made by hand', () => {
  it.each(FORGERIES.slice(0, 4))(
    'with %s is refused, and the row is named',
    async (_, table, change, words) => {
      const before = (await send().get('/api/pieces?limit=100')).text;
      const answer = await restore(forged(table, change));
      expect([answer.status, answer.body.error.code]).toEqual([422, 'backup.unfit']);
      const id = rows.get(table)![0]!['id'] as string;
      expect(answer.body.error.message).toContain(`row ${id} of “${table}”`);
      expect(answer.body.error.message).toMatch(words);
      expect((await send().get('/api/pieces?limit=100')).text).toBe(before);
    },
  );

  it.each([
    ['tables', [null]],
    ['tables', [{ name: 1, rows: 'x' }]],
    ['tables', {}],
    ['migrations', [null]],
    ['workshops', [{}]],
    ['madeAt', []],
    ['scope', 'everything'],
  ])('whose first line has %s of %j is refused', async (name, value) => {
    const file = resealed(whole, undefined, (header) => ({ ...header, [name]: value }));
    const answer = await upload('/api/backups/look', file);
    expect([answer.status, answer.body.error.code]).toEqual([422, 'backup.unfit']);
  });

  it('makes nobody a member who was not asked', async () => {
    const stranger = await memberOf(test.app, 'viewer', 'came-and-went');
    await test.app
      .get(DataSource)
      .query('delete from member where person_id = $1', [stranger.person.id]);
    const [member] = rows.get('member')!;
    const file = resealed(whole, (line) => {
      const { row } = JSON.parse(line) as { row: Row };
      if (row['id'] !== member!['id']) return line;
      return JSON.stringify({ row: { ...row, person_id: stranger.person.id, role: 'owner' } });
    });
    // Who is told of in the file must be in it.
    const named = resealed(file, (line) =>
      line.replace(member!['person_id'] as string, stranger.person.id),
    );
    const { body } = await restore(named);
    expect((body as RestoredView).notAsked).toHaveLength(1);
    const members = await test.app
      .get(DataSource)
      .query<object[]>('select role from member where person_id = $1', [stranger.person.id]);
    expect(members).toEqual([]);
  });

  it('leaves the trail as it was, with a restore in it', async () => {
    const trail = async () =>
      ((await send().get('/api/trail?limit=100').expect(200)).body as PageView<TrailView>).items;
    await send().post('/api/wearers').send({ name: 'Not in the file', wrist: 170 }).expect(201);
    const before = await trail();
    // A file without any trail, as somebody would make it who has something to hide.
    const bare = resealed(whole, (line) => line.replace(/"did":"[^"]*"/, '"did":"list.added"'));
    expect((await restore(bare)).status).toBe(200);
    const after = await trail();
    expect(after[0]!.did).toBe('workshop.restored');
    const ids = new Set(after.map(({ id }) => id));
    expect(before.filter(({ id }) => !ids.has(id))).toEqual([]);
    const told = new Map(after.map((line) => [line.id, line]));
    // What is gone has no name any more; what was done, by whom and when, stays.
    for (const line of before)
      expect({ ...told.get(line.id), what: null }).toEqual({ ...line, what: null });
  });

  it('has its photos written anew, and they are served as pictures and nothing else', async () => {
    expect((await restore(whole)).status).toBe(200);
    const { items } = (await send().get('/api/photos').expect(200)).body as PageView<PhotoView>;
    expect(items.length).toBeGreaterThan(0);
    for (const path of [`${items[0]!.id}`, `${items[0]!.id}/thumb`]) {
      const { headers, type } = await send().get(`/api/photos/${path}`).expect(200);
      expect(type).toMatch(/^image\/(jpeg|png|webp)$/);
      expect(headers).toMatchObject({
        'x-content-type-options': 'nosniff',
        'content-security-policy': "default-src 'none'; sandbox",
        'cache-control': 'private, no-cache',
      });
      expect(headers['content-disposition']).toMatch(/^inline; filename="[\w-]+\.\w+"$/);
    }
  });
});

/** `npm run attack` restores many files with something odd in one row; here a few. */
const FORGED = Number(process.env.DEEP_FORGERIES ?? 3);

it(`${FORGED} files with something odd in some row are refused, or are in order`, async () => {
  const random = seeded(Number(process.env.FUZZ_SEED ?? 20_261_201));
  const tables = [...rows.keys()];
  const faults: string[] = [];
  for (let n = 0; n < FORGED; n++) {
    const table = tables[Math.floor(random() * tables.length)]!;
    const columns = Object.keys(rows.get(table)![0]!).filter((column) => column !== 'bytes');
    const column = columns[Math.floor(random() * columns.length)]!;
    const file = forged(table, (row) => ({ ...row, [column]: mutated(row[column], random) }));
    const { status, body } = await restore(file);
    if (status >= 500) faults.push(`${status}: ${table}.${column} ${JSON.stringify(body)}`);
    if (status !== 200) continue;
    // What was taken in can be shown.
    for (const path of ['pieces', 'makes', 'orders', 'lots', 'hand', 'trail', 'workshop', 'jobs']) {
      const shown = await send().get(`/api/${path}`);
      if (shown.status !== 200) faults.push(`${table}.${column}: ${path} ${shown.status}`);
    }
    await restore(whole);
  }
  expect(faults).toEqual([]);
});

describe('the rules of rows', () => {
  it('take every row that this program writes', () => {
    for (const table of TABLES) {
      const own = rows.get(table) ?? [];
      expect([table, own.length > 0]).toEqual([table, true]);
      for (const row of own)
        expect([table, row['id'], ROW_RULES[table](row)]).toEqual([table, row['id'], []]);
    }
  });

  it.each(FORGERIES.slice(2))('refuse %s', (_, table, change, words) => {
    const [{ path, message } = { path: '', message: '' }] = ROW_RULES[table](
      change(rows.get(table)![0]!),
    );
    expect(`${path} ${message}`).toMatch(words);
  });

  it('have an answer to whatever a row holds', () => {
    const random = seeded(20_261_201);
    let refused = 0;
    for (const [table, own] of rows) {
      for (let n = 0; n < 40; n++) {
        const row = own[n % own.length]!;
        const columns = Object.keys(row).filter((column) => column !== 'bytes');
        const column = columns[Math.floor(random() * columns.length)]!;
        const odd = { ...row, [column]: mutated(row[column], random) };
        // Neither a fault of the program's own, nor a message without a place.
        for (const { path, message } of ROW_RULES[table](odd)) {
          expect([typeof path, message.length > 0]).toEqual(['string', true]);
          refused++;
        }
      }
    }
    expect(refused).toBeGreaterThan(60);
  });
});
