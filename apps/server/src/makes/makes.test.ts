import { describe, expect, it } from '@jest/globals';
import type { HandView, MakePlanView, MakeView, PieceView } from '@coiled-strand/contract';
import { templateById, totalActions } from '@coiled-strand/core';
import { after, freshMake } from '../testing/fresh-make.js';
import { useTestApp } from '../testing/test-app.js';

const api = useTestApp();

describe('makes', () => {
  it('freeze the piece as it was planned', async () => {
    const make = await freshMake(api);
    await api()
      .put(`/api/pieces/${make.pieceId}`)
      .set('If-Match', '"1"')
      .send({ ...make.piece, wearer: { name: 'Someone else', wrist: 160 } })
      .expect(200);
    const { body } = await api().get(`/api/makes/${make.id}`).expect(200);
    expect((body as MakeView).piece.wearer.wrist).toBe(make.piece.wearer.wrist);
  });

  it('are begun once, however many windows begin', async () => {
    const make = await freshMake(api);
    const again = await Promise.all(
      [1, 2, 3].map(() => api().post(`/api/pieces/${make.pieceId}/makes`)),
    );
    expect(new Set(again.map((a) => (a.body as MakeView).id))).toEqual(new Set([make.id]));
  });

  it('keep their progress, within the actions there are', async () => {
    const make = await freshMake(api);
    const nine = await after(api, make, 9);
    await api().put(`/api/makes/${make.id}/progress`).send(nine).expect(200);
    const pieces = (await api().get('/api/pieces?sort=laid&limit=100')).body.items as PieceView[];
    expect(pieces.find((p) => p.id === make.pieceId)?.make).toEqual({
      id: make.id,
      reached: { ...make.reached, done: 9, parts: expect.anything() },
      piece: make.piece,
      hand: make.hand,
    });
    const { body } = await api()
      .put(`/api/makes/${make.id}/progress`)
      .send({ at: { ...nine.at, unit: 9999 } })
      .expect(422);
    expect(body.error.faults[0].path).toBe('at.unit');
    const nowhere = await api()
      .put(`/api/makes/${make.id}/progress`)
      .send({ at: { step: 'of-another-make', unit: 0 } })
      .expect(422);
    expect(nowhere.body.error.faults[0].path).toBe('at.step');
    const again = (await api().get(`/api/makes/${make.id}`)).body as MakeView;
    expect(again.at).toEqual(nine.at);
  });

  it('are logged with what was measured, and compare it', async () => {
    const make = await freshMake(api);
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
    expect(logged.outcome?.observations.map((o) => o.measure)).toEqual(['take-up', 'pitch']);
    await api()
      .put(`/api/makes/${make.id}/progress`)
      .send(await after(api, make, 1))
      .expect(409);
    const piece = (await api().get(`/api/pieces/${make.pieceId}`)).body as PieceView;
    expect(piece).toMatchObject({ make: null, logged: 1 });
  });

  it('refuse a log that cannot be', async () => {
    const make = await freshMake(api);
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

  it('stay in the book when their piece is put away, which says so', async () => {
    const make = await freshMake(api);
    const inBook = async (): Promise<MakeView | undefined> =>
      ((await api().get('/api/makes?limit=100').expect(200)).body.items as MakeView[]).find(
        ({ id }) => id === make.id,
      );
    expect((await inBook())?.putAway).toBe(false);
    await api().delete(`/api/pieces/${make.pieceId}`).expect(204);
    expect((await inBook())?.putAway).toBe(true);
    await api().post(`/api/pieces/${make.pieceId}/restore`).expect(204);
    expect((await inBook())?.putAway).toBe(false);
  });

  it('are given up and taken up again', async () => {
    const make = await freshMake(api);
    await api().post(`/api/makes/${make.id}/abandon`).expect(204);
    const other = (await api().post(`/api/pieces/${make.pieceId}/makes`)).body as MakeView;
    expect(other.id).not.toBe(make.id);
    await api().post(`/api/makes/${make.id}/resume`).expect(204);
    const makes = (await api().get(`/api/makes?piece=${make.pieceId}`)).body.items as MakeView[];
    expect(makes.map((m) => m.id)).toEqual([other.id, make.id]);
  });

  it('run side by side, each with a number of its own', async () => {
    const first = await freshMake(api);
    const begin = (how: object) =>
      api().post(`/api/pieces/${first.pieceId}/makes`).send(how).expect(200);
    const second = (await begin({ beside: true })).body as MakeView;
    expect([first.number, second.number]).toEqual([1, 2]);
    await api()
      .put(`/api/makes/${first.id}/progress`)
      .send(await after(api, first, 4))
      .expect(200);
    await api()
      .put(`/api/makes/${second.id}/progress`)
      .send(await after(api, second, 7))
      .expect(200);
    const makes = (await api().get(`/api/makes?piece=${first.pieceId}`)).body.items as MakeView[];
    expect(makes.map((m) => [m.number, m.reached.done])).toEqual([
      [2, 7],
      [1, 4],
    ]);
    const pieces = (await api().get('/api/pieces?sort=laid&limit=100')).body.items as PieceView[];
    expect(pieces.find((p) => p.id === first.pieceId)).toMatchObject({ underWay: 2 });
  });

  it('are made again as they were planned, whatever became of the piece', async () => {
    const make = await freshMake(api);
    await api()
      .put(`/api/pieces/${make.pieceId}`)
      .set('If-Match', '"1"')
      .send({ ...make.piece, name: 'Changed', wearer: { name: 'Someone else', wrist: 160 } })
      .expect(200);
    const { body } = await api()
      .post(`/api/pieces/${make.pieceId}/makes`)
      .send({ repeat: make.id })
      .expect(200);
    expect((body as MakeView).piece).toEqual(make.piece);
    expect((body as MakeView).id).not.toBe(make.id);
    const other = await freshMake(api);
    await api().post(`/api/pieces/${other.pieceId}/makes`).send({ repeat: make.id }).expect(404);
  });

  it('serve the plan and the steps they were begun with, whatever became of the piece', async () => {
    const make = await freshMake(api);
    const plan = async () =>
      (await api().get(`/api/makes/${make.id}/plan`).expect(200)).body as MakePlanView;
    const before = await plan();
    expect(before.steps[0]?.id).toBe(make.at.step);
    expect(totalActions(before.steps)).toBe(make.reached.total);
    expect(before.plan.strands).toHaveLength(make.piece.strands.length);
    await api()
      .put(`/api/pieces/${make.pieceId}`)
      .set('If-Match', '"1"')
      .send({ ...make.piece, wearer: { name: 'Someone else', wrist: 160 } })
      .expect(200);
    expect(await plan()).toEqual(before);
    await api().get('/api/makes/00000000-0000-4000-8000-000000000000/plan').expect(404);
  });

  it('take a log, a reason and progress that come at once one after the other', async () => {
    const make = await freshMake(api);
    const record = {
      cords: make.piece.strands.map(() => ({ cut: 2700, leftover: 420 })),
      length: 212,
      minutes: 48,
    };
    const place = await after(api, make, 3);
    const put = (what: string, body: object) =>
      api().put(`/api/makes/${make.id}/${what}`).send(body);
    const answers = await Promise.all([
      put('log', record),
      ...Array.from({ length: 8 }, () => put('set-aside', { reason: 'measured in a hurry' })),
      put('progress', { ...place, device: 'phone', seconds: { prepare: 5, tie: 0, finish: 0 } }),
    ]);
    expect(answers.every(({ status }) => status === 200 || status === 409)).toBe(true);
    const now = (await api().get(`/api/makes/${make.id}`)).body as MakeView;
    expect(now.record).toMatchObject(record);
    expect(now.setAside).toBe('measured in a hurry');
  });

  it('are begun by fifty callers at once, and all get the same one', async () => {
    const { piece } = (
      (await api().get('/api/pieces?sort=laid&limit=100')).body.items as PieceView[]
    )[0]!;
    const { body } = await api().post('/api/pieces').send(piece).expect(201);
    const begin = () =>
      api()
        .post(`/api/pieces/${(body as PieceView).id}/makes`)
        .send({});
    const answers = await Promise.all(Array.from({ length: 50 }, begin));
    expect(new Set(answers.map(({ status }) => status))).toEqual(new Set([200]));
    expect(new Set(answers.map((answer) => (answer.body as MakeView).id)).size).toBe(1);
  });
  it('say in the maker’s units what cannot be in a log', async () => {
    const make = await freshMake(api);
    const { body } = await api()
      .put(`/api/makes/${make.id}/log`)
      .send({
        cords: make.piece.strands.map(() => ({ cut: 304.8, leftover: 609.6 })),
        length: 212,
        minutes: 48,
      })
      .expect(422);
    expect(body.error.faults[0].message).toBe('more is left over (2 ft) than was cut (1 ft)');
  });

  it('keep what was measured in between and how the ends were, and the hand learns from it', async () => {
    const make = await freshMake(api);
    const { plan } = (await api().get(`/api/makes/${make.id}/plan`)).body as MakePlanView;
    const part = plan.parts[0]!;
    const record = {
      cords: plan.strands.map(({ cut, kept }) => ({ cut, leftover: cut - kept })),
      length: plan.fit.length,
      minutes: 48,
      between: {
        done: [{ part: part.id, units: Math.round(part.layout.units / 2) }],
        length: plan.fit.length / 2,
      },
      ends: { shortest: 25, was: 'enough' },
    };
    const log = (body: object, status: number) =>
      api().put(`/api/makes/${make.id}/log`).send(body).expect(status);
    const told = (await log(record, 200)).body as MakeView;
    expect(told.record).toEqual(record);
    const measures = told.outcome!.observations.map(({ measure }) => measure);
    expect(measures).toEqual(expect.arrayContaining(['take-up', 'ends']));
    const { hand } = (await api().get('/api/hand')).body as HandView;
    expect(hand.some(({ measure }) => measure === 'ends')).toBe(true);
    for (const [path, bad] of [
      ['ends.was', { ends: { shortest: 25, was: 'long' } }],
      ['ends.shortest', { ends: { shortest: [[]], was: 'enough' } }],
      ['between.done', { between: { done: [], length: 90 } }],
      ['between.done[0].part', { between: { done: [{ part: 7, units: 3 }], length: 90 } }],
    ] as const) {
      const { body } = await log({ ...record, ...bad }, 422);
      expect(body.error.faults[0].path).toBe(path);
    }
    expect(((await log({ ...record, between: null, ends: null }, 200)).body as MakeView).id).toBe(
      make.id,
    );
  });

  it('cannot begin on a piece that cannot be planned', async () => {
    const { piece } = (
      (await api().get('/api/pieces?sort=laid&limit=100')).body.items as PieceView[]
    )[0]!;
    const tiny = { ...piece, wearer: { name: 'x', wrist: 18 } };
    const { body } = await api().post('/api/pieces').send(tiny).expect(201);
    const answer = await api()
      .post(`/api/pieces/${(body as PieceView).id}/makes`)
      .expect(422);
    expect(answer.body.error.faults[0].path).toBe('wearer.wrist');
  });
  it('cannot begin on a piece that hands cannot make, and say at which step they stop', async () => {
    const hung = templateById('lariat').make({
      name: 'Bare',
      wearer: { name: 'x', wrist: 165, neck: 360 },
      cutting: { confidence: 0.95, step: 10, practice: 'practised' },
    });
    // A bead on a cord that nothing ends runs off.
    const bare = { ...hung, strands: hung.strands.slice(0, 1), parts: hung.parts.slice(1, 3) };
    const parts = bare.parts.map((part) =>
      part.kind === 'plain' ? { ...part, length: null } : { ...part, runs: [0] },
    );
    const { body } = await api()
      .post('/api/pieces')
      .send({ ...bare, parts })
      .expect(201);
    const answer = await api()
      .post(`/api/pieces/${(body as PieceView).id}/makes`)
      .expect(422);
    expect(answer.body.error.faults[0].message).toMatch(/^It cannot be made so. At “Trim/);
  });
});
