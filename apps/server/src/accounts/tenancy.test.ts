import { may, ROLES, type Role } from '@coiled-strand/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { ModulesContainer } from '@nestjs/core';
import { DataSource } from 'typeorm';
import { RULE, type Rule } from '../identity/roles.js';
import { ground, type Ground } from '../testing/ground.js';
import { as, memberOf, stranger, type Signed } from '../testing/people.js';
import { until } from '../testing/processes.js';
import { routesOf, sampleOf, type Route } from '../testing/routes.js';
import { startTestApp, type TestApp } from '../testing/test-app.js';

let test: TestApp;
let on: Ground;
let routes: readonly Route[];
/** As the routes’ ids name things of the first workshop, one request for each. */
const asked: { readonly route: Route; readonly url: string; readonly body: object | undefined }[] =
  [];
const NO_SUCH = '00000000-0000-4000-8000-000000000000';

beforeAll(async () => {
  test = await startTestApp();
  // Open still: whoever asks is the owner.
  on = await ground(as(test.app));
  routes = routesOf(on.document);
  const photo = await as(test.app)()
    .post(`/api/makes/${on.ids.makes![0]}/photos`)
    .set('content-type', 'image/png')
    .send(PIXEL);
  // What is made of it by a job is made before anything is compared.
  await until(async () => {
    const { body } = await as(test.app)().get('/api/photos');
    const [{ id }] = (body as { items: { id: string }[] }).items as [{ id: string }];
    return (await as(test.app)().get(`/api/photos/${id}/thumb`)).type === 'image/webp';
  });
  const ids: Ground['ids'] = { ...on.ids, photos: [(photo.body as { id: string }).id] };
  for (const route of routes) {
    const [, , first] = route.path.split('/');
    const url = route.path.replace(/\{\w+\}/g, () => ids[first!]?.at(-1) ?? NO_SUCH);
    const body =
      route.body === null
        ? undefined
        : ((on.bodies[route.body]?.[0] ?? sampleOf(on.document, route.body)) as object);
    asked.push({ route, url, body });
  }
});
afterAll(() => test.close());

const PIXEL = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);

/** What a route answers. What goes on for ever is heard until it begins. */
async function answer(
  { route, url, body }: (typeof asked)[number],
  signed: Signed | null,
): Promise<{ status: number; body: { error?: { code?: string } }; text: string }> {
  const request = as(test.app, signed)()[route.method](url);
  if (route.method === 'put') void request.set('If-Match', '"1"');
  if (!route.stream) return body === undefined ? request : request.send(body);
  return new Promise((resolve, reject) => {
    void request.buffer(false).parse((response, done) => {
      const { statusCode = 0 } = response as unknown as { statusCode?: number };
      const text: string[] = [];
      response.on('data', (data: Buffer) => {
        text.push(String(data));
        if (statusCode === 200) (response as unknown as { destroy: () => void }).destroy();
      });
      response.on('close', () => {
        const all = text.join('');
        resolve({
          status: statusCode,
          body: statusCode === 200 ? {} : (JSON.parse(all) as object),
          text: all,
        });
        done(null, null);
      });
    });
    request.end((error: Error | null) => {
      if (error && !('status' in error)) setTimeout(() => reject(error), 200);
    });
  });
}

const said = (one: (typeof asked)[number]): string => `${one.route.method} ${one.route.path}`;

/** Everything that a workshop holds, row by row. */
async function everythingOf(workshopId: string): Promise<Record<string, unknown>> {
  const source = test.app.get(DataSource);
  const all: Record<string, unknown> = {};
  for (const { tableName, columns } of source.entityMetadatas) {
    if (!columns.some(({ databaseName }) => databaseName === 'workshop_id')) continue;
    if (['session', 'trail', 'link'].includes(tableName)) continue;
    all[tableName] = await source.query(
      `select md5(string_agg(t::text, '' order by id)) as sum, count(*) from ${tableName} t where workshop_id = $1`,
      [workshopId],
    );
  }
  return all;
}

describe('every route', () => {
  it('has a rule of who may use it, in the description as in the program', () => {
    expect(routes.length).toBeGreaterThan(90);
    expect(routes.filter(({ rule }) => rule === null).map(({ path }) => path)).toEqual([]);
    const unruled: string[] = [];
    let handlers = 0;
    for (const { controllers } of test.app.get(ModulesContainer).values()) {
      for (const { metatype } of controllers.values()) {
        const { prototype } = metatype as { prototype: Record<string, unknown> };
        for (const name of Object.getOwnPropertyNames(prototype)) {
          const handler = prototype[name];
          if (typeof handler !== 'function' || !Reflect.hasMetadata('path', handler)) continue;
          if (name === 'constructor') continue;
          handlers++;
          if (!Reflect.hasMetadata(RULE, handler)) unruled.push(name);
        }
      }
    }
    expect(unruled).toEqual([]);
    // Nothing is left out of the description.
    expect(handlers).toBe(routes.length);
  });

  it('asks who is not signed in to sign in, unless it is for anyone', async () => {
    // From the moment on in which somebody has a password.
    await memberOf(test.app, 'owner', 'the-owner');
    for (const one of asked) {
      const { status } = await answer(one, null);
      const what = `${said(one)}: ${status}`;
      const open = one.route.rule === 'anyone' || one.route.rule === 'unasked';
      if (open) expect(what).not.toMatch(/: 5\d\d$/);
      else expect(what).toBe(`${said(one)}: 401`);
    }
  });

  it.each(ROLES)('lets a %s do what a rule lets one do, and nothing else', async (role: Role) => {
    const { workshop } = await memberOf(test.app, 'owner', `keeps-${role}`);
    const before = await everythingOf(workshop.id);
    const order = [...asked].sort((a, b) => late(a.route) - late(b.route));
    for (const [i, one] of order.entries()) {
      const { rule } = one.route;
      const barred = ROLES.includes(rule as Role) && !may(role, rule as Role);
      // What is let through to a role is tried where it changes something only for the owner.
      if (!barred && one.route.method !== 'get') continue;
      const { signed } = await memberOf(test.app, role, `${role}-${i}`);
      const { status, body } = await answer(one, signed);
      const what = `${said(one)}: ${barred ? body.error?.code : status < 500 && status !== 401 && status !== 403}`;
      expect(what).toBe(`${said(one)}: ${barred ? 'role.needed' : true}`);
    }
    const after = await everythingOf(workshop.id);
    expect({ ...after, member: null }).toEqual({ ...before, member: null });
  });

  it('lets an owner through to what is for owners, makers and viewers', async () => {
    const order = [...asked].sort((a, b) => late(a.route) - late(b.route));
    for (const [i, one] of order.entries()) {
      if (!ROLES.includes(one.route.rule as Role)) continue;
      const { signed } = await memberOf(test.app, 'owner', `does-${i}`);
      const { status, body } = await answer(one, signed);
      expect(`${said(one)}: ${body.error?.code ?? ''} ${status}`).not.toMatch(
        /role\.needed|signed-out|workshop\.none|: internal/,
      );
    }
  });

  it('knows nothing of another workshop, by whatever id', async () => {
    const owner = await memberOf(test.app, 'owner', 'minds-her-own');
    const { signed } = await stranger(test.app);
    const foreign = new Set(
      [...Object.values(on.ids).flat(), owner.workshop.id, owner.person.id].map(String),
    );
    const before = await everythingOf(owner.workshop.id);
    for (const one of asked) {
      // What is the caller's own, whoever that is: an account, a session, a name for the first owner.
      if (!ROLES.includes(one.route.rule as Role)) continue;
      const { status, text } = await answer(one, signed);
      const named = one.url.split('/').some((part) => foreign.has(part));
      const leaks = [...foreign].filter((id) => (text ?? '').includes(id));
      // What was sent may be said back.
      const sent = JSON.stringify(one.body ?? {});
      expect(`${said(one)}: ${leaks.filter((id) => !sent.includes(id)).join()}`).toBe(
        `${said(one)}: `,
      );
      // What is not there cannot be taken away, which is as good as done.
      const gone = one.route.method === 'delete' ? /: (204|404)$/ : /: 4(04|09|12|15|22|28)$/;
      if (named) expect(`${said(one)}: ${status}`).toMatch(gone);
      if (named && one.route.method === 'get') expect(status).toBe(404);
    }
    expect(await everythingOf(owner.workshop.id)).toEqual(before);
  });

  it('takes nothing of another workshop from inside a body', async () => {
    const owner = await memberOf(test.app, 'owner', 'lends-nothing');
    const { signed } = await stranger(test.app, 'a-borrower');
    const send = as(test.app, signed);
    const own = async (path: string, body: object) =>
      ((await send().post(`/api/${path}`).send(body)).body as { id: string }).id;
    const before = await everythingOf(owner.workshop.id);
    const piece = await own('pieces', on.bodies['Piece']![0] as object);
    const make = ((await send().post(`/api/pieces/${piece}/makes`).send({})).body as { id: string })
      .id;
    const [order] = on.bodies['Order'] as { lines: { pieceId: string | null }[] }[];
    const lines = [{ ...order!.lines[0]!, id: undefined, pieceId: on.ids.pieces![0] }];
    const tries: [string, string, object][] = [
      ['post', 'orders', { ...order, lines }],
      ['put', `makes/${make}/line`, { line: (on.bodies['MakeLine']![0] as { line: string }).line }],
      ['post', `pieces/${piece}/makes`, { repeat: on.ids.makes![0] }],
      ['post', 'kits', on.bodies['Kit']![0] as object],
      ['post', 'lots/from-make', on.bodies['FromMake']![0] as object],
    ];
    for (const [method, path, body] of tries) {
      const { status } = await send()[method as 'post' | 'put'](`/api/${path}`).send(body);
      expect(`${method} ${path.replace(/[\da-f-]{36}/, ':id')}: ${status}`).toMatch(
        /: 4(04|09|22)$/,
      );
    }
    expect(await everythingOf(owner.workshop.id)).toEqual(before);
  });
});

/** What takes something away comes last. */
const late = ({ method, path }: Route): number =>
  Number(method === 'delete') + Number(/abandon|leave|forget|close|restore/.test(path)) * 2;

it('a rule is one of six', () => {
  const known: readonly (Rule | null)[] = ['unasked', 'anyone', 'person', ...ROLES];
  expect(routes.filter(({ rule }) => !known.includes(rule))).toEqual([]);
});
