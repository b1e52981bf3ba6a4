import { gunzipSync } from 'node:zlib';
import type { BackupLookView, RestoredView } from '@coiled-strand/contract';
import { beforeAll, describe, expect, it } from '@jest/globals';
import { DataSource } from 'typeorm';
import { MemberRow, PersonRow } from '../rows/people.entities.js';
import { downloaded, resealed, useHouse, type House } from '../testing/house.js';
import { addPerson, as, PASSWORD, signIn, stranger, type Signed } from '../testing/people.js';
import { until } from '../testing/processes.js';
import { startTestApp, type TestApp } from '../testing/test-app.js';

const house = useHouse();
let test: TestApp;
let owner: House['owner'];
beforeAll(() => {
  ({ test, owner } = house());
});

describe('an owner', () => {
  const send = (signed: Signed) => as(test.app, signed)();
  const upload = (signed: Signed, path: string, body: Buffer) =>
    send(signed).post(path).set('content-type', 'application/gzip').send(body);
  const download = (signed: Signed): Promise<Buffer> => downloaded(test, signed);

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
  });

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
  });

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
  });

  it('restores one at a time', async () => {
    const mine = await stranger(test.app, 'impatient');
    const bytes = await download(mine.signed);
    const look = await upload(mine.signed, '/api/backups/look', bytes);
    const path = `/api/backups/restore?replace=${(look.body as BackupLookView).sha256}`;
    const answers = await Promise.all([1, 2, 3, 4].map(() => upload(mine.signed, path, bytes)));
    const codes = answers.map(({ status }) => status);
    expect(codes.filter((code) => code === 200).length).toBeGreaterThan(0);
    expect(codes.filter((code) => code !== 200 && code !== 409)).toEqual([]);
  });

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
  });
});

/** A file with other rows and right checksums. */

it('what a person of no workshop may restore is nothing', async () => {
  const source = test.app.get(DataSource);
  const person = await addPerson(source, 'of-nowhere');
  const signed = await signIn(source, person.id, null);
  await as(test.app, signed)().get('/api/backups/file').expect(403);
});
