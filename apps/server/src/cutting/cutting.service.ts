import type {
  CutMadeDto,
  CutMadeView,
  CuttingSessionDto,
  CuttingSummary,
  CuttingView,
  PageQueryDto,
  PageView,
} from '@coiled-strand/contract';
import { HttpStatus, Injectable } from '@nestjs/common';
import { DataSource, IsNull, type EntityManager } from 'typeorm';
import { AppError, invalid, notFound } from '../errors/app-error.js';
import { enter, lockedLot } from '../lots/ledger.js';
import { MakeRow } from '../rows/make.entity.js';
import { pageOf } from '../rows/page-of.js';
import { CuttingRow } from '../rows/week.entities.js';
import { writeAuditEntry } from '../trail/audit-entry.js';
import { CurrentWorkshop } from '../workshop/current-workshop.js';

/** Cuts of sessions that stand in the ledger. */
const MADE = `
  select cutting_id as cutting, cut_id as cut, id as movement, lot_id as lot, -amount as length
  from movement made
  where cutting_id = any($1) and reason = 'cut'
    and not exists (select from movement back where back.undoes = made.id)
  order by created_at, id`;

type Made = CutMadeView & { readonly cutting: string };

/** Cutting sessions: planned in the browser, ticked off into the ledger here. */
@Injectable()
export class CuttingService {
  constructor(
    private readonly dataSource: DataSource,
    private readonly workshop: CurrentWorkshop,
  ) {}

  async page(query: PageQueryDto): Promise<PageView<CuttingSummary>> {
    const asked = this.dataSource
      .getRepository(CuttingRow)
      .createQueryBuilder('cutting')
      .where('cutting.workshop_id = :workshopId', { workshopId: await this.workshop.id() });
    const { rows, ...rest } = await pageOf(asked, { by: 'createdAt', descending: true }, query);
    const made = await this.made(
      this.dataSource.manager,
      rows.map(({ id }) => id),
    );
    return {
      items: rows.map((row) => ({
        id: row.id,
        name: row.name,
        at: row.createdAt.toISOString(),
        closedAt: row.closedAt?.toISOString() ?? null,
        cuts: row.session.cuts.length,
        made: made.filter(({ cutting }) => cutting === row.id).length,
      })),
      ...rest,
    };
  }

  async begin(session: CuttingSessionDto): Promise<CuttingView> {
    const workshopId = await this.workshop.id();
    const ids = new Set(session.cuts.map(({ id }) => id));
    if (ids.size < session.cuts.length)
      throw invalid([{ path: 'cuts', message: 'two cuts have the same id' }], 'The session');
    const planned = session.lots.flatMap(({ cuts }) => cuts);
    const unknown = planned.find((id) => !ids.has(id));
    if (unknown !== undefined || new Set(planned).size < planned.length) {
      throw invalid(
        [{ path: 'lots', message: 'each cut comes from one lot, and is one of the cuts named' }],
        'The session',
      );
    }
    return this.dataSource.transaction(async (manager) => {
      const row = await manager.save(
        CuttingRow,
        manager.create(CuttingRow, { workshopId, name: session.name, session, closedAt: null }),
      );
      await writeAuditEntry(manager, 'cutting.added', { subject: row.id });
      return this.view(manager, row);
    });
  }

  async get(id: string): Promise<CuttingView> {
    const workshopId = await this.workshop.id();
    const row = await this.dataSource.manager.findOneBy(CuttingRow, { id, workshopId });
    if (!row) throw notFound('cutting session');
    return this.view(this.dataSource.manager, row);
  }

  /** A cut as it was made: from this lot, so long. */
  async cut(id: string, cutId: string, { lot: lotId, length }: CutMadeDto): Promise<CuttingView> {
    const { id: workshopId, settings } = await this.workshop.get();
    return this.dataSource.transaction(async (manager) => {
      // Two who tick the same cut wait for each other here.
      const row = await manager.findOne(CuttingRow, {
        where: { id, workshopId },
        lock: { mode: 'pessimistic_write' },
      });
      if (!row) throw notFound('cutting session');
      if (row.closedAt) throw closed();
      const cut = row.session.cuts.find((one) => one.id === cutId);
      if (!cut) throw notFound('cut in this session');
      const made = await this.made(manager, [id]);
      if (made.some((one) => one.cut === cutId)) return this.view(manager, row);
      const lot = await lockedLot(manager, workshopId, lotId);
      if (lot.key !== cut.thing) throw otherCord();
      await enter(
        manager,
        lot,
        {
          reason: 'cut',
          amount: -length,
          cuttingId: id,
          cutId,
          makeId: await standing(manager, workshopId, cut.makeId),
          strand: cut.strand ?? null,
        },
        settings,
      );
      return this.view(manager, row);
    });
  }

  /** Done with it, whatever was left uncut. */
  async close(id: string): Promise<CuttingView> {
    const workshopId = await this.workshop.id();
    await this.dataSource.transaction(async (manager) => {
      const { affected } = await manager.update(
        CuttingRow,
        { id, workshopId, closedAt: IsNull() },
        { closedAt: new Date() },
      );
      if (affected) await writeAuditEntry(manager, 'cutting.closed', { subject: id });
    });
    return this.get(id);
  }

  private made(manager: EntityManager, ids: readonly string[]): Promise<Made[]> {
    return manager.query<Made[]>(MADE, [ids]);
  }

  private async view(manager: EntityManager, row: CuttingRow): Promise<CuttingView> {
    const made = await this.made(manager, [row.id]);
    const { cuts, lots, proof, note, oneDyeLot } = row.session;
    return {
      id: row.id,
      name: row.name,
      note: note ?? '',
      cuts,
      lots,
      proof,
      oneDyeLot: oneDyeLot ?? false,
      made: made.map(({ cut, movement, lot, length }) => ({ cut, movement, lot, length })),
      at: row.createdAt.toISOString(),
      closedAt: row.closedAt?.toISOString() ?? null,
    };
  }
}

/** A make that is there still; null for none. */
async function standing(
  manager: EntityManager,
  workshopId: string,
  id: string | undefined,
): Promise<string | null> {
  const there = id != null && (await manager.existsBy(MakeRow, { id, workshopId }));
  return there ? id : null;
}

const closed = (): AppError =>
  new AppError(
    HttpStatus.CONFLICT,
    'cutting.closed',
    'This cutting session is closed.',
    'Begin another one for what is still to be cut.',
  );

const otherCord = (): AppError =>
  new AppError(
    HttpStatus.CONFLICT,
    'cutting.other-cord',
    'This lot is another cord than the cut is of.',
    'Take it from a lot of the same cord, or plan the piece in the other one.',
  );
