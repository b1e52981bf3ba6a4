import type { DrawnKnotDto, KnotChangeDto, KnotView } from '@coiled-strand/contract';
import { HttpStatus, Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { AppError, notFound } from '../errors/app-error.js';
import { KnotRow } from '../rows/knot.entity.js';
import { writeAuditEntry } from '../trail/audit-entry.js';
import { CurrentWorkshop } from '../workshop/current-workshop.js';

/** More knots than one workshop draws; each is read with the list. */
const MAX_KNOTS = 500;

const viewOf = ({ id, version, value }: KnotRow): KnotView => ({ id, version, value });

/** The knots that the people of a workshop drew. */
@Injectable()
export class KnotsService {
  constructor(
    private readonly dataSource: DataSource,
    private readonly workshop: CurrentWorkshop,
  ) {}

  async list(): Promise<KnotView[]> {
    const rows = await this.dataSource.getRepository(KnotRow).find({
      where: { workshopId: await this.workshop.id() },
      order: { createdAt: 'ASC', id: 'ASC' },
    });
    return rows.map(viewOf);
  }

  async get(id: string): Promise<KnotView> {
    const row = await this.dataSource
      .getRepository(KnotRow)
      .findOneBy({ id, workshopId: await this.workshop.id() });
    if (!row) throw notFound('knot');
    return viewOf(row);
  }

  async add(value: DrawnKnotDto): Promise<KnotView> {
    const workshopId = await this.workshop.id();
    return this.dataSource.transaction(async (manager) => {
      if ((await manager.countBy(KnotRow, { workshopId })) >= MAX_KNOTS) {
        throw new AppError(
          HttpStatus.CONFLICT,
          'knot.full',
          `The workshop has ${MAX_KNOTS} knots, which is as many as it keeps.`,
          'Put away one that is not tied any more.',
        );
      }
      const row = await manager.save(manager.create(KnotRow, { workshopId, value, version: 1 }));
      await writeAuditEntry(manager, 'list.added', { subject: row.id, more: 'knot' });
      return viewOf(row);
    });
  }

  /** @throws AppError 409 where it was changed since the version that this one was made from */
  async change(id: string, { version, ...value }: KnotChangeDto): Promise<KnotView> {
    const workshopId = await this.workshop.id();
    return this.dataSource.transaction(async (manager) => {
      const row = await manager.findOne(KnotRow, {
        where: { id, workshopId },
        lock: { mode: 'pessimistic_write' },
      });
      if (!row) throw notFound('knot');
      if (row.version !== version) {
        throw new AppError(
          HttpStatus.CONFLICT,
          'knot.changed',
          `“${row.value.name}” was changed elsewhere since you opened it.`,
          'Keep yours as a knot of its own, or open the other and draw on from it.',
        );
      }
      const saved = await manager.save(KnotRow, { ...row, value, version: version + 1 });
      await writeAuditEntry(manager, 'list.changed', { subject: id, more: 'knot' });
      return viewOf(saved);
    });
  }

  /** Takes it off the list; pieces and makes that have it keep it as it was. */
  async remove(id: string): Promise<void> {
    const workshopId = await this.workshop.id();
    await this.dataSource.transaction(async (manager) => {
      const { affected } = await manager.delete(KnotRow, { id, workshopId });
      if (!affected) throw notFound('knot');
      await writeAuditEntry(manager, 'list.removed', { subject: id, more: 'knot' });
    });
  }
}
