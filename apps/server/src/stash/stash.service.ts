import type { Stored, UsesView } from '@coiled-strand/contract';
import { Injectable } from '@nestjs/common';
import { DataSource, type EntityTarget } from 'typeorm';
import { notFound } from '../errors/app-error.js';
import { writeAuditEntry } from '../trail/audit-entry.js';
import { CurrentWorkshop } from '../workshop/current-workshop.js';
import type { StashItem } from '../rows/list.entities.js';
import { usesOf, type ListKind } from './uses.js';

/** Lists, adds and changes the things on one of the workshop's lists. */
@Injectable()
export class StashService {
  constructor(
    private readonly dataSource: DataSource,
    private readonly workshop: CurrentWorkshop,
  ) {}

  async list<T extends object>(list: EntityTarget<StashItem<T>>): Promise<Stored<T>[]> {
    const workshopId = await this.workshop.id();
    const items = await this.dataSource
      .getRepository(list)
      .createQueryBuilder('item')
      .where('item.workshop_id = :workshopId', { workshopId })
      .orderBy('item.created_at', 'ASC')
      .addOrderBy('item.id', 'ASC')
      .getMany();
    return items.map(({ id, value }) => ({ id, value }));
  }

  async add<T extends object>(list: EntityTarget<StashItem<T>>, value: T): Promise<Stored<T>> {
    const workshopId = await this.workshop.id();
    return this.dataSource.transaction(async (manager) => {
      const repository = manager.getRepository(list);
      const item = repository.create();
      Object.assign(item, { workshopId, value });
      const saved = await repository.save(item);
      await writeAuditEntry(manager, 'list.added', {
        subject: saved.id,
        more: repository.metadata.tableName,
      });
      return { id: saved.id, value: saved.value };
    });
  }

  async change<T extends object>(
    list: EntityTarget<StashItem<T>>,
    id: string,
    value: T,
    what: string,
  ): Promise<Stored<T>> {
    const workshopId = await this.workshop.id();
    return this.dataSource.transaction(async (manager) => {
      const { affected } = await manager
        .createQueryBuilder()
        .update(list)
        .set({ value } as never)
        .where('id = :id and workshop_id = :workshopId', { id, workshopId })
        .execute();
      if (!affected) throw notFound(what);
      await writeAuditEntry(manager, 'list.changed', { subject: id, more: what });
      return { id, value };
    });
  }

  /** Puts several things on a list, or none of them. */
  async addAll<T extends object>(
    list: EntityTarget<StashItem<T>>,
    values: readonly T[],
    what: string,
  ): Promise<Stored<T>[]> {
    const workshopId = await this.workshop.id();
    return this.dataSource.transaction(async (manager) => {
      const repository = manager.getRepository(list);
      const stored: Stored<T>[] = [];
      // A list is in the order in which it was filled: a millisecond lies between one and the next.
      const now = Date.now();
      for (const [i, value] of values.entries()) {
        const createdAt = new Date(now + i);
        const item = Object.assign(repository.create(), { workshopId, value, createdAt });
        const { id } = await repository.save(item);
        stored.push({ id, value });
      }
      await writeAuditEntry(manager, 'list.filled', { more: `${values.length} × ${what}` });
      return stored;
    });
  }

  /** What of the workshop has to do with a thing on a list. */
  async uses<T extends object>(
    list: EntityTarget<StashItem<T>>,
    id: string,
    what: ListKind,
  ): Promise<UsesView> {
    const workshopId = await this.workshop.id();
    const item = await this.dataSource
      .getRepository(list)
      .createQueryBuilder('item')
      .where('item.id = :id and item.workshop_id = :workshopId', { id, workshopId })
      .getOne();
    if (!item) throw notFound(what);
    return usesOf(this.dataSource.manager, workshopId, what, id);
  }

  /** Takes a thing off a list; pieces that have a copy of it keep it. */
  async remove<T extends object>(
    list: EntityTarget<StashItem<T>>,
    id: string,
    what: string,
  ): Promise<void> {
    const workshopId = await this.workshop.id();
    await this.dataSource.transaction(async (manager) => {
      const { affected } = await manager
        .createQueryBuilder()
        .delete()
        .from(list)
        .where('id = :id and workshop_id = :workshopId', { id, workshopId })
        .execute();
      if (!affected) throw notFound(what);
      await writeAuditEntry(manager, 'list.removed', { subject: id, more: what });
    });
  }
}
