import { describe, expect, it } from '@jest/globals';
import {
  orderDtoOf,
  type JobsView,
  type MakePlanView,
  type MakeView,
  type OrderView,
  type PageView,
  type PieceView,
} from '@coiled-strand/contract';
import { useTestApp } from '../testing/test-app.js';

const api = useTestApp();

const pieceNamed = async (name: string): Promise<PieceView> =>
  ((await api().get(`/api/pieces?q=${name}`)).body as PageView<PieceView>).items[0]!;
const orderOf = (pieceId: string | null, number: number, more: object = {}) => ({
  customer: 'Somebody',
  contact: 'at the fair',
  lines: [{ pieceId, what: 'Orrery', number }],
  promisedFor: '2027-01-15',
  price: 4500,
  paid: 0,
  ...more,
});
const ordered = async (body: object): Promise<OrderView> =>
  (await api().post('/api/orders').send(body).expect(201)).body as OrderView;
const now = async ({ id }: Pick<OrderView, 'id'>): Promise<OrderView> =>
  (await api().get(`/api/orders/${id}`).expect(200)).body as OrderView;
const logged = async (make: MakeView): Promise<void> => {
  const { plan } = (await api().get(`/api/makes/${make.id}/plan`).expect(200)).body as MakePlanView;
  const cords = plan.strands.map(({ cut }) => ({ cut, leftover: 20 }));
  const record = { cords, length: plan.fit.length, minutes: 50 };
  await api().put(`/api/makes/${make.id}/log`).send(record).expect(200);
};

describe('an order', () => {
  it('goes from asked to ready as its makes are begun and logged', async () => {
    const { id: pieceId } = await pieceNamed('Orrery');
    const order = await ordered(orderOf(pieceId, 2, { promisedFor: null }));
    expect(order.state).toBe('asked');
    const { lines } = order.order;
    const promise = { ...orderDtoOf(order.order), promisedFor: '2027-01-20' };
    await api()
      .put(`/api/orders/${order.id}`)
      .set('If-Match', `"${order.etag}"`)
      .send(promise)
      .expect(200);
    expect((await now(order)).state).toBe('promised');
    const makes: MakeView[] = [];
    for (let n = 0; n < 2; n++) {
      const make = (
        await api().post(`/api/pieces/${pieceId}/makes`).send({ beside: true }).expect(200)
      ).body as MakeView;
      await api().put(`/api/makes/${make.id}/line`).send({ line: lines[0]!.id }).expect(200);
      makes.push(make);
    }
    const working = await now(order);
    expect(working.state).toBe('in-work');
    expect(working.order.lines[0]).toMatchObject({ made: 0, underWay: 2, id: lines[0]!.id });
    await logged(makes[0]!);
    expect((await now(order)).state).toBe('in-work');
    await logged(makes[1]!);
    expect(await now(order)).toMatchObject({ state: 'ready', order: { lines: [{ made: 2 }] } });
    await api().put(`/api/orders/${order.id}/state`).send({ state: 'handed-over' }).expect(200);
    const open = (await api().get('/api/orders')).body as PageView<OrderView>;
    expect(open.items.map(({ id }) => id)).not.toContain(order.id);
  });
  it('is asked for by what is due first, and found by who asked and for what', async () => {
    const { id: pieceId } = await pieceNamed('Orrery');
    await ordered(orderOf(pieceId, 1, { customer: 'Quinn Zephyr', promisedFor: '2026-11-30' }));
    const { items } = (await api().get('/api/orders?limit=100')).body as PageView<OrderView>;
    const due = items.map(({ order }) => order.promisedFor ?? '9999-12-31');
    expect(due).toEqual([...due].sort());
    const found = (await api().get('/api/orders?q=zephyr')).body as PageView<OrderView>;
    expect(found.items.map(({ order }) => order.customer)).toEqual(['Quinn Zephyr']);
    expect(((await api().get('/api/orders?q=perseid')).body as PageView<OrderView>).total).toBe(1);
  });
  it('keeps its figures when the customer is forgotten, and nothing else', async () => {
    const { id: pieceId } = await pieceNamed('Orrery');
    const order = await ordered(orderOf(pieceId, 1, { customer: 'Gone Soon', contact: '555' }));
    await api().post(`/api/customers/${order.customerId}/forget`).expect(204);
    const after = await now(order);
    expect(after).toMatchObject({
      forgotten: true,
      order: { customer: '', contact: '', price: 4500 },
    });
    expect(JSON.stringify((await api().get('/api/orders?limit=100&state=all')).body)).not.toContain(
      'Gone Soon',
    );
    // Changing the order does not bring the name back.
    const body = orderDtoOf(order.order);
    const put = (etag: string) =>
      api().put(`/api/orders/${order.id}`).set('If-Match', `"${etag}"`).send(body);
    await put(order.etag).expect(412);
    await put((await now(order)).etag).expect(200);
    expect((await now(order)).order.customer).toBe('');
  });
  it.each([
    [{ lines: [] }, 'lines'],
    [{ price: 12.5 }, 'price'],
    [{ paid: -1 }, 'paid'],
    [{ promisedFor: '2026-02-30' }, 'promisedFor'],
    [{ customer: '' }, 'customer'],
    [{ state: 'ready' }, 'state'],
    [
      { lines: [{ pieceId: '00000000-0000-4000-8000-000000000000', what: 'x', number: 1 }] },
      'lines[0].pieceId',
    ],
    [
      {
        lines: [
          { id: '00000000-0000-4000-8000-000000000000', pieceId: null, what: 'x', number: 1 },
        ],
      },
      'lines[0].id',
    ],
  ])('refuses %j by name', async (wrong, path) => {
    const { body } = await api()
      .post('/api/orders')
      .send(orderOf(null, 1, wrong))
      .expect(422);
    expect(body.error.faults[0].path).toBe(path);
  });
});

describe('what there is to do', () => {
  it('is every make under way and every piece that is ordered and not begun', async () => {
    const before = (await api().get('/api/jobs').expect(200)).body as JobsView;
    const curing = before.jobs.find(({ name }) => name === 'Plumb Line')!;
    expect(curing).toMatchObject({ customer: 'Ines Varga', waitsFor: 'the glue cures' });
    expect(Date.parse(curing.release!)).toBeGreaterThan(Date.now());
    expect(curing.tasks.every(({ what }) => what === 'finish')).toBe(true);
    const society = before.jobs.filter(({ customer }) => customer?.startsWith('Alder Rise'));
    expect(society).toHaveLength(6);
    expect(new Set(society.flatMap(({ tasks }) => tasks.map(({ id }) => id))).size).toBe(
      society.reduce((sum, { tasks }) => sum + tasks.length, 0),
    );
    expect(before.took.length).toBeGreaterThanOrEqual(2);
    expect(before.took.every(({ forecast, actual }) => forecast > 0 && actual > 0)).toBe(true);
    await ordered(orderOf(null, 3, { lines: [{ pieceId: null, what: 'A dream', number: 3 }] }));
    const after = (await api().get('/api/jobs').expect(200)).body as JobsView;
    expect(after.unplanned).toMatchObject([{ what: 'A dream', number: 3 }]);
  });
});
