import type { OrderState } from '@coiled-strand/contract';
import type { EntityManager } from 'typeorm';
import { notFound } from '../errors/app-error.js';
import { OrderLineRow, OrderRow } from '../rows/week.entities.js';

/** How many makes of each line there are. */
export interface LineCount {
  readonly line: string;
  readonly made: number;
  readonly underWay: number;
}

export const countMakes = (
  manager: EntityManager,
  lines: readonly string[],
): Promise<LineCount[]> =>
  manager.query<LineCount[]>(
    `select line_id as line,
       (count(*) filter (where logged_at is not null))::int as made,
       (count(*) filter (where logged_at is null))::int as "underWay"
     from make where line_id = any($1) and abandoned_at is null group by line_id`,
    [lines],
  );

/** A line that is there, and stays for as long as the transaction lasts. */
export async function standingLine(
  manager: EntityManager,
  workshopId: string,
  id: string,
): Promise<OrderLineRow> {
  const line = await manager.findOne(OrderLineRow, {
    where: { id, workshopId },
    lock: { mode: 'pessimistic_read' },
  });
  if (!line) throw notFound('line of an order');
  return line;
}

/** From where work begins, an order is in work. */
const BEFORE_WORK: readonly OrderState[] = ['asked', 'promised'];

/**
 * What a make that is begun for a line, or logged, makes of its order: in work, and with the last one ready. What a
 * maker has said since, that it is handed over or called off, stays.
 */
export async function followLine(
  manager: EntityManager,
  workshopId: string,
  lineId: string,
): Promise<void> {
  const line = await standingLine(manager, workshopId, lineId);
  const order = await manager.findOneOrFail(OrderRow, {
    where: { id: line.orderId },
    lock: { mode: 'pessimistic_write' },
  });
  const lines = await manager.findBy(OrderLineRow, { orderId: order.id });
  const counts = await countMakes(
    manager,
    lines.map(({ id }) => id),
  );
  const done = lines.every(
    ({ id, number }) => (counts.find((count) => count.line === id)?.made ?? 0) >= number,
  );
  const open = BEFORE_WORK.includes(order.state) || order.state === 'in-work';
  const state: OrderState = done && open ? 'ready' : open ? 'in-work' : order.state;
  if (state !== order.state) {
    await manager.update(OrderRow, { id: order.id }, { state, changedAt: new Date() });
  }
}
