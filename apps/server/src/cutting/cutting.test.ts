import { describe, expect, it } from '@jest/globals';
import type {
  CutDto,
  CutForView,
  CuttingSummary,
  CuttingView,
  LotView,
  MakeView,
  PageView,
} from '@coiled-strand/contract';
import { useTestApp } from '../testing/test-app.js';

const api = useTestApp();

const cord = (name: string) => ({
  kind: 'cord',
  cord: { name, kind: 'hemp', diameter: 1, colour: { name: 'straw', hex: '#b59b6a' } },
});
const lotOf = async (size: number, name = 'Test hemp'): Promise<LotView> => {
  const body = { thing: cord(name), form: 'spool', size, lots: 1, cents: null };
  return ((await api().post('/api/lots').send(body).expect(201)).body as LotView[])[0]!;
};
const cutOf = ({ key }: LotView, id: string, length: number): CutDto => ({
  id,
  thing: key,
  cord: 'Test hemp',
  colour: '#b59b6a',
  length,
  piece: 'Comet',
  copy: 1,
  role: 'Core',
});
const begun = async (lot: LotView, cuts: readonly CutDto[]): Promise<CuttingView> => {
  const lots = [{ lot: lot.id, cuts: cuts.map(({ id }) => id) }];
  const body = { name: 'Evening', cuts, lots, proof: { kind: 'proven' } };
  return (await api().post('/api/cuttings').send(body).expect(201)).body as CuttingView;
};
const tick = (session: CuttingView, cut: string, body: object) =>
  api().put(`/api/cuttings/${session.id}/cuts/${cut}`).send(body);
const left = async ({ id }: LotView): Promise<number> =>
  ((await api().get(`/api/lots/${id}`)).body as LotView).left;

describe('a make after its cords were cut in a session', () => {
  it('takes nothing from the stash a second time, and gives its offcut back', async () => {
    const lot = await lotOf(5000);
    const { items } = (await api().get('/api/makes?state=logged')).body as PageView<MakeView>;
    const { id: make, pieceId } = items[0]!;
    const session = await begun(lot, [
      { ...cutOf(lot, 'a', 1000), pieceId, strand: 1 },
      { ...cutOf(lot, 'b', 1000), pieceId, strand: 1, copy: 2 },
    ]);
    for (const cut of ['a', 'b']) {
      await tick(session, cut, { lot: lot.id, length: 1000 }).expect(200);
    }
    const cutFor = async () =>
      (await api().get(`/api/lots/cut-for/${make}`).expect(200)).body as CutForView[];
    const name = { cutting: { id: session.id, name: 'Evening' }, lot: lot.id, length: 1000 };
    expect((await cutFor()).filter((one) => one.lot === lot.id)).toMatchObject([
      { strand: 1, cut: 'a', ...name },
      { strand: 1, cut: 'b', ...name },
    ]);
    const body = { make, cords: [{ strand: 1, lot: lot.id, cut: 1000, offcuts: [350] }] };
    await api().post('/api/lots/from-make').send(body).expect(201);
    expect(await left(lot)).toBe(3000);
    // The other of the two is for the next make of the piece.
    expect((await cutFor()).filter((one) => one.lot === lot.id)).toMatchObject([{ cut: 'b' }]);
    await api().post('/api/lots/from-make').send(body).expect(201);
    expect(await left(lot)).toBe(3000);
  });
});

describe('a cutting session', () => {
  it('is ticked off into the ledger, as it was cut, and a cut can come back', async () => {
    const lot = await lotOf(5000);
    const session = await begun(lot, [cutOf(lot, 'a', 1200), cutOf(lot, 'b', 800)]);
    const made = (await tick(session, 'a', { lot: lot.id, length: 1210 }).expect(200))
      .body as CuttingView;
    expect(made.made).toMatchObject([{ cut: 'a', lot: lot.id, length: 1210 }]);
    expect(await left(lot)).toBe(3790);
    await api().post(`/api/movements/${made.made[0]!.movement}/undo`).expect(200);
    const after = (await api().get(`/api/cuttings/${session.id}`)).body as CuttingView;
    expect(after.made).toEqual([]);
    expect(await left(lot)).toBe(5000);
    const { items } = (await api().get('/api/cuttings')).body as PageView<CuttingSummary>;
    expect(items[0]).toMatchObject({ id: session.id, cuts: 2, made: 0 });
  });
  it('ticks a cut once, however many tick it', async () => {
    const lot = await lotOf(5000);
    const session = await begun(lot, [cutOf(lot, 'a', 1000)]);
    await Promise.all(
      Array.from({ length: 20 }, () =>
        tick(session, 'a', { lot: lot.id, length: 1000 }).expect(200),
      ),
    );
    expect(await left(lot)).toBe(4000);
  });
  it('two sessions that cut from one lot at the same time never overdraw it', async () => {
    const lot = await lotOf(1500);
    const sessions = await Promise.all([
      begun(lot, [cutOf(lot, 'a', 1000)]),
      begun(lot, [cutOf(lot, 'a', 1000)]),
    ]);
    const answers = await Promise.all(
      sessions.map((session) => tick(session, 'a', { lot: lot.id, length: 1000 })),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
    expect(await left(lot)).toBe(500);
  });
  it('takes nothing from another cord, nothing unknown, and nothing once it is closed', async () => {
    const lot = await lotOf(1500);
    const other = await lotOf(1500, 'Other hemp');
    const session = await begun(lot, [cutOf(lot, 'a', 100)]);
    const refused = await tick(session, 'a', { lot: other.id, length: 100 }).expect(409);
    expect(refused.body.error.code).toBe('cutting.other-cord');
    await tick(session, 'x', { lot: lot.id, length: 100 }).expect(404);
    await api().post(`/api/cuttings/${session.id}/close`).expect(200);
    const closed = await tick(session, 'a', { lot: lot.id, length: 100 }).expect(409);
    expect(closed.body.error.code).toBe('cutting.closed');
    expect([await left(lot), await left(other)]).toEqual([1500, 1500]);
  });
  it('cuts each cut from one lot', async () => {
    const lot = await lotOf(1500);
    const cuts = [cutOf(lot, 'a', 100)];
    const send = (body: object) =>
      api()
        .post('/api/cuttings')
        .send({ name: 'x', cuts, proof: { kind: 'proven' }, ...body });
    await send({ lots: [{ lot: lot.id, cuts: ['a', 'a'] }] }).expect(422);
    await send({ lots: [{ lot: lot.id, cuts: ['b'] }] }).expect(422);
    await send({ cuts: [...cuts, ...cuts], lots: [] }).expect(422);
    await send({ lots: [] }).expect(201);
  });
});
