import type { KitDto, KitView, PackedDto } from '@coiled-strand/contract';
import { HttpStatus, Injectable } from '@nestjs/common';
import { DataSource, IsNull } from 'typeorm';
import { AppError, notFound } from '../errors/app-error.js';
import { enter, lockedLot } from '../lots/ledger.js';
import { PieceRow } from '../rows/piece.entity.js';
import { KitRow } from '../rows/week.entities.js';
import { writeAuditEntry } from '../trail/audit-entry.js';
import { CurrentWorkshop } from '../workshop/current-workshop.js';

const view = ({ id, kit, packed, createdAt }: KitRow): KitView => ({
  id,
  kit,
  packed,
  at: createdAt.toISOString(),
});

/** Packs for other hands. */
@Injectable()
export class KitsService {
  constructor(
    private readonly dataSource: DataSource,
    private readonly workshop: CurrentWorkshop,
  ) {}

  async list(): Promise<KitView[]> {
    const rows = await this.dataSource.manager.find(KitRow, {
      where: { workshopId: await this.workshop.id() },
      order: { createdAt: 'DESC', id: 'DESC' },
      take: 100,
    });
    return rows.map(view);
  }

  async get(id: string): Promise<KitView> {
    const workshopId = await this.workshop.id();
    const row = await this.dataSource.manager.findOneBy(KitRow, { id, workshopId });
    if (!row) throw notFound('kit');
    return view(row);
  }

  async add(kit: KitDto): Promise<KitView> {
    const workshopId = await this.workshop.id();
    const piece = await this.dataSource.manager.findOneBy(PieceRow, {
      id: kit.pieceId,
      workshopId,
      archivedAt: IsNull(),
    });
    if (!piece) throw notFound('piece');
    return this.dataSource.transaction(async (manager) => {
      const row = await manager.save(
        KitRow,
        manager.create(KitRow, { workshopId, pieceId: kit.pieceId, kit, packed: 0 }),
      );
      await writeAuditEntry(manager, 'kit.added', { subject: row.id });
      return view(row);
    });
  }

  /** Packs that were filled; what was counted out for them goes out of the stash. */
  async packed(id: string, { number, from }: PackedDto): Promise<KitView> {
    const { id: workshopId, settings } = await this.workshop.get();
    return this.dataSource.transaction(async (manager) => {
      const row = await manager.findOne(KitRow, {
        where: { id, workshopId },
        lock: { mode: 'pessimistic_write' },
      });
      if (!row) throw notFound('kit');
      if (row.packed + number > row.kit.number) throw tooMany(row.kit.number - row.packed);
      // Always in the same order, so that two who take from the same lots do not wait for each other.
      for (const { lot: lotId, amount } of [...from].sort((a, b) => (a.lot < b.lot ? -1 : 1))) {
        const lot = await lockedLot(manager, workshopId, lotId);
        await enter(manager, lot, { reason: 'packed', amount: -amount, kitId: id }, settings);
      }
      const packed = row.packed + number;
      await manager.update(KitRow, { id }, { packed });
      await writeAuditEntry(manager, 'kit.packed', { subject: id, more: String(number) });
      return view({ ...row, packed });
    });
  }
}

const tooMany = (left: number): AppError =>
  new AppError(
    HttpStatus.CONFLICT,
    'kit.packed',
    left === 0
      ? 'All packs of this kit are filled already.'
      : `Only ${left} of its packs are still to be filled.`,
    'Look at the kit again; plan another one for more. Nothing was taken from the stash.',
  );
