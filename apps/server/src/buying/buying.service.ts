import type {
  ArrivedDto,
  LotView,
  PageQueryDto,
  PageView,
  ShoppingDto,
  ShoppingItemView,
  ShoppingTotalsView,
} from '@coiled-strand/contract';
import { thingKey, type Thing } from '@coiled-strand/workshop';
import { HttpStatus, Injectable } from '@nestjs/common';
import { DataSource, type SelectQueryBuilder } from 'typeorm';
import { AppError, notFound } from '../errors/app-error.js';
import { lotView } from '../lots/ledger.js';
import { takeInLots } from '../lots/lots.service.js';
import { pageOf, type Order } from '../rows/page-of.js';
import { ShoppingRow } from '../rows/week.entities.js';
import { writeAuditEntry } from '../trail/audit-entry.js';
import { CurrentWorkshop } from '../workshop/current-workshop.js';

const WRITTEN: Order = { by: 'createdAt' };

const view = ({ id, item, ticked, arrived }: ShoppingRow): ShoppingItemView => ({
  id,
  item,
  ticked,
  arrived,
});

/** The list that is taken along to the shop. */
@Injectable()
export class BuyingService {
  constructor(
    private readonly dataSource: DataSource,
    private readonly workshop: CurrentWorkshop,
  ) {}

  /** What has not all come yet, in the order in which it was written down. */
  async page(asked: PageQueryDto): Promise<PageView<ShoppingItemView>> {
    const { rows, ...rest } = await pageOf(await this.open(), WRITTEN, asked);
    return { items: rows.map(view), ...rest };
  }

  async all(): Promise<ShoppingItemView[]> {
    const query = await this.open();
    const rows = await query
      .orderBy('shopping.created_at', 'ASC')
      .addOrderBy('shopping.id', 'ASC')
      .getMany();
    return rows.map(view);
  }

  async totals(): Promise<ShoppingTotalsView> {
    const left = `((item ->> 'count')::int - arrived)`;
    const rows = await this.dataSource.query<
      { thing: Thing; amount: number; cents: number; unpriced: boolean }[]
    >(
      `select (item -> 'thing')::jsonb as thing, sum((item ->> 'size')::float8 * ${left}) as amount,
         sum(coalesce((item ->> 'cents')::int, 0) * ${left})::float8 as cents,
         bool_or(item ->> 'cents' is null) as unpriced
       from shopping where workshop_id = $1 and ${left} > 0
       group by (item -> 'thing')::jsonb`,
      [await this.workshop.id()],
    );
    const coming = new Map<string, number>();
    for (const { thing, amount } of rows) {
      const key = thingKey(thing);
      coming.set(key, (coming.get(key) ?? 0) + amount);
    }
    return {
      cents: rows.reduce((sum, { cents }) => sum + cents, 0),
      unpriced: rows.some(({ unpriced }) => unpriced),
      coming: [...coming].map(([key, amount]) => ({ key, amount })),
    };
  }

  private async open(): Promise<SelectQueryBuilder<ShoppingRow>> {
    return this.dataSource
      .getRepository(ShoppingRow)
      .createQueryBuilder('shopping')
      .where('shopping.workshop_id = :id', { id: await this.workshop.id() })
      .andWhere(`shopping.arrived < (shopping.item ->> 'count')::int`);
  }

  /** @returns what was written */
  async add({ items }: ShoppingDto): Promise<ShoppingItemView[]> {
    const workshopId = await this.workshop.id();
    return this.dataSource.transaction(async (manager) => {
      const rows: ShoppingRow[] = [];
      // A list is in the order in which it was written: a millisecond lies between one line and the next.
      const now = Date.now();
      for (const [i, item] of items.entries()) {
        const createdAt = new Date(now + i);
        rows.push(
          await manager.save(
            ShoppingRow,
            manager.create(ShoppingRow, { workshopId, item, ticked: false, arrived: 0, createdAt }),
          ),
        );
      }
      await writeAuditEntry(manager, 'shopping.added', { more: String(items.length) });
      return rows.map(view);
    });
  }

  async tick(id: string, ticked: boolean): Promise<ShoppingItemView> {
    const workshopId = await this.workshop.id();
    return this.dataSource.transaction(async (manager) => {
      const { affected } = await manager.update(ShoppingRow, { id, workshopId }, { ticked });
      if (!affected) throw notFound('line on the list');
      await writeAuditEntry(manager, 'shopping.ticked', { subject: id });
      return view(await manager.findOneByOrFail(ShoppingRow, { id }));
    });
  }

  async remove(id: string): Promise<void> {
    const workshopId = await this.workshop.id();
    await this.dataSource.transaction(async (manager) => {
      const { affected } = await manager.delete(ShoppingRow, { id, workshopId });
      if (affected) await writeAuditEntry(manager, 'shopping.removed', { subject: id });
    });
  }

  /** What came goes into the stash with its price. */
  async arrived(id: string, { count, ...came }: ArrivedDto): Promise<LotView[]> {
    const { id: workshopId, settings } = await this.workshop.get();
    return this.dataSource.transaction(async (manager) => {
      const row = await manager.findOne(ShoppingRow, {
        where: { id, workshopId },
        lock: { mode: 'pessimistic_write' },
      });
      if (!row) throw notFound('line on the list');
      const left = row.item.count - row.arrived;
      if (count > left) throw allCame(left);
      const { thing, size } = row.item;
      const lots = await takeInLots(
        manager,
        workshopId,
        { ...came, thing, size, lots: count },
        settings,
      );
      await writeAuditEntry(manager, 'shopping.arrived', { subject: id, more: String(count) });
      await manager.update(ShoppingRow, { id }, { arrived: row.arrived + count });
      return lots.map(lotView);
    });
  }
}

const allCame = (left: number): AppError =>
  new AppError(
    HttpStatus.CONFLICT,
    'shopping.arrived',
    left === 0
      ? 'All of this came already, and lies in the stash.'
      : `Only ${left} more of this ${left === 1 ? 'is' : 'are'} expected.`,
    'Look at the list again. What came besides is taken in on the stash page. Nothing was written.',
  );
