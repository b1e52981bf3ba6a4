import { describe, expect, it } from '@jest/globals';
import type { DrawnKnotDto, KnotView, PieceView } from '@coiled-strand/contract';
import { templateById, type Plan } from '@coiled-strand/core';
import { drawnKnot } from '../testing/ground.js';
import { useTestApp } from '../testing/test-app.js';

const api = useTestApp();
const eight = drawnKnot();
const NOBODY = '00000000-0000-4000-8000-000000000000';

const kept = async (knot: DrawnKnotDto = eight): Promise<KnotView> =>
  (await api().post('/api/knots').send(knot).expect(201)).body as KnotView;
const faultsOf = (body: unknown): string[] =>
  (body as { error: { faults: { path: string }[] } }).error.faults.map(({ path }) => path);

describe('knots of the workshop’s own', () => {
  it('are kept with what was computed of them, and come back as they were', async () => {
    const { id, version } = await kept();
    expect(version).toBe(1);
    const { body } = await api().get(`/api/knots/${id}`).expect(200);
    expect((body as KnotView).value).toEqual(eight);
    const list = (await api().get('/api/knots').expect(200)).body as KnotView[];
    expect(list.map((knot) => knot.id)).toContain(id);
  });
  it('rise by a version with every change, and are not written over by who saw an older one', async () => {
    const { id } = await kept();
    const change = { ...eight, name: 'Tide', version: 1 };
    expect((await api().put(`/api/knots/${id}`).send(change).expect(200)).body.version).toBe(2);
    const late = await api().put(`/api/knots/${id}`).send(change).expect(409);
    expect(late.body.error.code).toBe('knot.changed');
    expect((await api().get(`/api/knots/${id}`)).body.value.name).toBe('Tide');
  });
  it('are changed by one of fifty at once', async () => {
    const { id } = await kept();
    const answers = await Promise.all(
      Array.from({ length: 50 }, (_, i) =>
        api()
          .put(`/api/knots/${id}`)
          .send({ ...eight, name: `Tide ${i}`, version: 1 }),
      ),
    );
    const good = answers.filter(({ status }) => status === 200);
    expect(good).toHaveLength(1);
    expect(answers.filter(({ status }) => status === 409)).toHaveLength(49);
    expect((await api().get(`/api/knots/${id}`)).body.version).toBe(2);
  });
  it('stay in a piece as they were when they were put in, also when they are gone', async () => {
    const { id, value, version } = await kept();
    const laid = templateById('focal-cord').make({
      name: 'With a knot',
      wearer: { name: 'x', wrist: 165 },
      cutting: { confidence: 0.95, step: 10, practice: 'practised' },
    });
    const [first, ...rest] = laid.parts;
    const piece = {
      ...laid,
      knots: [{ ...value, id: 'own', origin: id, version }],
      parts: [first, { id: 'tide', kind: 'own-knot', knot: 'own', units: 1, runs: null }, ...rest],
    };
    const added = (await api().post('/api/pieces').send(piece).expect(201)).body as PieceView;
    await api()
      .put(`/api/knots/${id}`)
      .send({ ...drawnKnot('overhand'), version })
      .expect(200);
    await api().delete(`/api/knots/${id}`).expect(204);
    await api().delete(`/api/knots/${id}`).expect(404);
    const file = (await api().get(`/api/pieces/${added.id}/file`).expect(200)).body;
    expect(file.piece.knots[0].board).toEqual(eight.board);
    // And in the file it goes to another workshop.
    const again = (await api().post('/api/pieces/import').send(file).expect(201)).body as PieceView;
    expect(again.piece.knots).toEqual(added.piece.knots);
    const plan = (await api().post('/api/plan').send(file)).body as Plan;
    expect(plan.strands[0]!.reasons.some(({ code }) => code === 'knot.own')).toBe(true);
  });
  it('teach a hand by a swatch of that very knot', async () => {
    const { id, value, version } = await kept();
    const [cord] = (await api().get('/api/cords')).body as { value: object }[];
    const swatch = {
      technique: 'own-knot',
      tension: 'even',
      cord: cord!.value,
      units: 5,
      length: 100,
      before: 1000,
      after: 600,
    };
    const without = await api().post('/api/swatches').send(swatch).expect(422);
    expect(faultsOf(without.body)).toEqual(['knot']);
    const knot = { ...value, id: 'swatch', origin: id, version };
    await api()
      .post('/api/swatches')
      .send({ ...swatch, knot })
      .expect(201);
    const known = (await api().get('/api/hand/known')).body as { technique: string }[];
    expect(known.map(({ technique }) => technique)).toContain(`own-knot:${id}`);
  });
  it('are not there for who asks for none, or for one of nobody', async () => {
    await api().get(`/api/knots/${NOBODY}`).expect(404);
    await api().get('/api/knots/overhand').expect(404);
    await api()
      .put(`/api/knots/${NOBODY}`)
      .send({ ...eight, version: 1 })
      .expect(404);
  });
  it.each<[string, string, (knot: DrawnKnotDto) => object]>([
    ['no name', 'name', (knot) => ({ ...knot, name: '' })],
    [
      'numbers of another drawing',
      'tight',
      (knot) => ({ ...knot, board: drawnKnot('overhand').board }),
    ],
    [
      'a length that its curve does not have',
      'tight',
      ({ tight, ...knot }) => ({
        ...knot,
        tight: { ...tight, size: { ...tight.size, uses: [{ value: 3, off: 0.01 }] } },
      }),
    ],
    [
      'lists in lists',
      'board.cords',
      (knot) => ({ ...knot, board: { ...knot.board, cords: [[[[]]]] } }),
    ],
    [
      'too many points',
      'board.cords',
      (knot) => ({
        ...knot,
        board: { ...knot.board, cords: [Array.from({ length: 121 }, (_, i) => [i, 0])] },
      }),
    ],
    [
      'five cords',
      'board.cords',
      (knot) => ({
        ...knot,
        board: {
          ...knot.board,
          cords: Array.from({ length: 5 }, () => [
            [0, 0],
            [1, 1],
          ]),
        },
      }),
    ],
    [
      'more crossings than can be drawn',
      'tight',
      (knot) => ({
        ...knot,
        board: {
          turned: [],
          cords: [
            Array.from({ length: 20 }, (_, i) => [i % 2 ? 9 : -9, i - 10]),
            Array.from({ length: 20 }, (_, i) => [i - 10, i % 2 ? 9 : -9]),
          ],
        },
      }),
    ],
    [
      'a place beyond all boards',
      'tight.curves',
      ({ tight, ...knot }) => ({
        ...knot,
        tight: {
          ...tight,
          curves: [
            [
              [0, 0, 0],
              [1e300, 0, 0],
            ],
          ],
        },
      }),
    ],
    [
      'a core that is no number',
      'board.cores',
      (knot) => ({ ...knot, board: { ...knot.board, cores: ['x'] } }),
    ],
    ['nothing computed', 'tight', ({ name, board }) => ({ name, board })],
  ])('are refused with %s', async (_, path, make) => {
    const before = ((await api().get('/api/knots')).body as unknown[]).length;
    const { body } = await api().post('/api/knots').send(make(eight)).expect(422);
    expect(faultsOf(body)).toContain(path);
    expect(((await api().get('/api/knots')).body as unknown[]).length).toBe(before);
  });
});
