import {
  DONE_ELSEWHERE,
  doneByOf,
  type DeviceView,
  type ErrorBody,
  type LinkView,
  type MadeLinkView,
  type SessionView,
  type WorkshopView,
} from '@coiled-strand/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import request from 'supertest';
import { DataSource } from 'typeorm';
import { LinkRow, MemberRow, PersonRow, SessionRow } from '../rows/people.entities.js';
import {
  as,
  cookiesOf,
  HERE,
  memberOf,
  PASSWORD,
  signedBy,
  signIn,
  stranger,
  type Signed,
} from '../testing/people.js';
import { startTestApp, type TestApp } from '../testing/test-app.js';
import { Tidy } from './tidy.js';

const faultOf = ({ body }: { body: unknown }): ErrorBody['error'] => (body as ErrorBody).error;

describe('people', () => {
  let test: TestApp;
  let owner: Awaited<ReturnType<typeof memberOf>>;
  beforeAll(async () => {
    test = await startTestApp();
    owner = await memberOf(test.app, 'owner', 'the-owner');
  });
  afterAll(() => test.close());
  const of = (signed: Signed | null) => as(test.app, signed)();
  const enter = (name: string, password: string, address = '198.51.100.1') =>
    of(null).post('/api/session').set(HERE).set('X-Forwarded-For', address).send({
      signIn: name,
      password,
    });
  const invited = async (role: string): Promise<MadeLinkView> =>
    (await of(owner.signed).post('/api/people/invitations').send({ role, who: 'x' }).expect(201))
      .body as MadeLinkView;

  describe('who sign in', () => {
    it('are not told whether a name exists', async () => {
      const { person } = await memberOf(test.app, 'maker', 'is-there');
      const wrong = await enter(person.signIn, 'not the password').expect(401);
      const unknown = await enter('is-not-there', 'not the password').expect(401);
      const said = ({ error }: { error: object }) => ({ ...error, requestId: '' });
      expect(said(wrong.body)).toEqual(said(unknown.body));
      await enter(person.signIn.toUpperCase(), PASSWORD).expect(200);
    });
    it('are slowed down, known or not, and only by their own tries', async () => {
      await memberOf(test.app, 'maker', 'guessed-at');
      for (const name of ['guessed-at', 'nobody-at-all']) {
        const at = `198.51.100.${name.length}`;
        const tries = await Promise.all(
          Array.from({ length: 50 }, () => enter(name, 'wrong password', at)),
        );
        const codes = tries.map(({ status }) => status);
        expect(codes.filter((code) => code === 401)).toHaveLength(10);
        expect(codes.filter((code) => code === 429)).toHaveLength(40);
        const late = tries.find(({ status }) => status === 429)!;
        expect(Number(late.headers['retry-after'])).toBeGreaterThan(60);
        expect(late.body.error).toMatchObject({ code: 'tried-too-often' });
        // Not even the right one is heard now, from there; from elsewhere it is.
        await enter(name, PASSWORD, at).expect(429);
      }
      await enter('guessed-at', PASSWORD, '198.51.100.200').expect(200);
    });
    it('may do so as often as they like with the right password', async () => {
      await memberOf(test.app, 'maker', 'comes-and-goes');
      for (let i = 0; i < 15; i++) await enter('comes-and-goes', PASSWORD).expect(200);
    });
    it('get a new session each time, which ends the one before', async () => {
      const { signed } = await memberOf(test.app, 'maker', 'again');
      const answer = await of(signed)
        .post('/api/session')
        .send({ signIn: 'again', password: PASSWORD })
        .expect(200);
      expect(signedBy(answer).Cookie).not.toBe(signed.Cookie);
      await of(signed).get('/api/pieces').expect(401);
      await of(signedBy(answer)).get('/api/pieces').expect(200);
      // Nothing in the database opens anything.
      const rows = await test.app.get(DataSource).query<object[]>('select * from session');
      expect(JSON.stringify(rows)).not.toContain(signedBy(answer).Cookie.split('=')[1]);
    });
    it('are signed out after thirty days unseen, and no sooner', async () => {
      const { signed, person } = await memberOf(test.app, 'maker', 'rarely');
      const source = test.app.get(DataSource);
      const seen = (days: number) =>
        source.query(
          `update session set seen_at = now() - $1 * interval '1 day' where person_id = $2`,
          [days, person.id],
        );
      await seen(29);
      const answer = await of(signed).get('/api/pieces').expect(200);
      // And being seen, they go on.
      expect(cookiesOf(answer)).toHaveLength(1);
      await seen(31);
      await of(signed).get('/api/pieces').expect(401);
    });
  });

  describe('with several devices', () => {
    it('see them, end one, or all', async () => {
      const { signed, person, workshop } = await memberOf(test.app, 'viewer', 'has-devices');
      const source = test.app.get(DataSource);
      const phone = await signIn(source, person.id, workshop.id);
      const devices = (await of(signed).get('/api/account/devices')).body as DeviceView[];
      expect(devices.map(({ here }) => here).sort()).toEqual([false, true]);
      const other = devices.find(({ here }) => !here)!;
      // Nobody else can end it.
      await of(owner.signed).delete(`/api/account/devices/${other.id}`).expect(404);
      await of(phone).get('/api/pieces').expect(200);
      await of(signed).delete(`/api/account/devices/${other.id}`).expect(204);
      await of(phone).get('/api/pieces').expect(401);
      const third = await signIn(source, person.id, workshop.id);
      await of(signed).delete('/api/account/devices').expect(204);
      await of(third).get('/api/pieces').expect(401);
      await of(signed).get('/api/pieces').expect(401);
    });
    it('sign the others out with a new password, and need the present one', async () => {
      const { signed, person, workshop } = await memberOf(test.app, 'viewer', 'changes-it');
      const phone = await signIn(test.app.get(DataSource), person.id, workshop.id);
      const change = (current: string) =>
        of(signed).put('/api/account/password').send({ current, password: 'another eight words' });
      expect((await change('not it').expect(422)).body.error.code).toBe('password.wrong');
      await of(phone).get('/api/pieces').expect(200);
      const changed = await change(PASSWORD).expect(200);
      await of(phone).get('/api/pieces').expect(401);
      await of(signedBy(changed)).get('/api/pieces').expect(200);
      await enter('changes-it', PASSWORD).expect(401);
      await enter('changes-it', 'another eight words').expect(200);
    });
  });

  describe('a change', () => {
    it('with a session and no word of a browser needs the token that only its pages can read', async () => {
      const { Cookie } = owner.signed;
      const program = () => request(test.app.getHttpServer());
      const body = { role: 'viewer' };
      const bare = await program().post('/api/people/invitations').set({ Cookie }).send(body);
      expect(bare.body.error.code).toBe('token.missing');
      const { token } = (await program().get('/api/session').set({ Cookie })).body as SessionView;
      for (const [said, status] of [
        [token!, 201],
        ['x', 403],
      ] as const) {
        await program()
          .post('/api/people/invitations')
          .set({ Cookie, 'X-Session-Token': said })
          .send(body)
          .expect(status);
      }
    });
    it('from a page of another site is refused, session or not', async () => {
      const answer = await request(test.app.getHttpServer())
        .post('/api/people/invitations')
        .set({ Cookie: owner.signed.Cookie, Origin: 'http://elsewhere.example' })
        .send({ role: 'viewer' });
      expect(answer.body.error.code).toBe('site.other');
    });
  });

  describe('who are invited', () => {
    it('are told what it is, join once with the role, and are in the workshop', async () => {
      const { token } = await invited('maker');
      const look = await of(null).post('/api/links/look').send({ token }).expect(200);
      expect(look.body as LinkView).toMatchObject({
        kind: 'invitation',
        workshop: 'Thistledown Bench',
        role: 'maker',
        by: 'the-owner',
      });
      const join = (name: string) =>
        of(null)
          .post('/api/links/join')
          .set(HERE)
          .send({ token, name, signIn: name, password: PASSWORD });
      const answers = await Promise.all(['guest-a', 'guest-b'].map(join));
      expect(answers.map(({ status }) => status).sort()).toEqual([200, 410]);
      const joined = answers.find(({ status }) => status === 200)!;
      expect(joined.body).toMatchObject({ workshop: { role: 'maker' } });
      await of(signedBy(joined)).get('/api/people').expect(200);
      await of(signedBy(joined)).get('/api/trail').expect(403);
      // The one who came too late left no account behind.
      const late = answers[0] === joined ? 'guest-b' : 'guest-a';
      expect(await test.app.get(DataSource).manager.countBy(PersonRow, { signIn: late })).toBe(0);
    });
    it('cannot take a name that somebody has, and keep their invitation', async () => {
      const { token } = await invited('viewer');
      const taken = { token, name: 'x', signIn: 'The-Owner', password: PASSWORD };
      const refused = await of(null).post('/api/links/join').send(taken).expect(422);
      expect(refused.body.error.faults[0].path).toBe('signIn');
      await of(null)
        .post('/api/links/join')
        .send({ ...taken, signIn: 'free-name' })
        .expect(200);
    });
    it('are refused when it is withdrawn, too old, or made up', async () => {
      const withdrawn = await invited('viewer');
      await of(owner.signed).delete(`/api/people/invitations/${withdrawn.id}`).expect(204);
      const old = await invited('viewer');
      const source = test.app.get(DataSource);
      await source.query(`update link set until = now() - interval '1 second' where id = $1`, [
        old.id,
      ]);
      for (const token of [withdrawn.token, old.token, 'made-up']) {
        const answer = await of(null).post('/api/links/look').send({ token }).expect(410);
        expect(answer.body.error.code).toBe('link.spent');
      }
    });
    it('join another workshop with the account that they have, and switch between both', async () => {
      const { signed, workshop: own } = await stranger(test.app, 'in-two');
      const { token } = await invited('viewer');
      const joined = await of(signed).post('/api/links/join-as-myself').send({ token }).expect(200);
      const both = joined.body as SessionView;
      expect(both.workshops.map(({ role }) => role)).toEqual(['owner', 'viewer']);
      expect(both.workshop?.name).toBe('Thistledown Bench');
      const now = signedBy(joined);
      expect((await of(now).get('/api/pieces')).body.total).toBe(11);
      await of(now).put('/api/session/workshop').send({ workshop: own.id }).expect(200);
      expect((await of(now).get('/api/pieces')).body.total).toBe(0);
      // Not into one where they are not.
      const { workshop: foreign } = await stranger(test.app, 'keeps-apart');
      await of(now).put('/api/session/workshop').send({ workshop: foreign.id }).expect(404);
      // Nobody takes over somebody who is also elsewhere by a link for a new password.
      const refused = await of(owner.signed).post(`/api/people/${both.person!.id}/link`);
      expect(refused.body.error.code).toBe('person.elsewhere');
    });
  });

  describe('who forgot their password', () => {
    it('choose a new one by a link that an owner makes, once; all devices are signed out', async () => {
      const { signed, person } = await memberOf(test.app, 'maker', 'forgot');
      const { token } = (await of(owner.signed).post(`/api/people/${person.id}/link`).expect(201))
        .body as MadeLinkView;
      const reset = () =>
        of(null).post('/api/links/reset').set(HERE).send({ token, password: 'a new one of words' });
      const answers = await Promise.all([reset(), reset()]);
      expect(answers.map(({ status }) => status).sort()).toEqual([200, 410]);
      await of(signed).get('/api/pieces').expect(401);
      await enter('forgot', 'a new one of words').expect(200);
    });
    it('are not let into another workshop by a link from before they were in it', async () => {
      const { signed, person } = await memberOf(test.app, 'maker', 'moves-on');
      const { token } = (await of(owner.signed).post(`/api/people/${person.id}/link`).expect(201))
        .body as MadeLinkView;
      await of(signed).post('/api/workshops').send({ name: 'My own' }).expect(200);
      const reset = { token, password: 'the owner chose this' };
      const refused = await of(null).post('/api/links/reset').set(HERE).send(reset).expect(410);
      expect(refused.body.error.code).toBe('link.spent');
      await enter('moves-on', PASSWORD).expect(200);
    });
  });

  describe('of a role', () => {
    it('are given another by an owner, at once', async () => {
      const { signed, person } = await memberOf(test.app, 'viewer', 'rises');
      await of(signed).post('/api/wearers').send({ name: 'x', wrist: 160 }).expect(403);
      await of(owner.signed).put(`/api/people/${person.id}`).send({ role: 'maker' }).expect(204);
      await of(signed).post('/api/wearers').send({ name: 'x', wrist: 160 }).expect(201);
      await of(owner.signed).delete(`/api/people/${person.id}`).expect(204);
      expect((await of(signed).get('/api/pieces').expect(403)).body.error.code).toBe(
        'workshop.none',
      );
    });
    it('never leave a workshop without an owner, also two who send each other away at once', async () => {
      const one = await stranger(test.app, 'owns-alone');
      const alone = await of(one.signed).post('/api/people/leave').expect(409);
      expect(alone.body.error.code).toBe('owner.last');
      await of(one.signed).put(`/api/people/${one.person.id}`).send({ role: 'viewer' }).expect(409);
      const link = await of(one.signed).post('/api/people/invitations').send({ role: 'owner' });
      const { token } = link.body as MadeLinkView;
      const joined = await of(null)
        .post('/api/links/join')
        .set(HERE)
        .send({ token, name: 'Second', signIn: 'owns-too', password: PASSWORD });
      const other = (joined.body as SessionView).person!.id;
      const answers = await Promise.all([
        of(one.signed).delete(`/api/people/${other}`),
        of(signedBy(joined)).delete(`/api/people/${one.person.id}`),
      ]);
      expect(answers.map(({ status }) => status).filter((status) => status === 204)).toHaveLength(
        1,
      );
    });
  });

  it('measure each in their own units, in every workshop; a viewer too', async () => {
    const maker = await memberOf(test.app, 'maker', 'in-inches');
    const viewer = await memberOf(test.app, 'viewer', 'in-metres');
    const workshop = async (signed: Signed) =>
      (await of(signed).get('/api/workshop').expect(200)).body as WorkshopView;
    const settings = async (signed: Signed) => (await workshop(signed)).settings;
    const usual = await settings(owner.signed);
    const inches = { unit: 'in', cordUnit: 'ft', hand: 'left' } as const;
    await of(maker.signed)
      .put('/api/workshop/settings')
      .set('If-Match', `"${(await workshop(maker.signed)).etags.settings}"`)
      .send({ ...usual, ...inches, step: 12 })
      .expect(200);
    await of(viewer.signed)
      .put('/api/workshop/preferences')
      .send({ unit: 'mm', cordUnit: 'm', hand: 'right' })
      .expect(200);
    await of(viewer.signed).put('/api/workshop/settings').send(usual).expect(403);
    expect(await settings(maker.signed)).toMatchObject({ ...inches, step: 12 });
    expect(await settings(viewer.signed)).toMatchObject({ unit: 'mm', cordUnit: 'm', step: 12 });
    // Whoever has chosen nothing has the workshop’s, which are as they were.
    expect(await settings(owner.signed)).toEqual({ ...usual, step: 12 });
    await of(viewer.signed)
      .put('/api/workshop/preferences')
      .send({ unit: 'ell', cordUnit: 'm', hand: 'right' })
      .expect(422);
  });

  it('have what they did sent later taken in their own name and workshop alone', async () => {
    const source = test.app.get(DataSource);
    const { person, workshop, signed } = await memberOf(test.app, 'maker', 'later');
    const other = await stranger(test.app, 'workshop-of-others');
    const elsewhere = await signIn(source, person.id, other.workshop.id);
    const put = (by: Signed, doneBy: string) =>
      as(test.app, by)().put('/api/account').set('X-Done-By', doneBy).send({ name: 'Later' });
    const mine = doneByOf(person.id, workshop.id);
    for (const doneBy of [
      doneByOf(person.id, other.workshop.id),
      doneByOf(other.person.id, workshop.id),
      person.id,
      '',
    ]) {
      const answer = await put(signed, doneBy);
      expect([answer.status, faultOf(answer).code]).toEqual([409, DONE_ELSEWHERE]);
      expect(faultOf(answer).remedy).toMatch(/stays on the device/);
    }
    await source.manager.insert(MemberRow, {
      workshopId: other.workshop.id,
      personId: person.id,
      role: 'maker',
    });
    expect((await put(elsewhere, mine)).status).toBe(409);
    expect((await put(signed, mine)).status).not.toBe(409);
  });

  it('leave nothing behind that opens nothing any more', async () => {
    const { signed, person } = await memberOf(test.app, 'maker', 'long-gone');
    const { id } = await invited('viewer');
    const source = test.app.get(DataSource);
    const left = async (): Promise<number[]> => [
      await source.manager.countBy(SessionRow, { personId: person.id }),
      await source.manager.countBy(LinkRow, { id }),
    ];
    const days = (n: number): Date => new Date(Date.now() + n * 24 * 60 * 60 * 1000);
    await test.app.get(Tidy).tidy(days(6));
    expect(await left()).toEqual([1, 1]);
    await of(signed).get('/api/pieces').expect(200);
    await test.app.get(Tidy).tidy(days(31));
    expect(await left()).toEqual([0, 0]);
    owner = { ...owner, signed: await signIn(source, owner.person.id, owner.workshop.id) };
  });

  it('take their account away for good, and what they did stays without their name', async () => {
    const { signed, person } = await memberOf(test.app, 'maker', 'goes-away');
    await of(signed).post('/api/wearers').send({ name: 'y', wrist: 160 }).expect(201);
    const kept = (await of(signed).get('/api/account/data').expect(200)).body as {
      person: object;
      did: object[];
    };
    expect(kept.did).toHaveLength(1);
    expect(JSON.stringify(kept)).not.toContain('argon2');
    await of(signed).post('/api/account/forget').send({ password: 'wrong one' }).expect(401);
    await of(signed).post('/api/account/forget').send({ password: PASSWORD }).expect(204);
    await of(signed).get('/api/pieces').expect(401);
    const lines = await test.app
      .get(DataSource)
      .query<object[]>(`select * from trail where did = 'list.added' and person_id is null`);
    expect(lines).toHaveLength(1);
    expect(await test.app.get(DataSource).manager.countBy(PersonRow, { id: person.id })).toBe(0);
  });
});
