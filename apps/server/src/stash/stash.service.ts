import type { Stored, UsesView } from '@coiled-strand/contract';
import { Injectable } from '@nestjs/common';
import { LISTS, type ListId } from '@coiled-strand/workshop';
import { DataSource, type EntityTarget } from 'typeorm';
import { notFound } from '../errors/app-error.js';
import { contentTag, refuseStale } from '../http/etag.js';
import { writeAuditEntry } from '../trail/audit-entry.js';
import { CurrentWorkshop } from '../workshop/current-workshop.js';
import { LIST_ROWS, type StashItem } from '../rows/list.entities.js';
import { usesOf } from './uses.js';

const stored = (id: string, value: object): Stored<object> => ({
  id,
  value,
  etag: contentTag(value),
});

const rowsOf = (list: ListId): EntityTarget<StashItem<object>> => LIST_ROWS[list];

/** Lists, adds and changes the things on one of the workshop's lists. */
@Injectable()
export class StashService {
  constructor(
    private readonly dataSource: DataSource,
    private readonly workshop: CurrentWorkshop,
  ) {}

  async list(list: ListId): Promise<Stored<object>[]> {
    const workshopId = await this.workshop.id();
    const items = await this.dataSource
      .getRepository(rowsOf(list))
      .createQueryBuilder('item')
      .where('item.workshop_id = :workshopId', { workshopId })
      .orderBy('item.created_at', 'ASC')
      .addOrderBy('item.id', 'ASC')
      .getMany();
    return items.map(({ id, value }) => stored(id, value));
  }

  async add(list: ListId, value: object): Promise<Stored<object>> {
    const workshopId = await this.workshop.id();
    return this.dataSource.transaction(async (manager) => {
      const repository = manager.getRepository(rowsOf(list));
      const item = repository.create();
      Object.assign(item, { workshopId, value });
      const saved = await repository.save(item);
      await writeAuditEntry(manager, 'list.added', {
        subject: saved.id,
        more: LISTS[list].table,
      });
      return stored(saved.id, saved.value);
    });
  }

  /**
   * @param seen If-Match of the change
   * @throws AppError 412 where it was changed since, 428 where nothing says what was seen
   */
  async change(
    list: ListId,
    id: string,
    value: object,
    seen: string | undefined,
  ): Promise<Stored<object>> {
    const workshopId = await this.workshop.id();
    return this.dataSource.transaction(async (manager) => {
      const before = await manager
        .createQueryBuilder(rowsOf(list), 'item')
        .setLock('pessimistic_write')
        .where('item.id = :id and item.workshop_id = :workshopId', { id, workshopId })
        .getOne();
      if (!before) throw notFound(LISTS[list].table);
      const now = stored(id, before.value);
      refuseStale(seen, now.etag, now);
      await manager
        .createQueryBuilder()
        .update(rowsOf(list))
        .set({ value })
        .where('id = :id', { id })
        .execute();
      await writeAuditEntry(manager, 'list.changed', { subject: id, more: LISTS[list].table });
      return stored(id, value);
    });
  }

  /** Puts several things on a list, or none of them. */
  async addAll(list: ListId, values: readonly object[]): Promise<Stored<object>[]> {
    const workshopId = await this.workshop.id();
    return this.dataSource.transaction(async (manager) => {
      const repository = manager.getRepository(rowsOf(list));
      const all: Stored<object>[] = [];
      // A list is in the order in which it was filled: a millisecond lies between one and the next.
      const now = Date.now();
      for (const [i, value] of values.entries()) {
        const createdAt = new Date(now + i);
        const item = Object.assign(repository.create(), { workshopId, value, createdAt });
        const { id } = await repository.save(item);
        all.push(stored(id, value));
      }
      await writeAuditEntry(manager, 'list.filled', {
        more: `${values.length} × ${LISTS[list].table}`,
      });
      return all;
    });
  }

  /** What of the workshop has to do with a thing on a list. */
  async uses(list: ListId, id: string): Promise<UsesView> {
    const workshopId = await this.workshop.id();
    const item = await this.dataSource
      .getRepository(rowsOf(list))
      .createQueryBuilder('item')
      .where('item.id = :id and item.workshop_id = :workshopId', { id, workshopId })
      .getOne();
    if (!item) throw notFound(LISTS[list].table);
    return usesOf(this.dataSource.manager, workshopId, list, id);
  }

  /** Takes a thing off a list; pieces that have a copy of it keep it. */
  async remove(list: ListId, id: string): Promise<void> {
    const workshopId = await this.workshop.id();
    await this.dataSource.transaction(async (manager) => {
      const { affected } = await manager
        .createQueryBuilder()
        .delete()
        .from(rowsOf(list))
        .where('id = :id and workshop_id = :workshopId', { id, workshopId })
        .execute();
      if (!affected) throw notFound(LISTS[list].table);
      await writeAuditEntry(manager, 'list.removed', { subject: id, more: LISTS[list].table });
    });
  }
}
