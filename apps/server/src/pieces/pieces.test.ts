import { describe, expect, it } from '@jest/globals';
import type { HandView, PageView, PieceView } from '@coiled-strand/contract';
import { planPiece, type PieceFile, type Plan } from '@coiled-strand/core';
import { useTestApp } from '../testing/test-app.js';

const api = useTestApp();

const first = async (): Promise<PieceView> => {
  const { body } = await api().get('/api/pieces?sort=laid&limit=100').expect(200);
  return (body as PageView<PieceView>).items[0]!;
};
const fresh = async (): Promise<PieceView> => {
  const { piece } = await first();
  const { body } = await api()
    .post('/api/pieces')
    .send({ ...piece, name: 'Fresh' })
    .expect(201);
  return body as PieceView;
};

describe('pieces', () => {
  it('come from the demo scenario, with the earlier make counted', async () => {
    const meridian = await first();
    expect(meridian.piece.name).toBe('Meridian');
    expect(meridian.logged).toBe(1);
    expect(meridian.make).toBeNull();
  });

  it('are changed by whoever saw the last version, whose ETag rises', async () => {
    const piece = await fresh();
    const response = await api()
      .put(`/api/pieces/${piece.id}`)
      .set('If-Match', '"1"')
      .send({ ...piece.piece, name: 'Renamed' })
      .expect(200);
    expect(response.headers['etag']).toBe('"2"');
    const again = await api().get(`/api/pieces/${piece.id}`).expect(200);
    expect(again.headers['etag']).toBe('"2"');
    expect((again.body as PieceView).piece.name).toBe('Renamed');
  });

  it('are answered as this call wrote them, whoever writes on in the same moment', async () => {
    const { id, piece } = await fresh();
    let version = 1;
    for (let round = 0; round < 12; round++) {
      const put = async (name: string, seen: number) => {
        const answer = await api()
          .put(`/api/pieces/${id}`)
          .set('If-Match', `"${seen}"`)
          .send({ ...piece, name });
        if (answer.status !== 200) return;
        const view = answer.body as PieceView;
        expect([view.piece.name, view.version]).toEqual([name, seen + 1]);
        expect(answer.headers['etag']).toBe(`"${seen + 1}"`);
      };
      // The others guess what the first is about to write, and go on from there.
      await Promise.all([
        put('first', version),
        ...Array.from({ length: 6 }, () => put('second', version + 1)),
      ]);
      version = ((await api().get(`/api/pieces/${id}`)).body as PieceView).version;
    }
  });

  it('are changed once by a request that comes twice, since its answer was lost', async () => {
    const { id, piece } = await fresh();
    const put = (name: string, key: string, seen = 1) =>
      api()
        .put(`/api/pieces/${id}`)
        .set('If-Match', `"${seen}"`)
        .set('Idempotency-Key', key)
        .send({ ...piece, name });
    const first = (await put('once', 'request-1').expect(200)).body as PieceView;
    expect(first).toMatchObject({ version: 2, changedBy: 'request-1' });
    const again = (await put('once', 'request-1').expect(200)).body as PieceView;
    expect(again).toMatchObject({ version: 2, changedBy: 'request-1' });
    // Whoever comes with another is told whose change it collides with.
    const other = await put('other', 'request-2').expect(412);
    expect(other.body.error.current.changedBy).toBe('request-1');
    // The same change on what is there now: that it was refused before is no answer to it.
    const kept = (await put('other', 'request-2', 2).expect(200)).body as PieceView;
    expect(kept).toMatchObject({ version: 3, changedBy: 'request-2' });
    for (const bad of ['', 'x', 'no spaces here', 'ü'.repeat(9), 'a'.repeat(65)]) {
      const refused = await put('bad', encodeURI(bad), 2).expect(400);
      expect(refused.body.error.code).toBe('request.unreadable');
    }
  });

  it('that were put away say so, to whoever opens or changes them', async () => {
    const { id, piece } = await fresh();
    await api().delete(`/api/pieces/${id}`).expect(204);
    const put = () => api().put(`/api/pieces/${id}`).set('If-Match', '"1"').send(piece);
    for (const answer of [await api().get(`/api/pieces/${id}`), await put()]) {
      expect(answer.status).toBe(410);
      // A browser that kept it would go on showing it.
      expect(answer.headers['cache-control']).toBe('no-store');
      expect(answer.body.error).toMatchObject({ code: 'piece.put-away' });
    }
    await api().post(`/api/pieces/${id}/restore`).expect(204);
    await put().expect(200);
  });

  it('are never overwritten by a window that saw an older version', async () => {
    const { id, piece } = await fresh();
    const put = (name: string) =>
      api()
        .put(`/api/pieces/${id}`)
        .set('If-Match', '"1"')
        .send({ ...piece, name });
    const answers = await Promise.all([put('one'), put('two'), put('three')]);
    expect(answers.map((a) => a.status).sort()).toEqual([200, 412, 412]);
    const lost = answers.find((a) => a.status === 412);
    const won = answers.find((a) => a.status === 200);
    expect(lost?.body.error).toMatchObject({ code: 'piece.changed' });
    expect(lost?.body.error.current.piece.name).toBe((won!.body as PieceView).piece.name);
  });

  it('ask for the version when it is missing or unreadable', async () => {
    const { id, piece } = await fresh();
    const missing = await api().put(`/api/pieces/${id}`).send(piece).expect(428);
    expect(missing.body.error.code).toBe('version.missing');
    await api().put(`/api/pieces/${id}`).set('If-Match', 'yes').send(piece).expect(400);
  });

  it('name the fault by path and keep the stored piece', async () => {
    const { id, piece } = await fresh();
    const bad = { ...piece, wearer: { ...piece.wearer, wrist: 'wide' } };
    const { body } = await api()
      .put(`/api/pieces/${id}`)
      .set('If-Match', '"1"')
      .send(bad)
      .expect(422);
    expect(body.error.faults).toEqual([
      expect.objectContaining({ path: 'wearer.wrist', message: expect.stringContaining('number') }),
    ]);
    expect(((await api().get(`/api/pieces/${id}`)).body as PieceView).version).toBe(1);
  });

  it('are put away and brought back', async () => {
    const { id } = await fresh();
    await api().delete(`/api/pieces/${id}`).expect(204);
    await api().get(`/api/pieces/${id}`).expect(410);
    await api().post(`/api/pieces/${id}/restore`).expect(204);
    await api().get(`/api/pieces/${id}`).expect(200);
  });
});

describe('files', () => {
  it('come back in as they went out', async () => {
    const { id, piece } = await first();
    const { body, headers } = await api().get(`/api/pieces/${id}/file`).expect(200);
    expect(headers['content-disposition']).toContain('Meridian.strand.json');
    const { body: copy } = await api().post('/api/pieces/import').send(body).expect(201);
    expect((copy as PieceView).id).not.toBe(id);
    expect((copy as PieceView).piece).toEqual(piece);
    const again = await api()
      .get(`/api/pieces/${(copy as PieceView).id}/file`)
      .expect(200);
    expect(again.text).toBe(JSON.stringify(body));
  });

  it('takes a file of the version before, and hands it out in the present one', async () => {
    const { items } = (await api().get('/api/pieces?sort=laid')).body as PageView<PieceView>;
    const { confidence, ...rest } = items[0]!.piece.cutting;
    const piece = { ...items[0]!.piece, cutting: { sureness: confidence, ...rest } };
    const old = { format: 'coiled-strand/piece', version: 3, piece };
    const { body } = await api().post('/api/pieces/import').send(old).expect(201);
    const { body: file } = await api()
      .get(`/api/pieces/${(body as PieceView).id}/file`)
      .expect(200);
    expect(file).toMatchObject({ version: 4, piece: { cutting: { confidence } } });
  });

  it.each<[string, (file: PieceFile) => unknown]>([
    ['format', (f) => ({ ...f, format: 'something/else' })],
    ['version', (f) => ({ ...f, version: 5 })],
    ['piece.parts[0].tension', (f) => edit(f, { parts: [{ ...f.piece.parts[0], tension: 3 }] })],
    ['piece.parts[0].kind', (f) => edit(f, { parts: [{ id: 'x', kind: 'felt' }] })],
    ['piece.closure.slot', (f) => edit(f, { closure: { ...f.piece.closure, slot: null } })],
    ['piece.wearer.wrist', (f) => edit(f, { wearer: { name: 'x', wrist: 18 } })],
    ['piece.strands', (f) => edit(f, { strands: [] })],
    ['piece.colour', (f) => edit(f, { colour: 'blue' })],
  ])('with a fault at %s are refused whole', async (path, change) => {
    const { id } = await first();
    const { body: file } = await api().get(`/api/pieces/${id}/file`);
    const count = async (): Promise<number> =>
      ((await api().get('/api/pieces')).body as PageView<PieceView>).total;
    const before = await count();
    const { body } = await api()
      .post('/api/pieces/import')
      .send(change(file as PieceFile) as object)
      .expect(422);
    expect((body.error.faults as { path: string }[]).map((f) => f.path)).toContain(path);
    expect(await count()).toBe(before);
  });
});

const edit = (file: PieceFile, more: object): unknown => ({
  ...file,
  piece: { ...file.piece, ...more },
});

describe('POST /api/plan', () => {
  it('answers as the core does, from an exported file', async () => {
    const { id, piece } = await first();
    const { body: file } = await api().get(`/api/pieces/${id}/file`);
    const { body: plan } = await api().post('/api/plan').send(file).expect(200);
    const { hand } = (await api().get('/api/hand')).body as HandView;
    expect(plan).toEqual(JSON.parse(JSON.stringify(planPiece(piece, hand))));
    expect((plan as Plan).strands).toHaveLength(2);
  });
  it('answers with advice when there is no plan', async () => {
    const { id } = await first();
    const { body: file } = await api().get(`/api/pieces/${id}/file`);
    const flame = edit(file as PieceFile, {
      strands: (file as PieceFile).piece.strands.map((strand) => ({
        ...strand,
        cord: { ...strand.cord, kind: 'hemp' },
      })),
    });
    const { body } = await api()
      .post('/api/plan')
      .send(flame as object)
      .expect(200);
    expect(body.ok).toBe(false);
    expect(body.advice[0].code).toBe('ends.flame');
  });
});
