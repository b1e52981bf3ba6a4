import { describe, expect, it } from '@jest/globals';
import { parse } from 'csv-parse/sync';
import type {
  LotView,
  PageView,
  ShoppingItemView,
  ShoppingTotalsView,
} from '@coiled-strand/contract';
import { thingKey, type Thing } from '@coiled-strand/workshop';
import { useTestApp } from '../testing/test-app.js';

const api = useTestApp();

const finding = (name: string) => ({ kind: 'finding', name });
const itemOf = (name: string, more: object = {}) => ({
  thing: finding(name),
  label: 'pack of 22',
  size: 22,
  cents: 240,
  count: 2,
  ...more,
});
const add = async (...items: object[]): Promise<ShoppingItemView[]> =>
  (await api().post('/api/shopping').send({ items }).expect(201)).body as ShoppingItemView[];
const page = async (query = ''): Promise<PageView<ShoppingItemView>> =>
  (await api().get(`/api/shopping${query}`).expect(200)).body as PageView<ShoppingItemView>;
const list = async (): Promise<readonly ShoppingItemView[]> => (await page('?limit=100')).items;

describe('the list to buy by', () => {
  it('is ticked, and what came goes into the stash with its price', async () => {
    const all = await add(itemOf('Test ring'));
    const one = all.find(
      ({ item }) => item.thing.kind === 'finding' && item.thing.name === 'Test ring',
    )!;
    const ticked = await api().put(`/api/shopping/${one.id}`).send({ ticked: true }).expect(200);
    expect(ticked.body).toMatchObject({ id: one.id, ticked: true });
    const came = { form: 'pack', place: 'Tray', count: 1, cents: 250, boughtOn: '2026-11-26' };
    const lots = (await api().post(`/api/shopping/${one.id}/arrived`).send(came).expect(201))
      .body as LotView[];
    expect(lots).toMatchObject([{ left: 22, size: 22, cents: 250, whole: true, place: 'Tray' }]);
    expect((await list()).find(({ id }) => id === one.id)!.arrived).toBe(1);
    await api().post(`/api/shopping/${one.id}/arrived`).send(came).expect(201);
    expect((await list()).some(({ id }) => id === one.id)).toBe(false);
  });
  it('reads in a spreadsheet as it was written, and no formula in it is live', async () => {
    const nasty = 'Rings, "small"\nand = large';
    await add(itemOf(nasty, { note: '=1+1' }), itemOf('+44', { note: '@SUM(A1)', label: '-2' }));
    const { text, headers } = await api().get('/api/shopping/csv').expect(200);
    expect(headers['content-type']).toContain('text/csv');
    const rows = parse<Record<string, string>>(text, { columns: true, bom: true });
    const row = rows.find((one) => one['What'] === nasty)!;
    expect(row).toMatchObject({
      'How many': '2',
      'Price of one (€)': '2.40',
      'Together (€)': '4.80',
    });
    // A spreadsheet takes what begins with = + - @ for a formula, unless an apostrophe stands before it.
    const cells = rows.flatMap((one) => Object.values(one));
    expect(cells.filter((cell) => /^[=+\-@\t\r]/.test(cell))).toEqual([]);
    expect(row['For']).toBe("'=1+1");
    const [first] = rows;
    expect(first!['In one']).toContain('ft');
  });
  it('forgets a line that is struck out', async () => {
    const all = await add(itemOf('Not this'));
    const { id } = all.at(-1)!;
    await api().delete(`/api/shopping/${id}`).expect(204);
    expect((await list()).some((one) => one.id === id)).toBe(false);
    await api().put(`/api/shopping/${id}`).send({ ticked: true }).expect(404);
  });
  it('comes in pages, and in sums; a write answers with what it wrote', async () => {
    const totals = async () =>
      (await api().get('/api/shopping/totals').expect(200)).body as ShoppingTotalsView;
    const before = await totals();
    const { total } = await page();
    const many = Array.from({ length: 70 }, (_, i) =>
      itemOf('Paged ring', { label: `pack ${i}`, size: 10, cents: i === 0 ? null : 100, count: 3 }),
    );
    const wrote = await add(...many);
    expect(wrote.map(({ item }) => item.label)).toEqual(many.map(({ label }) => label));
    const first = await page('?limit=40');
    expect([first.items.length, first.total]).toEqual([40, total + 70]);
    const seen = [...first.items];
    for (let next = first.next; next !== null;) {
      const more = await page(`?limit=40&after=${next}`);
      seen.push(...more.items);
      next = more.next;
    }
    expect(seen.map(({ id }) => id).slice(-70)).toEqual(wrote.map(({ id }) => id));
    const after = await totals();
    expect(after.cents - before.cents).toBe(69 * 300);
    expect(after.unpriced).toBe(true);
    const key = thingKey(finding('Paged ring') as Thing);
    expect(after.coming.find((one) => one.key === key)?.amount).toBe(70 * 30);
    await api()
      .post(`/api/shopping/${wrote[1]!.id}/arrived`)
      .send({ form: 'pack', count: 2, cents: 100, boughtOn: '2026-11-26' })
      .expect(201);
    expect((await totals()).coming.find((one) => one.key === key)?.amount).toBe(70 * 30 - 20);
  });

  it('takes in no more than was to come', async () => {
    const [one] = await add(itemOf('Three rings', { count: 3 }));
    const came = (count: number) =>
      api()
        .post(`/api/shopping/${one!.id}/arrived`)
        .send({ form: 'pack', count, cents: 100, boughtOn: '2026-11-26' });
    await came(2).expect(201);
    const refused = await came(2).expect(409);
    expect(refused.body.error).toMatchObject({ code: 'shopping.arrived' });
    expect(refused.body.error.message).toContain('Only 1 more');
    await came(1).expect(201);
    await came(1).expect(409);
  });
});
