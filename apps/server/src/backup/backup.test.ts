import { createHash } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { gunzipSync, gzipSync } from 'node:zlib';
import type { BackupLookView, BackupsView, RestoredView } from '@coiled-strand/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import sharp from 'sharp';
import { DataSource } from 'typeorm';
import { createDataSource } from '../database/data-source.js';
import { MemberRow, PersonRow } from '../rows/people.entities.js';
import { Workshop } from '../rows/workshop.entity.js';
import {
  addPerson,
  as,
  memberOf,
  PASSWORD,
  signIn,
  stranger,
  type Signed,
} from '../testing/people.js';
import { until } from '../testing/processes.js';
import { createDatabase, startTestApp, type TestApp } from '../testing/test-app.js';
import { BackupsService } from './backups.service.js';
import { isDue, spanOf } from './due.js';
import { readBackup } from './format.js';
import { restoreAll } from './restore.js';
import { LEFT_OUT, MADE_AGAIN, TABLES, type Table } from './tables.js';
import { backupStream, type Scope } from './write-backup.js';

let folder: string;
let test: TestApp;
let owner: Awaited<ReturnType<typeof memberOf>>;

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'coiled-strand-test-'));
  test = await startTestApp(true, { backups: join(folder, 'kept') });
  owner = await memberOf(test.app, 'owner', 'the-owner');
  const send = as(test.app, owner.signed);
  const makes = (await send().get('/api/makes')).body as { items: { id: string }[] };
  const picture = await sharp({
    create: { width: 700, height: 500, channels: 3, background: '#e5682a' },
  })
    .jpeg()
    .toBuffer();
  const photo = await send()
    .post(`/api/makes/${makes.items[0]!.id}/photos`)
    .set('content-type', 'image/jpeg')
    .send(picture)
    .expect(201);
  await send().post('/api/wearers').send({ name: 'Somebody', wrist: 160 }).expect(201);
  // Made by a job; what is compared is compared after that.
  const { id } = photo.body as { id: string };
  await until(async () => (await send().get(`/api/photos/${id}/thumb`)).type === 'image/webp');
}, 60_000);
afterAll(async () => {
  await test.close();
  await rm(folder, { recursive: true, force: true });
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
  }, 60_000);

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
  }, 60_000);
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
    const cuts = Array.from({ length: Math.floor(whole.length / 100) + 1 }, (_, i) => i * 100);
    expect(cuts.length).toBeGreaterThan(300);
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
  }, 300_000);

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
        sealedWith((header) => ({
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

  /** The same file with another first line, and right checksums. */
  function sealedWith(
    change: (header: Record<string, unknown>) => object,
    rows = (line: string) => line,
  ): Buffer {
    const [first, ...rest] = text().trim().split('\n').slice(0, -1);
    const { header } = JSON.parse(first!) as { header: Record<string, unknown> };
    const lines = [JSON.stringify({ header: change(header) })];
    let part = createHash('sha256');
    for (const line of rest) {
      if (line.startsWith('{"row"')) {
        const changed = rows(line);
        part.update(`${changed}\n`);
        lines.push(changed);
      } else if (line.startsWith('{"end"')) {
        const end = JSON.parse(line) as object;
        lines.push(JSON.stringify({ ...end, sha256: part.digest('hex') }));
        part = createHash('sha256');
      } else lines.push(line);
    }
    const all = lines.map((line) => `${line}\n`).join('');
    const sha256 = createHash('sha256').update(all).digest('hex');
    return gzipSync(`${all}${JSON.stringify({ whole: true, sha256 })}\n`);
  }

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
    await writeFile(
      file(),
      sealedWith((header) => header, change),
    );
    await expect(restoreAll(test.databaseUrl, file())).rejects.toMatchObject({
      code: 'backup.unfit',
    });
    expect(await fingerprint(test.databaseUrl)).toBe(before);
  });
});

describe('an owner', () => {
  const send = (signed: Signed) => as(test.app, signed)();
  const upload = (signed: Signed, path: string, body: Buffer) =>
    send(signed).post(path).set('content-type', 'application/gzip').send(body);
  const download = async (signed: Signed): Promise<Buffer> =>
    (
      await send(signed)
        .get('/api/backups/file')
        .buffer(true)
        .parse((response, done) => {
          const parts: Buffer[] = [];
          response.on('data', (part: Buffer) => parts.push(part));
          response.on('end', () => done(null, Buffer.concat(parts)));
        })
        .expect(200)
    ).body as Buffer;

  it('takes the workshop along, and puts it back only when asked for that very file', async () => {
    const bytes = await download(owner.signed);
    const look = (await upload(owner.signed, '/api/backups/look', bytes).expect(200))
      .body as BackupLookView;
    expect(look).toMatchObject({ workshop: 'Thistledown Bench', counts: { piece: 11 } });
    const pieces = (await send(owner.signed).get('/api/pieces')).body as {
      items: { id: string }[];
    };
    await send(owner.signed).delete(`/api/pieces/${pieces.items[0]!.id}`).expect(204);
    for (const asked of ['', '?replace=', '?replace=another']) {
      const refused = await upload(owner.signed, `/api/backups/restore${asked}`, bytes).expect(428);
      expect(refused.body.error.code).toBe('restore.unasked');
    }
    expect((await send(owner.signed).get('/api/pieces')).body.total).toBe(10);
    const done = await upload(owner.signed, `/api/backups/restore?replace=${look.sha256}`, bytes);
    expect(done.body as RestoredView).toMatchObject({ workshop: 'Thistledown Bench', renamed: [] });
    // Still signed in, in the workshop as it was.
    expect((await send(owner.signed).get('/api/pieces').expect(200)).body.total).toBe(11);
    const trail = (await send(owner.signed).get('/api/trail')).body as { items: { did: string }[] };
    expect(trail.items[0]!.did).toBe('workshop.restored');
    // Thumbnails are made again.
    const photos = (await send(owner.signed).get('/api/photos')).body as {
      items: { id: string }[];
    };
    await until(
      async () =>
        (await send(owner.signed).get(`/api/photos/${photos.items[0]!.id}/thumb`)).type ===
        'image/webp',
    );
  }, 60_000);

  it('takes nobody’s password along that opens another workshop', async () => {
    const source = test.app.get(DataSource);
    const shared = await addPerson(source, 'in-both');
    const theirs = await stranger(test.app, 'owns-the-other');
    for (const workshopId of [owner.workshop.id, theirs.workshop.id]) {
      await source.manager.insert(MemberRow, { workshopId, personId: shared.id, role: 'maker' });
    }
    const text = gunzipSync(await download(owner.signed)).toString();
    const person = (name: string) =>
      (
        JSON.parse(text.split('\n').find((line) => line.includes(`"sign_in":"${name}"`))!) as {
          row: { password_hash: string | null };
        }
      ).row;
    expect(person('in-both').password_hash).toBeNull();
    expect(person('the-owner').password_hash).toContain('argon2id');
    expect(text).not.toContain('owns-the-other');
    expect(text).not.toContain(theirs.workshop.id);
  });

  it('brings a workshop into an installation beside others, which stay as they were', async () => {
    const bytes = await download(owner.signed);
    const other = await startTestApp(false);
    const source = other.app.get(DataSource);
    // Somebody is here who signs in as one of those who come, and somebody who is nobody’s.
    const host = await stranger(other.app, 'the-owner');
    const neighbour = await stranger(other.app, 'neighbour');
    const before = await source.query<object[]>(
      'select * from cord where workshop_id = $1 order by id',
      [neighbour.workshop.id],
    );
    const at = (signed: Signed) => as(other.app, signed)();
    const look = await at(host.signed)
      .post('/api/backups/look')
      .set('content-type', 'application/gzip')
      .send(bytes);
    const done = await at(host.signed)
      .post(`/api/backups/restore?replace=${(look.body as BackupLookView).sha256}`)
      .set('content-type', 'application/gzip')
      .send(bytes)
      .expect(200);
    expect((done.body as RestoredView).renamed).toEqual([{ from: 'the-owner', to: 'the-owner-2' }]);
    expect((await at(host.signed).get('/api/pieces').expect(200)).body.total).toBe(11);
    expect(
      await source.query('select * from cord where workshop_id = $1 order by id', [
        neighbour.workshop.id,
      ]),
    ).toEqual(before);
    const people = (await at(host.signed).get('/api/people')).body as {
      members: { signIn: string; role: string }[];
    };
    expect(
      people.members.filter(({ role }) => role === 'owner').map(({ signIn: name }) => name),
    ).toContain('the-owner');
    // The neighbour cannot bring it in as well: it is here.
    const twice = await at(neighbour.signed)
      .post(`/api/backups/restore?replace=${(look.body as BackupLookView).sha256}`)
      .set('content-type', 'application/gzip')
      .send(bytes);
    expect(twice.body.error.code).toBe('backup.elsewhere');
    await other.close();
  }, 60_000);

  it('of a file made by hand gets into no other account and no other workshop', async () => {
    const victim = await stranger(test.app, 'victim');
    const thief = await stranger(test.app, 'thief');
    const bytes = await download(thief.signed);
    const source = test.app.get(DataSource);
    const steal = (from: string, to: string) =>
      resealed(bytes, (line) => line.replaceAll(from, to));
    const tries: [Buffer, RegExp][] = [
      // Rows of another workshop.
      [steal(thief.workshop.id, victim.workshop.id), /backup\.elsewhere/],
      [
        resealed(bytes, (line) =>
          line.includes('"kind":"paracord"')
            ? line.replace(thief.workshop.id, victim.workshop.id)
            : line,
        ),
        /backup\.unfit/,
      ],
    ];
    for (const [file, code] of tries) {
      const look = await upload(thief.signed, '/api/backups/look', file).expect(200);
      const answer = await upload(
        thief.signed,
        `/api/backups/restore?replace=${(look.body as BackupLookView).sha256}`,
        file,
      );
      expect(answer.body.error.code).toMatch(code);
    }
    // Another account, with a password of the thief’s choice: it comes in, and theirs stays as it is.
    const taken = steal(thief.person.id, victim.person.id);
    const look = await upload(thief.signed, '/api/backups/look', taken).expect(200);
    await upload(
      thief.signed,
      `/api/backups/restore?replace=${(look.body as BackupLookView).sha256}`,
      taken,
    ).expect(200);
    const now = await source.manager.findOneByOrFail(PersonRow, { id: victim.person.id });
    expect(now).toEqual(await source.manager.findOneByOrFail(PersonRow, { signIn: 'victim' }));
    expect(now.passwordHash).toBe(victim.person.passwordHash);
    expect((await send(victim.signed).get('/api/session')).body.workshop.name).toBe(
      'Workshop of victim',
    );
  }, 60_000);

  it('restores one at a time', async () => {
    const mine = await stranger(test.app, 'impatient');
    const bytes = await download(mine.signed);
    const look = await upload(mine.signed, '/api/backups/look', bytes);
    const path = `/api/backups/restore?replace=${(look.body as BackupLookView).sha256}`;
    const answers = await Promise.all([1, 2, 3, 4].map(() => upload(mine.signed, path, bytes)));
    const codes = answers.map(({ status }) => status);
    expect(codes.filter((code) => code === 200).length).toBeGreaterThan(0);
    expect(codes.filter((code) => code !== 200 && code !== 409)).toEqual([]);
  }, 60_000);

  it('begins a new installation with it, which then signs in whom it knows', async () => {
    const bytes = await download(owner.signed);
    const fresh = await startTestApp(false);
    const send = as(fresh.app);
    const begin = (body: Buffer) =>
      send().post('/api/set-up/restore').set('content-type', 'application/gzip').send(body);
    await begin(bytes.subarray(0, bytes.length / 2)).expect(422);
    expect((await send().get('/api/session')).body.state).toBe('set-up');
    await begin(bytes).expect(200);
    expect((await send().get('/api/session')).body.state).toBe('signed-out');
    await begin(bytes).expect(409);
    await send().post('/api/session').send({ signIn: 'the-owner', password: PASSWORD }).expect(200);
    await fresh.close();
  }, 60_000);
});

/** A file with other rows and right checksums. */
function resealed(bytes: Buffer, change: (line: string) => string): Buffer {
  const lines = gunzipSync(bytes).toString().trim().split('\n').slice(0, -1);
  const made: string[] = [];
  let part = createHash('sha256');
  for (const line of lines) {
    if (line.startsWith('{"row"')) {
      made.push(change(line));
      part.update(`${made.at(-1)!}\n`);
    } else if (line.startsWith('{"end"')) {
      made.push(JSON.stringify({ ...(JSON.parse(line) as object), sha256: part.digest('hex') }));
      part = createHash('sha256');
    } else made.push(line);
  }
  const all = made.map((line) => `${line}\n`).join('');
  const sha256 = createHash('sha256').update(all).digest('hex');
  return gzipSync(`${all}${JSON.stringify({ whole: true, sha256 })}\n`);
}

describe('the clock', () => {
  const plan = { every: 'day', hour: 3, keep: 2 } as const;
  it.each([
    ['2026-11-26T02:59:00Z', 'UTC', 'day', '2026-11-25'],
    ['2026-11-26T03:00:00Z', 'UTC', 'day', '2026-11-26'],
    // In Oslo it is four o’clock already.
    ['2026-11-26T02:59:00Z', 'Europe/Oslo', 'day', '2026-11-26'],
    ['2026-11-29T12:00:00Z', 'UTC', 'week', '2026-11-23'],
    ['2026-11-30T02:00:00Z', 'UTC', 'week', '2026-11-23'],
    ['2026-11-30T03:00:00Z', 'UTC', 'week', '2026-11-30'],
  ] as const)('at %s in %s counts for the %s of %s', (at, zone, every, span) => {
    expect(spanOf(new Date(at), { every, hour: 3 }, zone)).toBe(span);
  });
  it('makes up for hours at which the machine was off, and does nothing twice', () => {
    const last = new Date('2026-11-24T03:10:00Z');
    expect(isDue(plan, last, new Date('2026-11-25T02:00:00Z'), 'UTC')).toBe(false);
    expect(isDue(plan, last, new Date('2026-11-25T19:00:00Z'), 'UTC')).toBe(true);
    expect(isDue({ ...plan, every: 'never' }, last, new Date('2027-11-25T19:00:00Z'), 'UTC')).toBe(
      false,
    );
  });
  it('writes whole files through the queue, keeps so many, and hands them out', async () => {
    const send = as(test.app, owner.signed);
    await send().put('/api/backups/plan').send(plan).expect(200);
    const kept = async () => ((await send().get('/api/backups')).body as BackupsView).kept;
    for (let n = 1; n <= 3; n++) {
      await send().post('/api/backups').expect(202);
      await until(async () => {
        const { body } = await send().get('/api/trail?limit=100');
        const made = (body as { items: { did: string; who: string | null }[] }).items;
        return (
          made.filter(({ did, who }) => did === 'workshop.backed-up' && who === null).length >= n
        );
      });
    }
    await until(async () => (await kept()).length === 2);
    const workshop = (
      await test.app.get(DataSource).manager.findOneByOrFail(Workshop, { id: owner.workshop.id })
    ).id;
    const files = await readdir(join(folder, 'kept', workshop));
    expect(files).toHaveLength(2);
    const { header } = await readBackup(join(folder, 'kept', workshop, files[0]!));
    expect(header).toMatchObject({ scope: 'workshop', workshops: ['Thistledown Bench'] });
    const [last] = await kept();
    await send().get(`/api/backups/${last!.id}`).expect(200).expect('content-type', /gzip/);
    // Gone from the disk, it is said where it was.
    await rm(join(folder, 'kept', workshop), { recursive: true });
    const gone = await send().get(`/api/backups/${last!.id}`).expect(409);
    expect(gone.body.error.code).toBe('backup.elsewhere');
  }, 60_000);
  it('asks for those that are due, each once', async () => {
    const service = test.app.get(BackupsService);
    const source = test.app.get(DataSource);
    const waiting = async () =>
      (
        await source.query<{ n: number }[]>(
          `select count(*)::int as n from queue.job where name = 'backup' and data ->> 'workshop' = $1`,
          [owner.workshop.id],
        )
      )[0]!.n;
    const before = await waiting();
    await service.askForDue(new Date());
    expect(await waiting()).toBe(before);
    await service.askForDue(new Date(Date.now() + 26 * 60 * 60 * 1000));
    expect(await waiting()).toBe(before + 1);
  });
});

it('what a person of no workshop may restore is nothing', async () => {
  const source = test.app.get(DataSource);
  const person = await addPerson(source, 'of-nowhere');
  const signed = await signIn(source, person.id, null);
  await as(test.app, signed)().get('/api/backups/file').expect(403);
});
