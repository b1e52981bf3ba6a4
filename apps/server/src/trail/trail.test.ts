import type {
  ForgottenWearerView,
  OrderView,
  PageView,
  PieceView,
  Stored,
  TrailView,
} from '@coiled-strand/contract';
import type { Wearer } from '@coiled-strand/core';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { DataSource } from 'typeorm';
import { as, memberOf, type Signed } from '../testing/people.js';
import { startTestApp, type TestApp } from '../testing/test-app.js';

let test: TestApp;
let owner: Signed;
let maker: Signed;
beforeAll(async () => {
  test = await startTestApp();
  ({ signed: owner } = await memberOf(test.app, 'owner', 'Olga'));
  ({ signed: maker } = await memberOf(test.app, 'maker', 'Mads'));
});
afterAll(() => test.close());
const of = (signed: Signed) => as(test.app, signed)();
const trail = async (): Promise<readonly TrailView[]> =>
  ((await of(owner).get('/api/trail?limit=50').expect(200)).body as PageView<TrailView>).items;

/** Every row of every table that holds a text. */
async function rowsWith(text: string): Promise<string[]> {
  const source = test.app.get(DataSource);
  const found: string[] = [];
  const tables = await source.query<{ name: string }[]>(
    `select table_name as name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE'`,
  );
  for (const { name } of tables) {
    const rows = await source.query<{ row: string }[]>(
      `select t::text as row from "${name}" t where t::text like $1`,
      [`%${text}%`],
    );
    found.push(...rows.map(({ row }) => `${name}: ${row.slice(0, 300)}`));
  }
  return found;
}

describe('the trail', () => {
  it('tells who did what to orders, stash and accounts, the last first', async () => {
    const order = {
      customer: 'Somebody New',
      contact: 'by the door',
      lines: [{ pieceId: null, what: 'a band', number: 1 }],
      promisedFor: null,
      price: 1000,
      paid: 0,
      note: 'rings twice',
    };
    const { id } = (await of(maker).post('/api/orders').send(order).expect(201)).body as OrderView;
    await of(maker).put(`/api/orders/${id}/state`).send({ state: 'ready' }).expect(200);
    const [lot] = (await of(maker).get('/api/lots?kind=cord')).body.items as { id: string }[];
    await of(maker)
      .post(`/api/lots/${lot!.id}/movements`)
      .send({ reason: 'used', amount: 1 })
      .expect(201);
    await of(owner).post('/api/people/invitations').send({ role: 'viewer' }).expect(201);
    const lines = await trail();
    expect(lines.slice(0, 4).map(({ who, did, more }) => [who, did, more])).toEqual([
      ['Olga', 'person.invited', 'viewer'],
      ['Mads', 'lot.moved', 'used'],
      ['Mads', 'order.state', 'ready'],
      ['Mads', 'order.added', null],
    ]);
    expect(lines[3]!.what).toBe('Somebody New');
    // What was refused left no line.
    await of(maker)
      .post(`/api/lots/${lot!.id}/movements`)
      .send({ reason: 'used', amount: 1e7 })
      .expect(409);
    expect(await trail()).toHaveLength(lines.length);
  });
  it('holds no name itself: who is forgotten is forgotten here as well', async () => {
    const orders = (await of(owner).get('/api/orders?state=all&q=somebody'))
      .body as PageView<OrderView>;
    const { customerId } = orders.items[0]!;
    await of(maker).get(`/api/customers/${customerId}/data`).expect(403);
    const kept = (await of(owner).get(`/api/customers/${customerId}/data`).expect(200)).body;
    expect(kept).toMatchObject({
      customer: { name: 'Somebody New', contact: 'by the door' },
      orders: [{ state: 'ready', priceInCents: 1000, note: 'rings twice' }],
    });
    await of(owner).post(`/api/customers/${customerId}/forget`).expect(204);
    for (const text of ['Somebody New', 'by the door', 'rings twice']) {
      expect(await rowsWith(text)).toEqual([]);
    }
    expect((await trail()).slice(0, 2).map(({ did }) => did)).toEqual([
      'customer.forgotten',
      'customer.exported',
    ]);
  });
});

describe('a wearer', () => {
  it('is handed out and forgotten: on the list, in pieces, in makes', async () => {
    const wearers = (await of(owner).get('/api/wearers')).body as Stored<Wearer>[];
    const tobias = wearers.find(({ value }) => value.name.startsWith('Tobias'))!;
    const kept = (await of(owner).get(`/api/wearers/${tobias.id}/data`).expect(200)).body as {
      pieces: { name: string }[];
      makes: object[];
    };
    expect(kept.pieces.map(({ name }) => name).sort()).toEqual(['Counterweight', 'Meridian']);
    expect(kept.makes.length).toBeGreaterThan(0);
    const meridian = async () =>
      ((await of(owner).get('/api/pieces?q=meridian')).body as PageView<PieceView>).items[0]!;
    const before = await meridian();
    const { body } = await of(owner).post(`/api/wearers/${tobias.id}/forget`).expect(200);
    expect(body).toMatchObject({ pieces: 2, makes: kept.makes.length });
    // What he ordered is a customer's, and forgotten there.
    // Words that the maker wrote are not changed, but named.
    const { mentions } = body as ForgottenWearerView;
    const found = (await rowsWith('Tobias')).filter((row) => !row.startsWith('customer:'));
    expect(found.length).toBeGreaterThan(0);
    for (const row of found) {
      const told = mentions.some(({ id }) => row.includes(id));
      expect(`${told} ${row}`).toMatch(/^true/);
    }
    const after = await meridian();
    // The girth stays: the cut list rests on it.
    expect(after.piece.wearer).toEqual({ name: 'Forgotten', wrist: 183, hand: 226 });
    expect(after.version).toBe(before.version + 1);
  });
});
