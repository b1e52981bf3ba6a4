import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { PeopleView } from '@coiled-strand/contract';
import { DataSource } from 'typeorm';
import { ground, type Ground } from '../testing/ground.js';
import { routesOf, type Route } from '../testing/routes.js';
import { as, memberOf, type Signed } from '../testing/people.js';
import { startTestApp, type TestApp } from '../testing/test-app.js';
import { Tidy } from '../accounts/tidy.js';

let test: TestApp;
let signed: Signed;
let on: Ground;
const api = () => as(test.app, signed)();
const source = (): DataSource => test.app.get(DataSource);

beforeAll(async () => {
  test = await startTestApp();
  ({ signed } = await memberOf(test.app, 'owner'));
  on = await ground(api);
});
afterAll(() => test.close());

/** Rows of every table but those that tell of requests. */
async function rows(): Promise<Record<string, number>> {
  const tables = await source().query<{ name: string }[]>(
    `select tablename as name from pg_tables where schemaname = 'public'
     and tablename not in ('request', 'throttle')`,
  );
  const counts: Record<string, number> = {};
  for (const { name } of tables) {
    const [row] = await source().query<{ n: number }[]>(`select count(*)::int n from "${name}"`);
    counts[name] = row!.n;
  }
  return counts;
}

/** What is no deed, or needs more than a body; each is tried where it belongs. */
const ELSEWHERE: Readonly<Record<string, string>> = {
  '/api/plan': 'works something out and changes nothing',
  '/api/lots/of-things': 'reads',
  '/api/session': 'nobody is known before it',
  '/api/set-up': 'can happen once only',
  '/api/set-up/restore': 'can happen once only',
  '/api/links/look': 'reads',
  '/api/links/join': 'a link opens once',
  '/api/links/join-as-myself': 'a link opens once',
  '/api/links/reset': 'a link opens once',
  '/api/backups': 'a copy on the disk, of which one more is no harm',
  '/api/backups/look': 'reads',
  '/api/backups/restore': 'puts the same in the same place',
  '/api/account/forget': 'signs out',
  '/api/people/leave': 'signs out',
  '/api/people/invitations': 'below',
  '/api/people/{id}/link': 'below',
  '/api/makes/{id}/photos': 'takes a picture: with the photos',
  '/api/workshops': 'goes to another workshop: below',
  '/api/cuttings/{id}/close': 'closed is closed',
  '/api/makes/{id}/abandon': 'put away is put away',
  '/api/makes/{id}/resume': 'taken up is taken up',
  '/api/pieces/{id}/restore': 'brought back is brought back',
};

let keys = 0;
const newKey = (): string => `request-${String(++keys).padStart(4, '0')}`;

function bodiesOf(route: Route): readonly unknown[] {
  if (route.body === null) return [{}];
  const one = route.path.endsWith('/several') ? route.body.slice(0, -1) : null;
  if (one !== null) return [{ items: (on.bodies[one] ?? []).slice(0, 2) }];
  return on.bodies[route.body] ?? [];
}

it('every route by which something is added is tried, or is said why not', () => {
  const posts = routesOf(on.document).filter(({ method }) => method === 'post');
  expect(posts.length).toBeGreaterThan(30);
  expect(posts.map(({ path }) => path)).toEqual(expect.arrayContaining(Object.keys(ELSEWHERE)));
});

it('what comes twice under one name is answered as before, and done once', async () => {
  const posts = routesOf(on.document).filter(
    ({ method, path }) => method === 'post' && !(path in ELSEWHERE),
  );
  const untried: string[] = [];
  for (const route of posts) {
    const [, , first] = route.path.split('/');
    let tried = false;
    for (const id of (route.path.includes('{') ? on.ids[first!] : undefined) ?? ['']) {
      for (const body of bodiesOf(route)) {
        const url = route.path.replace(/\{\w+\}/, id);
        const key = newKey();
        const send = () =>
          api()
            .post(url)
            .set('Idempotency-Key', key)
            .send(body as object);
        const once = await send();
        if (once.status >= 400) continue;
        tried = true;
        const before = await rows();
        const twice = await send();
        expect([url, twice.status, twice.body]).toEqual([url, once.status, once.body]);
        expect([url, await rows()]).toEqual([url, before]);
        break;
      }
      if (tried) break;
    }
    if (!tried) untried.push(`${route.path} (${route.body})`);
  }
  expect(untried).toEqual([]);
});

describe('one name', () => {
  const wearer = (name: string) => ({ name, wrist: 170 });
  const named = async (name: string): Promise<number> => {
    const { body } = await api().get('/api/wearers').expect(200);
    return (body as { value: { name: string } }[]).filter(({ value }) => value.name === name)
      .length;
  };

  it('is for one thing only', async () => {
    const key = newKey();
    const send = (name: string) =>
      api().post('/api/wearers').set('Idempotency-Key', key).send(wearer(name));
    await send('Ona').expect(201);
    const { body } = await send('Pia').expect(422);
    expect(body.error.code).toBe('request.another');
    expect([await named('Ona'), await named('Pia')]).toEqual([1, 0]);
  });

  it('is done once when it comes twenty times at once', async () => {
    const key = newKey();
    const answers = await Promise.all(
      Array.from({ length: 20 }, () =>
        api().post('/api/wearers').set('Idempotency-Key', key).send(wearer('Quin')),
      ),
    );
    expect(new Set(answers.map(({ status }) => status))).toEqual(new Set([201]));
    expect(new Set(answers.map(({ body }) => (body as { id: string }).id)).size).toBe(1);
    expect(await named('Quin')).toBe(1);
  });

  it('is free again when what it asked for was refused', async () => {
    const key = newKey();
    const cut = (amount: number) =>
      api()
        .post(`/api/lots/${on.ids['lots']![0]!}/movements`)
        .set('Idempotency-Key', key)
        .send({ reason: 'used', amount });
    await cut(900_000).expect(409);
    await cut(1).expect(201);
  });

  it('belongs to who gave it', async () => {
    const key = newKey();
    const other = (await memberOf(test.app, 'maker')).signed;
    const send = (who: Signed) =>
      as(test.app, who)().post('/api/wearers').set('Idempotency-Key', key).send(wearer('Rui'));
    await send(signed).expect(201);
    await send(other).expect(201);
    expect(await named('Rui')).toBe(2);
  });

  it('does not keep what opens something', async () => {
    const key = newKey();
    const invite = () =>
      api()
        .post('/api/people/invitations')
        .set('Idempotency-Key', key)
        .send({ role: 'maker', who: 'Sol' });
    await invite().expect(201);
    const again = await invite().expect(409);
    expect(again.body.error.code).toBe('request.carried-out');
    const stored = await source().query<{ answer: string | null }[]>(
      'select answer from request where key = $1',
      [key],
    );
    expect(stored).toEqual([{ answer: null }]);
    const { body } = await api().get('/api/people').expect(200);
    const { invitations } = body as PeopleView;
    expect(invitations.filter(({ who }) => who === 'Sol')).toHaveLength(1);
  });

  it('begins one workshop', async () => {
    const key = newKey();
    const { signed: somebody } = await memberOf(test.app, 'viewer');
    const begin = () =>
      as(test.app, somebody)()
        .post('/api/workshops')
        .set('Idempotency-Key', key)
        .send({ name: 'Lantern Lane' });
    await begin();
    await begin();
    const [count] = await source().query<{ n: number }[]>(
      `select count(*)::int n from workshop where name = 'Lantern Lane'`,
    );
    expect(count!.n).toBe(1);
  });

  it('tells no more of whom was forgotten, and is still done once', async () => {
    const key = newKey();
    const add = () => api().post('/api/wearers').set('Idempotency-Key', key).send(wearer('Uma'));
    const { body } = await add().expect(201);
    await api()
      .post(`/api/wearers/${body.id}/forget`)
      .expect((answer) => {
        expect(answer.status).toBeLessThan(300);
      });
    await add().expect(409);
    expect(await named('Uma')).toBe(0);
  });

  it('is forgotten after a day', async () => {
    await api()
      .post('/api/wearers')
      .set('Idempotency-Key', newKey())
      .send(wearer('Tove'))
      .expect(201);
    const stored = async (): Promise<number> =>
      (await source().query<object[]>(`select key from request where answer like '%Tove%'`)).length;
    expect(await stored()).toBe(1);
    await test.app.get(Tidy).tidy(new Date(Date.now() + 23 * 3_600_000));
    expect(await stored()).toBe(1);
    await test.app.get(Tidy).tidy(new Date(Date.now() + 25 * 3_600_000));
    expect(await stored()).toBe(0);
  });
});
