import type { ArrivedDto, LotView, ShoppingDto, ShoppingItemView } from '@coiled-strand/contract';
import { HttpStatus, Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { AppError, notFound } from '../errors/app-error.js';
import { lotView } from '../lots/ledger.js';
import { takeInLots } from '../lots/lots.service.js';
import { ShoppingRow } from '../rows/week.entities.js';
import { writeAuditEntry } from '../trail/audit-entry.js';
import { CurrentWorkshop } from '../workshop/current-workshop.js';

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

  /** What has not all come yet. */
  async list(): Promise<ShoppingItemView[]> {
    const rows = await this.dataSource
      .getRepository(ShoppingRow)
      .createQueryBuilder('shopping')
      .where('shopping.workshop_id = :id', { id: await this.workshop.id() })
      .andWhere(`shopping.arrived < (shopping.item ->> 'count')::int`)
      .orderBy('shopping.created_at', 'ASC')
      .addOrderBy('shopping.id', 'ASC')
      .getMany();
    return rows.map(view);
  }

  async add({ items }: ShoppingDto): Promise<ShoppingItemView[]> {
    const workshopId = await this.workshop.id();
    await this.dataSource.transaction(async (manager) => {
      for (const item of items) {
        await manager.save(
          ShoppingRow,
          manager.create(ShoppingRow, { workshopId, item, ticked: false, arrived: 0 }),
        );
      }
      await writeAuditEntry(manager, 'shopping.added', { more: String(items.length) });
    });
    return this.list();
  }

  async tick(id: string, ticked: boolean): Promise<ShoppingItemView[]> {
    const workshopId = await this.workshop.id();
    await this.dataSource.transaction(async (manager) => {
      const { affected } = await manager.update(ShoppingRow, { id, workshopId }, { ticked });
      if (!affected) throw notFound('line on the list');
      await writeAuditEntry(manager, 'shopping.ticked', { subject: id });
    });
    return this.list();
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
