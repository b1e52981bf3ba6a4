import type {
  InstrumentView,
  LiveView,
  MakeView,
  PageView,
  PhotoView,
  PieceView,
} from '@coiled-strand/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import pg from 'pg';
import sharp from 'sharp';
import { createDataSource } from './database/data-source.js';
import { addPerson, PASSWORD, signIn, type Signed } from './testing/people.js';
import { listenTo, startProcess, until, type ServerProcess } from './testing/processes.js';
import { admin, createDatabase } from './testing/test-app.js';
import { MemberRow } from './rows/people.entities.js';

/** A page of one server sees what is changed at the other within this, in ms. */
const SOON = 1_000;

let database: Awaited<ReturnType<typeof createDatabase>>;
let one: ServerProcess;
let other: ServerProcess;
let signed: Signed;
let workshopId: string;
const env = { INSTRUMENTS: 'simulated' };

beforeAll(async () => {
  database = await createDatabase();
  // Both at once: one makes the tables, the other waits.
  [one, other] = await Promise.all([
    startProcess(database.url, env),
    startProcess(database.url, env),
  ]);
  const source = await createDataSource(database.url).initialize();
  const [workshop] = await source.query<{ id: string }[]>('select id from workshop');
  workshopId = workshop!.id;
  const person = await addPerson(source, 'works-at-both');
  await source.manager.insert(MemberRow, { workshopId, personId: person.id, role: 'owner' });
  signed = await signIn(source, person.id, workshopId);
  await source.destroy();
});
afterAll(async () => {
  await Promise.all([one.stop(), other.stop()]);
  await database.drop();
});

const ask = async (
  { url }: ServerProcess,
  method: string,
  path: string,
  body?: unknown,
  headers: Record<string, string> = {},
): Promise<Response> =>
  fetch(`${url}/api/${path}`, {
    method,
    headers: {
      ...signed,
      ...(body !== undefined && !Buffer.isBuffer(body)
        ? { 'content-type': 'application/json' }
        : {}),
      ...headers,
    },
    ...(body === undefined
      ? {}
      : { body: Buffer.isBuffer(body) ? new Uint8Array(body) : JSON.stringify(body) }),
  });
const read = async <T>(server: ServerProcess, path: string): Promise<T> =>
  (await (await ask(server, 'GET', path)).json()) as T;

async function addPhoto(server: ServerProcess, make: string): Promise<string> {
  const bytes = await sharp({
    create: { width: 900, height: 600, channels: 3, background: '#27365c' },
  })
    .jpeg()
    .toBuffer();
  const answer = await ask(server, 'POST', `makes/${make}/photos`, bytes, {
    'content-type': 'image/jpeg',
  });
  expect(answer.status).toBe(201);
  return ((await answer.json()) as PhotoView).id;
}
const thumbOf = (server: ServerProcess, photo: string): Promise<Buffer> =>
  until(async () => {
    const answer = await ask(server, 'GET', `photos/${photo}/thumb`);
    if (answer.headers.get('content-type') !== 'image/webp') return undefined;
    return Buffer.from(await answer.arrayBuffer());
  });

const pieces = (server: ServerProcess): Promise<PageView<PieceView>> =>
  read(server, 'pieces?sort=laid&limit=3');
const makeOn = async (server: ServerProcess): Promise<MakeView> => {
  const { items } = await pieces(server);
  const copy = (await (await ask(server, 'POST', 'pieces', items[0]!.piece)).json()) as PieceView;
  return (await (await ask(server, 'POST', `pieces/${copy.id}/makes`, {})).json()) as MakeView;
};

describe('two servers on one database', () => {
  it('know the same sessions, and the same that were ended', async () => {
    const enter = await fetch(`${one.url}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ signIn: 'works-at-both', password: PASSWORD }),
    });
    const Cookie = enter.headers.get('set-cookie')!.split(';')[0]!;
    const at = async ({ url }: ServerProcess) =>
      (await fetch(`${url}/api/pieces`, { headers: { Cookie } })).status;
    expect([await at(one), await at(other)]).toEqual([200, 200]);
    await fetch(`${other.url}/api/session`, {
      method: 'DELETE',
      headers: { Cookie, 'Sec-Fetch-Site': 'same-origin' },
    });
    expect([await at(one), await at(other)]).toEqual([401, 401]);
  });

  it('slow down who guesses at both', async () => {
    const tries = await Promise.all(
      Array.from({ length: 20 }, (_, i) =>
        fetch(`${[one, other][i % 2]!.url}/api/session`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ signIn: 'somebody-else', password: 'guess' }),
        }),
      ),
    );
    expect(tries.filter(({ status }) => status === 401)).toHaveLength(10);
  });

  it('tell each other’s pages of changes within a second', async () => {
    const page = await listenTo<LiveView | null>(`${other.url}/api/live`, signed);
    await until(() => page.heard.length > 0);
    const took: number[] = [];
    for (let i = 0; i < 5; i++) {
      const before = page.heard.length;
      const from = Date.now();
      await ask(one, 'POST', 'wearers', { name: `w${i}`, wrist: 160 + i });
      await until(() => page.heard.slice(before).some((told) => told?.changed.includes('wearer')));
      took.push(Date.now() - from);
    }
    expect(Math.max(...took)).toBeLessThan(SOON);
    page.leave();
  });

  it('say nothing of one workshop to another, and nothing more to whoever was signed out', async () => {
    const source = await createDataSource(database.url).initialize();
    const person = await addPerson(source, 'listens-elsewhere');
    const theirs = await signIn(source, person.id, null);
    const made = await fetch(`${one.url}/api/workshops`, {
      method: 'POST',
      headers: { ...theirs, 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'Elsewhere' }),
    });
    expect(made.status).toBe(200);
    const page = await listenTo<LiveView>(`${other.url}/api/live`, theirs);
    await until(() => page.heard.length > 0);
    await ask(one, 'POST', 'wearers', { name: 'unheard', wrist: 170 });
    await fetch(`${one.url}/api/wearers`, {
      method: 'POST',
      headers: { ...theirs, 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'heard', wrist: 170 }),
    });
    await until(() => page.heard.some(({ changed }) => changed.includes('wearer')));
    expect(page.heard.flatMap(({ changed }) => changed)).toEqual(['wearer']);
    await source.query('delete from session where person_id = $1', [person.id]);
    await page.over;
    await source.destroy();
  });

  it('hold the same locks: of two who change a piece one is told, of two who begin a make both have it', async () => {
    const { items } = await pieces(one);
    const { id } = (await (await ask(one, 'POST', 'pieces', items[0]!.piece)).json()) as PieceView;
    for (let version = 1; version < 6; version++) {
      const answers = await Promise.all(
        [one, other].map((server) =>
          ask(server, 'PUT', `pieces/${id}`, items[0]!.piece, { 'if-match': `"${version}"` }),
        ),
      );
      expect(answers.map(({ status }) => status).sort()).toEqual([200, 412]);
    }
    const begun = await Promise.all(
      [one, other, one, other].map(async (server) => {
        const answer = await ask(server, 'POST', `pieces/${id}/makes`, {});
        return ((await answer.json()) as MakeView).id;
      }),
    );
    expect(new Set(begun).size).toBe(1);
  });

  it('make thumbnails of what comes in at either', async () => {
    const make = await makeOn(one);
    const photos = await Promise.all([one, other].map((server) => addPhoto(server, make.id)));
    for (const photo of photos) {
      const { width, height, format } = await sharp(await thumbOf(other, photo)).metadata();
      expect([width, height, format]).toEqual([360, 240, 'webp']);
    }
  });

  it('hear the same instruments, whichever has them on its line', async () => {
    const caliper = async (server: ServerProcess) =>
      (await read<InstrumentView[]>(server, 'instruments')).find(
        ({ instrument }) => instrument === 'caliper',
      );
    await until(async () => (await caliper(other))?.here);
    const pages = await Promise.all(
      [one, other].map(({ url }) => listenTo<InstrumentView>(`${url}/api/live`, signed, 'reading')),
    );
    for (const [server, value] of [
      [one, 12.5],
      [other, 33.25],
    ] as const) {
      expect((await ask(server, 'PUT', 'instruments/caliper', { value })).status).toBe(200);
      await Promise.all(
        pages.map(({ heard }) =>
          until(() => heard.some(({ reading }) => reading?.stable && reading.value === value)),
        ),
      );
    }
    pages.forEach((page) => page.leave());
  });

  it('go on when one is killed: session, pages, jobs and instruments are the other’s', async () => {
    const make = await makeOn(one);
    const page = await listenTo<LiveView | null>(`${other.url}/api/live`, signed);
    // Sent, and killed in the same moment: the job is done by the other.
    const photo = await addPhoto(one, make.id);
    await one.kill();
    await thumbOf(other, photo);
    const before = page.heard.length;
    await ask(other, 'POST', 'wearers', { name: 'after', wrist: 160 });
    await until(() => page.heard.slice(before).some((told) => told?.changed.includes('wearer')));
    const said = async () =>
      (await read<InstrumentView[]>(other, 'instruments')).find(
        ({ instrument }) => instrument === 'caliper',
      );
    // A stand-in of the one that was killed is gone with it; the hands find the other’s when it has taken over.
    await until(async () => {
      await ask(other, 'PUT', 'instruments/caliper', { value: 7.75 });
      await new Promise((resolve) => setTimeout(resolve, 1_500));
      const { reading } = (await said())!;
      return reading?.stable && reading.value === 7.75;
    });
    // And one that comes back is one of two again.
    one = await startProcess(database.url, env);
    expect((await ask(one, 'GET', 'pieces')).status).toBe(200);
    page.leave();
  });

  it('come through the database going away, without being started again', async () => {
    const name = new URL(database.url).pathname.slice(1);
    const servers = [one, other];
    const pages = await Promise.all(
      servers.map(({ url }) => listenTo<LiveView | null>(`${url}/api/live`, signed)),
    );
    await Promise.all(pages.map(({ heard }) => until(() => heard.length > 0)));
    const status = async (server: ServerProcess, path: string) =>
      (await ask(server, 'GET', path)).status;
    const make = await makeOn(one);
    await admin(`alter database ${name} allow_connections false`);
    await admin(
      `select pg_terminate_backend(pid) from pg_stat_activity where datname = '${name}' and pid <> pg_backend_pid()`,
    );
    for (const server of servers) {
      await until(async () => (await status(server, 'health/ready')) === 503);
      expect(await status(server, 'health/alive')).toBe(200);
      const away = await ask(server, 'GET', 'pieces');
      expect(away.status).toBe(503);
      expect(((await away.json()) as { error: { code: string } }).error.code).toBe('database.away');
    }
    await admin(`alter database ${name} allow_connections true`);
    for (const server of servers) {
      await until(async () => (await status(server, 'health/ready')) === 200);
      expect(await status(server, 'pieces')).toBe(200);
    }
    // Pages hear that they may have missed something, and hear on.
    await Promise.all(
      pages.map(({ heard }) => until(() => heard.some((told) => told?.changed.includes('all')))),
    );
    await ask(one, 'POST', 'wearers', { name: 'back', wrist: 160 });
    await Promise.all(
      pages.map(({ heard }) => until(() => heard.some((told) => told?.changed.includes('wearer')))),
    );
    // So do the jobs.
    await thumbOf(other, await addPhoto(one, make.id));
    pages.forEach((page) => page.leave());
  });
});

describe('what is asked of the database', () => {
  it('has an end: a lock that is held for ever is told, and holds nobody else up', async () => {
    const holder = new pg.Client({ connectionString: database.url });
    await holder.connect();
    const { items } = await pieces(one);
    const [{ id }] = [items[0]!];
    await holder.query('begin');
    await holder.query('select from piece where id = $1 for update', [id]);
    const from = Date.now();
    const answer = await ask(one, 'PUT', `pieces/${id}`, items[0]!.piece, {
      'if-match': `"${items[0]!.version}"`,
    });
    expect(answer.status).toBe(503);
    expect(((await answer.json()) as { error: { code: string } }).error.code).toBe('database.busy');
    expect(Date.now() - from).toBeLessThan(25_000);
    await holder.query('rollback');
    await holder.end();
    const again = await ask(one, 'PUT', `pieces/${id}`, items[0]!.piece, {
      'if-match': `"${items[0]!.version}"`,
    });
    expect(again.status).toBe(200);
  });

  it('is told when it is more than the pool holds', async () => {
    const small = await startProcess(database.url, { POOL: '2' });
    const holder = new pg.Client({ connectionString: database.url });
    await holder.connect();
    const { items } = await pieces(one);
    await holder.query('begin');
    await holder.query('lock table piece in access exclusive mode');
    const answers = await Promise.all(
      Array.from({ length: 50 }, () => ask(small, 'GET', `pieces/${items[0]!.id}`)),
    );
    expect(new Set(answers.map(({ status }) => status))).toEqual(new Set([503]));
    expect((await ask(small, 'GET', 'health/alive')).status).toBe(200);
    await holder.query('rollback');
    await holder.end();
    expect((await ask(small, 'GET', `pieces/${items[0]!.id}`)).status).toBe(200);
    await small.stop();
  });
});
