import { describe, expect, it } from '@jest/globals';
import type { MakeView, PieceView } from '@coiled-strand/contract';
import { useTestApp } from '../testing/test-app.js';

const api = useTestApp();

const freshMake = async (): Promise<MakeView> => {
  const pieces = (await api().get('/api/pieces')).body as PieceView[];
  const copy = await api().post('/api/pieces').send(pieces[0]?.piece);
  const id = (copy.body as PieceView).id;
  return (await api().post(`/api/pieces/${id}/makes`).expect(200)).body as MakeView;
};

describe('makes', () => {
  it('freeze the piece as it was planned', async () => {
    const make = await freshMake();
    await api()
      .put(`/api/pieces/${make.pieceId}`)
      .set('If-Match', '"1"')
      .send({ ...make.piece, wearer: { name: 'Someone else', wrist: 160 } })
      .expect(200);
    const { body } = await api().get(`/api/makes/${make.id}`).expect(200);
    expect((body as MakeView).piece.wearer.wrist).toBe(make.piece.wearer.wrist);
  });

  it('are begun once, however many windows begin', async () => {
    const make = await freshMake();
    const again = await Promise.all(
      [1, 2, 3].map(() => api().post(`/api/pieces/${make.pieceId}/makes`)),
    );
    expect(new Set(again.map((a) => (a.body as MakeView).id))).toEqual(new Set([make.id]));
  });

  it('keep their progress, within the actions there are', async () => {
    const make = await freshMake();
    await api().put(`/api/makes/${make.id}/progress`).send({ done: 9 }).expect(200);
    const pieces = (await api().get('/api/pieces')).body as PieceView[];
    expect(pieces.find((p) => p.id === make.pieceId)?.make).toEqual({
      id: make.id,
      done: 9,
      total: make.total,
      piece: make.piece,
    });
    const { body } = await api()
      .put(`/api/makes/${make.id}/progress`)
      .send({ done: make.total + 1 })
      .expect(422);
    expect(body.error.faults[0].path).toBe('done');
  });

  it('are logged with what was measured, and compare it', async () => {
    const make = await freshMake();
    const record = {
      cords: [
        { cut: 660, leftover: 90 },
        { cut: 2700, leftover: 420 },
      ],
      length: 212,
      minutes: 48,
    };
    const { body } = await api().put(`/api/makes/${make.id}/log`).send(record).expect(200);
    const logged = body as MakeView;
    expect(logged.loggedAt).not.toBeNull();
    expect(logged.outcome?.cords[1]?.actual).toBe(2280);
    expect(logged.outcome?.takeUp).toBeGreaterThan(0.5);
    await api().put(`/api/makes/${make.id}/progress`).send({ done: 1 }).expect(409);
    const piece = (await api().get(`/api/pieces/${make.pieceId}`)).body as PieceView;
    expect(piece).toMatchObject({ make: null, logged: 1 });
  });

  it('refuse a log that cannot be', async () => {
    const make = await freshMake();
    const log = (cords: object[]) =>
      api().put(`/api/makes/${make.id}/log`).send({ cords, length: 200, minutes: 5 }).expect(422);
    const much = await log([
      { cut: 100, leftover: 200 },
      { cut: 100, leftover: 0 },
    ]);
    expect(much.body.error.faults[0].path).toBe('cords[0].leftover');
    const few = await log([{ cut: 100, leftover: 10 }]);
    expect(few.body.error.faults[0].path).toBe('cords');
  });

  it('are given up and taken up again', async () => {
    const make = await freshMake();
    await api().post(`/api/makes/${make.id}/abandon`).expect(204);
    const other = (await api().post(`/api/pieces/${make.pieceId}/makes`)).body as MakeView;
    expect(other.id).not.toBe(make.id);
    await api().post(`/api/makes/${make.id}/resume`).expect(204);
    const back = (await api().post(`/api/pieces/${make.pieceId}/makes`)).body as MakeView;
    expect(back.id).toBe(make.id);
  });

  it('cannot begin on a piece that cannot be planned', async () => {
    const { piece } = ((await api().get('/api/pieces')).body as PieceView[])[0]!;
    const tiny = { ...piece, wearer: { name: 'x', wrist: 18 } };
    const { body } = await api().post('/api/pieces').send(tiny).expect(201);
    const answer = await api()
      .post(`/api/pieces/${(body as PieceView).id}/makes`)
      .expect(422);
    expect(answer.body.error.faults[0].path).toBe('wearer.wrist');
  });
});
