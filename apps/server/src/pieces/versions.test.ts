import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type {
  PageView,
  PieceView,
  TagView,
  VersionView,
  WearerView,
} from '@coiled-strand/contract';
import { DataSource } from 'typeorm';
import request from 'supertest';
import { startTestApp, type TestApp } from '../testing/test-app.js';
import { MAX_KEPT, MAX_NAMED } from './versions.service.js';

let test: TestApp;
beforeAll(async () => {
  test = await startTestApp();
});
afterAll(() => test.close());
const api = () => request(test.app.getHttpServer());
const query = (sql: string, given: unknown[]): Promise<unknown> =>
  test.app.get(DataSource).query(sql, given);

const pieces = async (asked = ''): Promise<readonly PieceView[]> =>
  (
    (await api().get(`/api/pieces?sort=laid&limit=100${asked}`).expect(200))
      .body as PageView<PieceView>
  ).items;
const fresh = async (name = 'Fresh'): Promise<PieceView> => {
  const [{ piece }] = (await pieces()) as readonly [PieceView];
  return (
    await api()
      .post('/api/pieces')
      .send({ ...piece, name })
      .expect(201)
  ).body as PieceView;
};
const change = async ({ id, piece, version }: PieceView, name: string): Promise<PieceView> =>
  (
    await api()
      .put(`/api/pieces/${id}`)
      .set('If-Match', `"${version}"`)
      .send({ ...piece, name })
      .expect(200)
  ).body as PieceView;
const versions = async (id: string): Promise<readonly VersionView[]> =>
  (
    (await api().get(`/api/pieces/${id}/versions?limit=100`).expect(200))
      .body as PageView<VersionView>
  ).items;
const keep = (id: string, name: string | null) =>
  api().post(`/api/pieces/${id}/versions`).send({ name });
/** As if so many minutes had gone by. */
const later = (id: string, minutes: number): Promise<unknown> =>
  query(
    `update piece_version set created_at = created_at - make_interval(mins => $2) where piece_id = $1`,
    [id, minutes],
  );

describe('versions of a piece', () => {
  it('are kept by themselves, one for each sitting', async () => {
    let piece = await fresh('one');
    expect(await versions(piece.id)).toEqual([]);
    piece = await change(piece, 'two');
    piece = await change(piece, 'three');
    expect((await versions(piece.id)).map((kept) => kept.piece.name)).toEqual(['one']);
    await later(piece.id, 11);
    piece = await change(piece, 'four');
    expect((await versions(piece.id)).map((kept) => [kept.version, kept.piece.name])).toEqual([
      [3, 'three'],
      [1, 'one'],
    ]);
  });

  it('are not kept for a change that somebody else was quicker with', async () => {
    const piece = await fresh();
    await change(piece, 'mine');
    await later(piece.id, 11);
    await api()
      .put(`/api/pieces/${piece.id}`)
      .set('If-Match', '"1"')
      .send({ ...piece.piece, name: 'late' })
      .expect(412);
    expect(await versions(piece.id)).toHaveLength(1);
  });

  it('are named as they are now, and called otherwise; one that is kept already is kept once', async () => {
    const piece = await fresh();
    const kept = (await keep(piece.id, '  First try ').expect(200)).body as VersionView;
    expect(kept).toMatchObject({ version: 1, name: 'First try', piece: { name: 'Fresh' } });
    expect((await keep(piece.id, null).expect(200)).body).toMatchObject({
      id: kept.id,
      name: 'First try',
    });
    const called = api().put(`/api/pieces/${piece.id}/versions/${kept.id}`);
    expect((await called.send({ name: 'Liked' }).expect(200)).body.name).toBe('Liked');
    const one = await api().get(`/api/pieces/${piece.id}/versions/${kept.id}`).expect(200);
    expect(one.body).toMatchObject({ name: 'Liked' });
    expect(await versions(piece.id)).toHaveLength(1);
  });

  it('are of their piece alone, and of pieces that there are', async () => {
    const [one, other] = [await fresh(), await fresh()];
    const kept = (await keep(one.id, 'x').expect(200)).body as VersionView;
    await api().get(`/api/pieces/${other.id}/versions/${kept.id}`).expect(404);
    await api().put(`/api/pieces/${other.id}/versions/${kept.id}`).send({ name: 'y' }).expect(404);
    await keep('00000000-0000-4000-8000-000000000000', 'x').expect(404);
  });

  it.each([
    {},
    { name: '' },
    { name: '  ' },
    { name: 'x'.repeat(81) },
    { name: ['x'] },
    { name: 'a\0' },
  ])('are not called %j', async (body) => {
    const { id } = await fresh();
    const { status, body: told } = await api().post(`/api/pieces/${id}/versions`).send(body);
    expect([400, 422]).toContain(status);
    expect(told.error.message).not.toBe('');
    expect(await versions(id)).toEqual([]);
  });

  it('without a name give way to newer ones; those with one stay, as many as there is room for', async () => {
    let piece = await fresh();
    await keep(piece.id, 'stays').expect(200);
    const fill = (from: number, to: number, name: string | null) =>
      query(
        `insert into piece_version (workshop_id, piece_id, version, changed_at, spec, name)
         select workshop_id, id, n, now(), spec, $4 from piece, generate_series($2::int, $3::int) n where id = $1`,
        [piece.id, from, to, name],
      );
    await fill(100, 100 + MAX_KEPT + 5, null);
    await later(piece.id, 11);
    // The first is kept already, under its name.
    piece = await change(piece, 'next');
    piece = await change(piece, 'after');
    const left = await versions(piece.id);
    expect(left.filter(({ name }) => name === null)).toHaveLength(MAX_KEPT);
    expect(left.at(-1)).toMatchObject({ name: 'stays', version: 1 });
    await fill(1000, 1000 + MAX_NAMED - 2, 'full');
    const refused = await keep(piece.id, 'one too many').expect(409);
    expect(refused.body.error.code).toBe('versions.too-many');
  });

  it('say the same of fifty that name at once', async () => {
    const { id } = await fresh();
    const answers = await Promise.all(Array.from({ length: 50 }, (_, i) => keep(id, `name ${i}`)));
    expect(new Set(answers.map(({ status }) => status))).toEqual(new Set([200]));
    expect(await versions(id)).toHaveLength(1);
  });

  it('lose the name of a wearer who is forgotten', async () => {
    const wearer = (
      await api().post('/api/wearers').send({ name: 'Somebody Kept', wrist: 160 }).expect(201)
    ).body as WearerView;
    const [{ piece }] = (await pieces()) as readonly [PieceView];
    const made = (
      await api()
        .post('/api/pieces')
        .send({ ...piece, wearer: wearer.value })
        .expect(201)
    ).body as PieceView;
    await keep(made.id, 'for them').expect(200);
    await api().post(`/api/wearers/${wearer.id}/forget`).expect(200);
    const [kept] = await versions(made.id);
    expect(kept!.piece.wearer.name).toBe('Forgotten');
  });
});

describe('tags', () => {
  const put = (id: string, tags: unknown) => api().put(`/api/pieces/${id}/tags`).send({ tags });
  const list = async (): Promise<TagView[]> =>
    (await api().get('/api/tags').expect(200)).body as TagView[];

  it('sort pieces without changing them', async () => {
    const piece = await fresh();
    await put(piece.id, [' Fair ', 'gifts', 'Fair']).expect(204);
    expect(await list()).toEqual(
      expect.arrayContaining([
        { tag: 'Fair', pieces: 1 },
        { tag: 'gifts', pieces: 1 },
      ]),
    );
    const [found, ...others] = await pieces('&tag=gifts');
    expect(others).toEqual([]);
    expect(found).toMatchObject({
      id: piece.id,
      tags: ['Fair', 'gifts'],
      version: 1,
      updatedAt: piece.updatedAt,
    });
    expect((await change(found!, 'still')).tags).toEqual(['Fair', 'gifts']);
    expect(await pieces('&tag=nothing')).toEqual([]);
  });

  it('are called otherwise on every piece, put together, or taken off them all', async () => {
    const [one, other] = [await fresh(), await fresh()];
    await put(one.id, ['a', 'b', 'c']).expect(204);
    await put(other.id, ['c', 'a']).expect(204);
    const rename = (body: object) => api().put('/api/tags').send(body).expect(204);
    const both = async () => {
      const all = await pieces();
      return [one, other].map(({ id }) => all.find((piece) => piece.id === id)!.tags);
    };
    await rename({ from: 'a', to: 'c' });
    expect(await both()).toEqual([['c', 'b'], ['c']]);
    await rename({ from: 'c' });
    expect(await both()).toEqual([['b'], []]);
  });

  it.each([[['']], [['  ']], [['x'.repeat(41)]], [[['x']]], [[null]], ['x'], [null], [['a\0b']]])(
    'are not %j',
    async (tags) => {
      const { id } = await fresh();
      const { status } = await put(id, tags);
      expect([400, 422]).toContain(status);
      expect((await pieces()).find((piece) => piece.id === id)!.tags).toEqual([]);
    },
  );
});
