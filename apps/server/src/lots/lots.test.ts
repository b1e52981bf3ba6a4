import { beforeAll, describe, expect, it } from '@jest/globals';
import type { LotView, MakeView, MovementView, PageView } from '@coiled-strand/contract';
import { useTestApp } from '../testing/test-app.js';

const api = useTestApp();

const CORD = {
  kind: 'cord',
  cord: {
    name: 'Test cord 2 mm',
    kind: 'nylon-cord',
    diameter: 2,
    colour: { name: 'teal', hex: '#1f6f6b' },
  },
} as const;

const takeIn = async (size: number, more: object = {}): Promise<LotView> => {
  const body = { thing: CORD, form: 'spool', size, lots: 1, cents: 900, ...more };
  const lots = (await api().post('/api/lots').send(body).expect(201)).body as LotView[];
  return lots[0]!;
};
const lotNow = async ({ id }: Pick<LotView, 'id'>): Promise<LotView> =>
  (await api().get(`/api/lots/${id}`).expect(200)).body as LotView;
const move = (lot: Pick<LotView, 'id'>, body: object) =>
  api().post(`/api/lots/${lot.id}/movements`).send(body);
const ledger = async ({ id }: Pick<LotView, 'id'>): Promise<readonly MovementView[]> =>
  ((await api().get(`/api/lots/${id}/movements?limit=100`)).body as PageView<MovementView>).items;
const page = async (query: string): Promise<PageView<LotView>> =>
  (await api().get(`/api/lots?${query}`).expect(200)).body as PageView<LotView>;

describe('a lot', () => {
  it('begins with what was bought, and is what its movements add up to', async () => {
    const lot = await takeIn(30_000, { dyeLot: 'T1', place: 'Shelf', boughtOn: '2026-11-03' });
    expect(lot).toMatchObject({ left: 30_000, whole: true, dyeLot: 'T1', cents: 900 });
    await move(lot, { reason: 'used', amount: 1200 }).expect(201);
    await move(lot, { reason: 'measured', amount: 28_000 }).expect(201);
    const now = await lotNow(lot);
    expect(now).toMatchObject({ left: 28_000, whole: false, size: 30_000 });
    const lines = await ledger(lot);
    expect(lines.map(({ reason, amount }) => [reason, amount])).toEqual([
      ['measured', -800],
      ['used', -1200],
      ['bought', 30_000],
    ]);
    expect(lines.reduce((sum, { amount }) => sum + amount, 0)).toBe(now.left);
  });
  it('comes several at once, and once where it is sent twice', async () => {
    const body = { thing: CORD, form: 'hank', size: 5000, lots: 3, cents: null };
    const send = () => api().post('/api/lots').set('Idempotency-Key', 'bought-once-1').send(body);
    const once = (await send().expect(201)).body as LotView[];
    const twice = (await send().expect(201)).body as LotView[];
    expect(once).toHaveLength(3);
    expect(twice.map(({ id }) => id).sort()).toEqual(once.map(({ id }) => id).sort());
  });
  it('is never below nothing, and says what is missing and what to do', async () => {
    const lot = await takeIn(1000);
    const { body } = await move(lot, { reason: 'used', amount: 1254 }).expect(409);
    expect(body.error).toMatchObject({ code: 'lot.too-little', short: 254, lot: { left: 1000 } });
    // In the maker’s unit for cord, which is feet here.
    expect(body.error.message).toContain('10 in');
    expect(body.error.remedy).toContain('another lot');
    expect(await ledger(lot)).toHaveLength(1);
  });
  it('is as before when a movement is undone, once', async () => {
    const lot = await takeIn(1000);
    const used = await move(lot, { reason: 'used', amount: 400 }).expect(201);
    const undo = () => api().post(`/api/movements/${used.body.movement}/undo`);
    await undo().expect(200);
    expect(await lotNow(lot)).toMatchObject({ left: 1000, whole: true });
    expect((await undo().expect(409)).body.error.code).toBe('movement.undone');
    const lines = await ledger(lot);
    expect(lines.map(({ reason, undone }) => [reason, undone])).toEqual([
      ['undone', false],
      ['used', true],
      ['bought', false],
    ]);
    // What was bought can only be undone while it is all there.
    await move(lot, { reason: 'lost', amount: 1 }).expect(201);
    const bought = lines.at(-1)!;
    await api().post(`/api/movements/${bought.id}/undo`).expect(409);
  });
  it('takes a movement that is sent twice once', async () => {
    const lot = await takeIn(1000);
    const send = () =>
      move(lot, { reason: 'used', amount: 300 }).set('Idempotency-Key', `used-${lot.id}`);
    await Promise.all([send(), send(), send()]);
    expect((await lotNow(lot)).left).toBe(700);
  });
  it('is not overdrawn by fifty who cut from it at the same time', async () => {
    const lot = await takeIn(10_000);
    const answers = await Promise.all(
      Array.from({ length: 50 }, () => move(lot, { reason: 'used', amount: 330 })),
    );
    const done = answers.filter(({ status }) => status === 201).length;
    expect(done).toBe(30);
    expect(answers.filter(({ status }) => status === 409)).toHaveLength(20);
    expect((await lotNow(lot)).left).toBeCloseTo(100, 6);
  });
  it('keeps what is known of it, and no number can be written over', async () => {
    const lot = await takeIn(1000, { dyeLot: 'A' });
    const about = { form: 'spool', place: 'Drawer 3', tare: 41.5, grams: 2.4, useful: 120 };
    const put = (body: object) =>
      api().put(`/api/lots/${lot.id}`).set('If-Match', `"${lot.etag}"`).send(body);
    const changed = await put(about).expect(200);
    expect(changed.body).toMatchObject({ ...about, dyeLot: null, left: 1000 });
    const { body } = await put({ ...about, left: 5 }).expect(422);
    expect(body.error.faults[0].path).toBe('left');
  });
  it.each([
    [{ reason: 'cut', amount: 1 }, 'reason'],
    [{ reason: 'used', amount: -1 }, 'amount'],
    [{ reason: 'used', amount: 1e9 }, 'amount'],
    [{ reason: 'used' }, 'amount'],
  ])('refuses %j by name', async (body, path) => {
    const lot = await takeIn(100);
    const answer = await move(lot, body).expect(422);
    expect(answer.body.error.faults[0].path).toBe(path);
  });
});

describe('a make', () => {
  let make: MakeView;
  beforeAll(async () => {
    make = ((await api().get('/api/makes?state=logged')).body as PageView<MakeView>).items[0]!;
  });
  it('takes what was cut, and gives back its offcuts, each worth its share', async () => {
    const lot = await takeIn(10_000, { dyeLot: 'B', cents: 1000 });
    const body = {
      make: make.id,
      cords: [{ strand: 1, lot: lot.id, cut: 2000, offcuts: [400, 350] }],
    };
    const offcuts = (await api().post('/api/lots/from-make').send(body).expect(201))
      .body as LotView[];
    expect((await lotNow(lot)).left).toBe(8000);
    expect(offcuts.map(({ left, cents }) => [left, cents])).toEqual([
      [400, 40],
      [350, 35],
    ]);
    expect(offcuts[0]).toMatchObject({ form: 'offcut', parent: lot.id, dyeLot: 'B', whole: false });
    const [cut] = await ledger(lot);
    expect(cut).toMatchObject({ reason: 'cut', make: { id: make.id }, strand: 1 });
    // What stands in the ledger is not taken twice.
    await api().post('/api/lots/from-make').send(body).expect(201);
    expect((await lotNow(lot)).left).toBe(8000);
  });
});

describe('the drawers', () => {
  it('are searched, sorted and counted', async () => {
    const lot = await takeIn(70, { place: 'Under the window', dyeLot: 'Zeta-9' });
    expect((await page('q=zeta-9 WINDOW teal')).items.map(({ id }) => id)).toEqual([lot.id]);
    const least = (await page('sort=least&limit=100')).items.map(({ left }) => left);
    expect(least).toEqual([...least].sort((a, b) => a - b));
    const beads = (await page('kind=bead&limit=100')).items;
    expect(beads.length).toBeGreaterThan(3);
    expect(beads.every(({ thing }) => thing.kind === 'bead')).toBe(true);
    await move(lot, { reason: 'given-away', amount: 70 }).expect(201);
    expect((await page('q=zeta-9')).total).toBe(0);
    expect((await page('q=zeta-9&state=used-up')).total).toBe(1);
  });
  it('give every lot of some things that is left', async () => {
    const lot = await takeIn(80);
    const ofThings = async (things: readonly string[]) =>
      (await api().post('/api/lots/of-things').send({ things }).expect(200)).body as LotView[];
    const found = await ofThings([lot.key]);
    expect(found.map(({ id }) => id)).toContain(lot.id);
    expect(found.every(({ key, left }) => key === lot.key && left > 0)).toBe(true);
    expect(await ofThings([])).toEqual([]);
  });
});
