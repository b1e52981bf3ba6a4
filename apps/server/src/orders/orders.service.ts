import {
  orderDtoOf,
  type OrderDto,
  type OrderLineDto,
  type OrderSort,
  type OrderState,
  type OrdersQueryDto,
  type OrderView,
  type PageView,
} from '@coiled-strand/contract';
import { Injectable } from '@nestjs/common';
import { DataSource, In, IsNull, type EntityManager } from 'typeorm';
import { invalid, notFound } from '../errors/app-error.js';
import { contentTag, refuseStale } from '../http/etag.js';
import { pageOf, type Order } from '../rows/page-of.js';
import { PieceRow } from '../rows/piece.entity.js';
import { CustomerRow, OrderLineRow, OrderRow } from '../rows/week.entities.js';
import { writeAuditEntry } from '../trail/audit-entry.js';
import { CurrentWorkshop } from '../workshop/current-workshop.js';
import { countMakes } from './line-progress.js';

const ORDERS: Readonly<Record<OrderSort, Order>> = {
  due: { by: 'due' },
  asked: { by: 'createdAt', descending: true },
};

@Injectable()
export class OrdersService {
  constructor(
    private readonly dataSource: DataSource,
    private readonly workshop: CurrentWorkshop,
  ) {}

  async page({
    q,
    state = 'open',
    sort = 'due',
    ...page
  }: OrdersQueryDto): Promise<PageView<OrderView>> {
    const workshopId = await this.workshop.id();
    const query = this.dataSource
      .getRepository(OrderRow)
      .createQueryBuilder('ordered')
      .where('ordered.workshop_id = :workshopId', { workshopId });
    if (state !== 'all') query.andWhere('ordered.closed = :closed', { closed: state === 'closed' });
    for (const [i, word] of (q ?? '').toLowerCase().split(/\s+/).filter(Boolean).entries()) {
      query.andWhere(
        `(exists (select from customer c where c.id = ordered.customer_id and lower(c.name) like :w${i})
         or exists (select from order_line l where l.order_id = ordered.id and lower(l.what) like :w${i}))`,
        { [`w${i}`]: `%${word.replace(/[\\%_]/g, '\\$&')}%` },
      );
    }
    const { rows, ...rest } = await pageOf(query, ORDERS[sort], page);
    return { items: await this.views(this.dataSource.manager, rows), ...rest };
  }

  async get(id: string): Promise<OrderView> {
    const workshopId = await this.workshop.id();
    const row = await this.dataSource.manager.findOneBy(OrderRow, { id, workshopId });
    if (!row) throw notFound('order');
    return this.one(this.dataSource.manager, row);
  }

  async add(order: OrderDto): Promise<OrderView> {
    const workshopId = await this.workshop.id();
    return this.dataSource.transaction(async (manager) => {
      const row = await manager.save(
        OrderRow,
        manager.create(OrderRow, {
          workshopId,
          customerId: await customerOf(manager, workshopId, order),
          state: order.promisedFor === null ? 'asked' : 'promised',
          ...figuresOf(order),
          changedAt: new Date(),
        }),
      );
      await this.keepLines(manager, row, order.lines);
      await writeAuditEntry(manager, 'order.added', { subject: row.id });
      return this.one(manager, row);
    });
  }

  /**
   * @param seen If-Match of the change
   * @throws AppError 412 where it was changed since, 428 where nothing says what was seen
   */
  async change(id: string, order: OrderDto, seen: string | undefined): Promise<OrderView> {
    const workshopId = await this.workshop.id();
    return this.dataSource.transaction(async (manager) => {
      const row = await locked(manager, workshopId, id);
      const now = await this.one(manager, row);
      refuseStale(seen, now.etag, now);
      const customer = await manager.findOneByOrFail(CustomerRow, { id: row.customerId });
      // The name of somebody who was forgotten is not written down again by the way.
      if (customer.forgottenAt === null) {
        const { name, contact } = customerFrom(order);
        await manager.update(CustomerRow, { id: customer.id }, { name, contact });
      }
      const promised = order.promisedFor !== null && row.state === 'asked';
      const changes = {
        ...figuresOf(order),
        ...(promised ? { state: 'promised' as const } : {}),
        changedAt: new Date(),
      };
      await manager.update(OrderRow, { id }, changes);
      await this.keepLines(manager, row, order.lines);
      await writeAuditEntry(manager, 'order.changed', { subject: id });
      return this.one(manager, { ...row, ...changes });
    });
  }

  async setState(id: string, state: OrderState): Promise<OrderView> {
    const workshopId = await this.workshop.id();
    return this.dataSource.transaction(async (manager) => {
      const row = await locked(manager, workshopId, id);
      const changes = { state, changedAt: new Date() };
      await manager.update(OrderRow, { id }, changes);
      await writeAuditEntry(manager, 'order.state', { subject: id, more: state });
      return this.one(manager, { ...row, ...changes });
    });
  }

  /** The lines as they are now wanted; what is made for one that stays goes on belonging to it. */
  private async keepLines(
    manager: EntityManager,
    { id: orderId, workshopId }: OrderRow,
    lines: readonly OrderLineDto[],
  ): Promise<void> {
    await refuseStrangePieces(manager, workshopId, lines);
    const before = await manager.findBy(OrderLineRow, { orderId });
    const known = new Set(before.map(({ id }) => id));
    const stranger = lines.findIndex(({ id }) => id !== undefined && !known.has(id));
    if (stranger >= 0) {
      throw invalid(
        [{ path: `lines[${stranger}].id`, message: 'is no line of this order' }],
        'The order',
      );
    }
    const kept = new Set(lines.flatMap(({ id }) => id ?? []));
    const gone = before.filter(({ id }) => !kept.has(id)).map(({ id }) => id);
    if (gone.length > 0) await manager.delete(OrderLineRow, { id: In(gone) });
    for (const [place, { id, pieceId, what, size, colour, number }] of lines.entries()) {
      const values = { place, pieceId, what, size: size ?? '', colour: colour ?? '', number };
      if (id !== undefined) await manager.update(OrderLineRow, { id }, values);
      else {
        await manager.save(
          OrderLineRow,
          manager.create(OrderLineRow, { workshopId, orderId, ...values }),
        );
      }
    }
  }

  private async one(manager: EntityManager, row: OrderRow): Promise<OrderView> {
    const [view] = await this.views(manager, [row]);
    return view!;
  }

  private async views(manager: EntityManager, rows: readonly OrderRow[]): Promise<OrderView[]> {
    if (rows.length === 0) return [];
    const customers = await manager.findBy(CustomerRow, {
      id: In(rows.map(({ customerId }) => customerId)),
    });
    const lines = await manager.find(OrderLineRow, {
      where: { orderId: In(rows.map(({ id }) => id)) },
      order: { place: 'ASC' },
    });
    const counts = await countMakes(
      manager,
      lines.map(({ id }) => id),
    );
    return rows.map((row): OrderView => {
      const customer = customers.find(({ id }) => id === row.customerId)!;
      const order = {
        customer: customer.name,
        contact: customer.contact,
        promisedFor: row.promisedFor,
        price: row.price,
        paid: row.paid,
        note: row.note,
        lines: lines
          .filter(({ orderId }) => orderId === row.id)
          .map(({ id, pieceId, what, size, colour, number }) => {
            const { made = 0, underWay = 0 } = counts.find(({ line }) => line === id) ?? {};
            return { id, pieceId, what, size, colour, number, made, underWay };
          }),
      };
      return {
        id: row.id,
        state: row.state,
        customerId: row.customerId,
        forgotten: customer.forgottenAt !== null,
        askedAt: row.createdAt.toISOString(),
        changedAt: row.changedAt.toISOString(),
        order,
        etag: contentTag(orderDtoOf(order)),
      };
    });
  }
}

const figuresOf = ({ promisedFor, price, paid, note }: OrderDto) => ({
  promisedFor,
  price,
  paid,
  note: note ?? '',
});

const customerFrom = ({ customer, contact }: OrderDto) => ({
  name: customer.trim(),
  contact: contact?.trim() ?? '',
});

/** Somebody of this name who is reached in the same way is the same person. */
async function customerOf(
  manager: EntityManager,
  workshopId: string,
  order: OrderDto,
): Promise<string> {
  const about = customerFrom(order);
  const known = await manager.findOneBy(CustomerRow, {
    workshopId,
    ...about,
    forgottenAt: IsNull(),
  });
  if (known) return known.id;
  const row = manager.create(CustomerRow, { workshopId, ...about, forgottenAt: null });
  return (await manager.save(CustomerRow, row)).id;
}

async function locked(manager: EntityManager, workshopId: string, id: string): Promise<OrderRow> {
  const found = await manager.findOne(OrderRow, {
    where: { id, workshopId },
    lock: { mode: 'pessimistic_write' },
  });
  if (!found) throw notFound('order');
  return found;
}

async function refuseStrangePieces(
  manager: EntityManager,
  workshopId: string,
  lines: readonly OrderLineDto[],
): Promise<void> {
  const wanted = [...new Set(lines.flatMap(({ pieceId }) => pieceId ?? []))];
  const there = await manager.findBy(PieceRow, { id: In(wanted), workshopId });
  const missing = lines.findIndex(
    ({ pieceId }) => pieceId !== null && !there.some(({ id }) => id === pieceId),
  );
  if (missing >= 0) {
    throw invalid(
      [{ path: `lines[${missing}].pieceId`, message: 'there is no such piece' }],
      'The order',
    );
  }
}
