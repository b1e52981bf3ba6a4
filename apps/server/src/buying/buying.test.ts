import { describe, expect, it } from '@jest/globals';
import { parse } from 'csv-parse/sync';
import type { LotView, ShoppingItemView } from '@coiled-strand/contract';
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
const list = async (): Promise<ShoppingItemView[]> =>
  (await api().get('/api/shopping').expect(200)).body as ShoppingItemView[];

describe('the list to buy by', () => {
  it('is ticked, and what came goes into the stash with its price', async () => {
    const all = await add(itemOf('Test ring'));
    const one = all.find(
      ({ item }) => item.thing.kind === 'finding' && item.thing.name === 'Test ring',
    )!;
    const ticked = await api().put(`/api/shopping/${one.id}`).send({ ticked: true }).expect(200);
    expect((ticked.body as ShoppingItemView[]).find(({ id }) => id === one.id)!.ticked).toBe(true);
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
});
