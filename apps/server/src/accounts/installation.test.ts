import type { PeopleView, SessionView } from '@coiled-strand/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { DataSource } from 'typeorm';
import { PersonRow } from '../rows/people.entities.js';
import { as, cookiesOf, HERE, PASSWORD, signedBy } from '../testing/people.js';
import { startTestApp, type TestApp } from '../testing/test-app.js';
import { refuseUnowned } from './refuse-unowned.js';

describe('an empty installation', () => {
  let empty: TestApp;
  beforeAll(async () => {
    empty = await startTestApp(false);
  });
  afterAll(() => empty.close());
  const about = { workshop: 'A bench', name: 'First', signIn: 'first', password: PASSWORD };
  const api = () => as(empty.app)();

  it('asks for its owner, is set up once, and serves others only then', async () => {
    expect(((await api().get('/api/session')).body as SessionView).state).toBe('set-up');
    await expect(refuseUnowned(empty.app, '0.0.0.0')).rejects.toThrow(/no owner with a password/);
    await refuseUnowned(empty.app, '127.0.0.1');
    const short = await api()
      .post('/api/set-up')
      .send({ ...about, password: 'short' });
    expect(short.status).toBe(422);
    expect(short.body.error.faults[0].path).toBe('password');
    // Several at once: one is the owner.
    const answers = await Promise.all(
      [1, 2, 3, 4].map((n) =>
        api()
          .post('/api/set-up')
          .set(HERE)
          .send({ ...about, signIn: `n${n}` }),
      ),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409, 409, 409]);
    const first = answers.find(({ status }) => status === 200)!;
    expect(first.body).toMatchObject({
      state: 'signed-in',
      open: false,
      workshop: { name: 'A bench', role: 'owner' },
    });
    await refuseUnowned(empty.app, '0.0.0.0');
    await api().get('/api/pieces').expect(401);
    await as(empty.app, signedBy(first))().get('/api/pieces').expect(200);
  });
  it('gives a cookie that no script reads, no other site sends, and no open line carries', async () => {
    const [name] = await empty.app.get(DataSource).manager.find(PersonRow);
    const enter = () =>
      api().post('/api/session').set(HERE).send({ signIn: name!.signIn, password: PASSWORD });
    const [plain] = cookiesOf(await enter().expect(200));
    expect(plain).toMatch(/^coiled-strand=[\w-]{43};/);
    expect(plain).toContain('HttpOnly');
    expect(plain).toContain('SameSite=Lax');
    expect(plain).not.toContain('Secure');
    const [safe] = cookiesOf(await enter().set('X-Forwarded-Proto', 'https').expect(200));
    expect(safe).toContain('Secure');
  });
});

describe('an open workshop', () => {
  let open: TestApp;
  beforeAll(async () => {
    open = await startTestApp();
  });
  afterAll(() => open.close());
  const api = () => as(open.app)();

  it('says that it is open, and to whom', async () => {
    const { body } = await api().get('/api/session').expect(200);
    expect(body).toMatchObject({
      state: 'signed-in',
      open: true,
      person: { name: 'Marit Solheim-Okafor', hasPassword: false },
      workshop: { name: 'Thistledown Bench', role: 'owner' },
    });
    const { members } = (await api().get('/api/people')).body as PeopleView;
    expect(members.map(({ name, role }) => [name, role])).toEqual([
      ['Marit Solheim-Okafor', 'owner'],
      ['Jonas Wren', 'maker'],
      ['Priya Lindqvist', 'viewer'],
    ]);
  });
  it.each([
    ['through a program in between', { 'X-Forwarded-For': '203.0.113.9' }],
    ['through a program that says only that it is one', { Via: '1.1 between' }],
    ['under a name of the network', { Host: '192.0.2.7:4173' }],
  ])('is closed to whoever comes %s', async (_, headers) => {
    await api().get('/api/pieces').set(headers).expect(401);
  });
  it('is closed on any other address than loopback', async () => {
    const other = await startTestApp(true, { host: '0.0.0.0' });
    await as(other.app)().get('/api/pieces').expect(401);
    await expect(refuseUnowned(other.app, '0.0.0.0')).rejects.toThrow('npm run owner');
    await other.close();
  });
  it('lets nobody else in before its owner has a password, and from then on by name alone', async () => {
    const early = await api().post('/api/people/invitations').send({ role: 'maker' });
    expect(early.body.error.code).toBe('owner.open');
    const chosen = await api()
      .put('/api/account/password')
      .send({ password: PASSWORD })
      .expect(200);
    expect(chosen.body).toMatchObject({ state: 'signed-in', open: false });
    await api().get('/api/pieces').expect(401);
    const marit = as(open.app, signedBy(chosen));
    await marit().get('/api/pieces').expect(200);
    await marit().post('/api/people/invitations').send({ role: 'maker' }).expect(201);
    expect(((await api().get('/api/session')).body as SessionView).state).toBe('signed-out');
  });
});
