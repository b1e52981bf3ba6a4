import { connect } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { MadeLinkView, PieceView, PageView } from '@coiled-strand/contract';
import type { Response } from 'supertest';
import { as, cookiesOf, HERE, memberOf, PASSWORD, type Signed } from '../testing/people.js';
import { startTestApp, type TestApp } from '../testing/test-app.js';

let test: TestApp;
let owner: Awaited<ReturnType<typeof memberOf>>;
beforeAll(async () => {
  test = await startTestApp();
  owner = await memberOf(test.app, 'owner', 'the-owner');
});
afterAll(() => test.close());

const of = (signed: Signed | null) => as(test.app, signed)();
/** The device that an answer names, as a browser sends it back. */
const deviceOf = (answer: Response): string =>
  cookiesOf(answer)
    .find((one) => one.startsWith('coiled-strand-device='))!
    .split(';')[0]!;

const enter = (name: string, password: string, address: string, cookie = '') =>
  of(null)
    .post('/api/session')
    .set({ ...HERE, 'X-Forwarded-For': address, ...(cookie ? { Cookie: cookie } : {}) })
    .send({ signIn: name, password });

describe('wrong tries of somebody else', () => {
  it('never keep anybody out of a device on which they signed in before', async () => {
    const device = deviceOf(await enter('the-owner', PASSWORD, '198.51.100.1').expect(200));
    // Everywhere at once, as long as they like, also from the owner's own address.
    for (let n = 0; n < 30; n++) {
      await Promise.all(
        Array.from({ length: 12 }, (_, i) =>
          enter('the-owner', 'a guess', `203.0.113.${n * 8 + i}`),
        ),
      );
      await enter('the-owner', 'a guess', '198.51.100.1');
    }
    await enter('the-owner', PASSWORD, '198.51.100.1').expect(429);
    await enter('the-owner', PASSWORD, '198.51.100.1', device).expect(200);
    // A device opens nothing by itself, and is slowed down by its own tries.
    for (let n = 0; n < 20; n++) {
      await enter('the-owner', 'a guess', '198.51.100.1', device).expect(401);
    }
    await enter('the-owner', PASSWORD, '198.51.100.1', device).expect(429);
  });

  it('are the other’s own: sixty of one address leave the name free elsewhere', async () => {
    await memberOf(test.app, 'maker', 'is-guessed');
    for (let n = 0; n < 62; n++) await enter('is-guessed', 'a guess', '192.0.2.7');
    await enter('is-guessed', PASSWORD, '192.0.2.7').expect(429);
    await enter('is-guessed', PASSWORD, '192.0.2.8').expect(200);
  });

  it('count nothing where they were refused', async () => {
    await memberOf(test.app, 'maker', 'one');
    await memberOf(test.app, 'maker', 'two');
    for (let n = 0; n < 120; n++) await enter('one', 'a guess', '192.0.2.30');
    // The address has used ten of its hundred.
    await enter('two', PASSWORD, '192.0.2.30').expect(200);
  });

  it('of a device that knows somebody else are those of a stranger', async () => {
    await memberOf(test.app, 'maker', 'knows');
    await memberOf(test.app, 'maker', 'is-not-known');
    const device = deviceOf(await enter('knows', PASSWORD, '192.0.2.50').expect(200));
    for (let n = 0; n < 10; n++) await enter('is-not-known', 'a guess', '192.0.2.50', device);
    await enter('is-not-known', PASSWORD, '192.0.2.50', device).expect(429);
  });
});

describe('a name', () => {
  const invited = async (): Promise<string> =>
    (
      (await of(owner.signed).post('/api/people/invitations').send({ role: 'maker' }).expect(201))
        .body as MadeLinkView
    ).token;
  const join = async (name: string, signIn: string) =>
    of(null)
      .post('/api/links/join')
      .set(HERE)
      .send({ token: await invited(), name, signIn, password: PASSWORD });

  it.each([
    ['spaces', '   '],
    ['signs alone', '--- ***'],
    ['a control character', 'Mo\u0007'],
    ['a line end', 'Mo\nOwner'],
    ['a zero-width space', 'M\u200bo'],
    ['an override of the direction', '\u202eoM'],
    ['a mark of the direction', 'Mo\u200f'],
    ['a soft hyphen', 'M\u00ado'],
    ['a line separator', 'Mo\u2028x'],
  ])('of %s is refused', async (_, name) => {
    const { status, body } = await join(name, 'mo');
    expect([status, body.error?.faults?.[0]?.path]).toEqual([422, 'name']);
  });

  it.each(['Zoë van der Berg', 'O’Brien', '李雷', 'محمد', 'J. R.', '3rd bench'])(
    'like %s is taken',
    async (name) => {
      const signIn = `s${Buffer.from(name).toString('hex').slice(0, 20)}`;
      expect((await join(name, signIn)).status).toBe(200);
    },
  );

  it('that looks like a member’s is refused when somebody joins, or is renamed', async () => {
    expect((await join('Marit Solheim', 'marit-s')).status).toBe(200);
    const { status, body } = await join('Marіt  Solheim', 'another-m');
    expect([status, body.error.faults[0].path]).toEqual([422, 'name']);
    const { signed } = await memberOf(test.app, 'viewer', 'renames');
    const renamed = await of(signed)
      .put('/api/account')
      .send({ name: 'marit solheim.', signIn: 'renames' })
      .expect(422);
    expect(renamed.body.error.faults[0].message).toContain('looks like');
    await of(signed).put('/api/account').send({ name: 'Renamed', signIn: 'renames' }).expect(200);
  });

  it('to sign in with does not tell who else has an account', async () => {
    const { signed } = await memberOf(test.app, 'viewer', 'curious');
    const codes: number[] = [];
    for (let n = 0; n < 14; n++) {
      const answer = await of(signed).put('/api/account').send({ name: 'C', signIn: 'the-owner' });
      expect(JSON.stringify(answer.body)).not.toMatch(/taken|exists|somebody else/);
      codes.push(answer.status);
    }
    expect(codes).toEqual([...Array.from({ length: 10 }, () => 422), 429, 429, 429, 429]);
    // Who takes another name now and then is not in anybody's way.
    const { signed: other } = await memberOf(test.app, 'viewer', 'settled');
    for (let n = 0; n < 15; n++) {
      await of(other)
        .put('/api/account')
        .send({ name: 'Settled', signIn: `settled-${n}` })
        .expect(200);
    }
  });
});

describe('what a browser keeps', () => {
  it('is asked for again each time, and let go of when somebody signs out', async () => {
    const { signed } = await memberOf(test.app, 'viewer', 'signs-out');
    const first = await of(signed).get('/api/pieces').expect(200);
    expect(first.headers['cache-control']).toBe('private, no-cache');
    const etag = first.headers['etag']!;
    await of(signed).get('/api/pieces').set('If-None-Match', etag).expect(304);
    const { items } = first.body as PageView<PieceView>;
    const piece = await of(signed).get(`/api/pieces/${items[0]!.id}`).expect(200);
    expect(piece.headers['cache-control']).toBe('private, no-cache');
    const out = await of(signed).delete('/api/session').expect(204);
    expect(out.headers['clear-site-data']).toBe('"cache"');
    await of(signed).get('/api/pieces').set('If-None-Match', etag).expect(401);
  });
});

describe('an open workshop', () => {
  let open: TestApp;
  let port: number;
  beforeAll(async () => {
    open = await startTestApp();
    await open.app.listen(0, '127.0.0.1');
    ({ port } = open.app.getHttpServer().address() as { port: number });
  });
  afterAll(() => open.close());

  /** A request, as a program in between writes it. */
  const asked = (version: string, ...headers: readonly string[]): Promise<string> =>
    new Promise((resolve, reject) => {
      const socket = connect(port, '127.0.0.1');
      let text = '';
      socket.on('data', (data) => (text += data.toString()));
      socket.on('end', () => resolve(text));
      socket.on('error', reject);
      socket.write(
        [`GET /api/session HTTP/${version}`, ...headers, 'Connection: close', '', ''].join('\r\n'),
      );
    });

  it.each<[string, string, readonly string[]]>([
    ['this machine itself', '1.1', ['Host: 127.0.0.1']],
    ['this machine by name', '1.1', ['Host: localhost:4173']],
  ])('is open to %s', async (_, version, headers) => {
    expect(await asked(version, ...headers)).toContain('"open":true');
  });

  it.each<[string, string, readonly string[]]>([
    // What nginx hands on as it comes: the name of what is behind it, and nothing of who asks.
    ['a proxy that says nothing', '1.0', ['Host: 127.0.0.1:4173']],
    ['a proxy that says for whom', '1.1', ['Host: localhost', 'X-Forwarded-For: 203.0.113.5']],
    ['a proxy that says how', '1.1', ['Host: localhost', 'X-Forwarded-Proto: https']],
    ['a proxy that says that it is one', '1.1', ['Host: localhost', 'Via: 1.1 x']],
    ['a proxy by the standard', '1.1', ['Host: localhost', 'Forwarded: for=203.0.113.5']],
    ['another address of this machine', '1.1', ['Host: 192.0.2.1']],
  ])('is closed to %s', async (_, version, headers) => {
    expect(await asked(version, ...headers)).not.toContain('"open":true');
  });
});
