import type { PageQueryDto, PageView, VersionView } from '@coiled-strand/contract';
import { HttpStatus, Injectable } from '@nestjs/common';
import { DataSource, type EntityManager } from 'typeorm';
import { AppError, notFound } from '../errors/app-error.js';
import { pageOf, type Order } from '../rows/page-of.js';
import { PieceRow } from '../rows/piece.entity.js';
import { VersionRow } from '../rows/version.entity.js';
import { CurrentWorkshop } from '../workshop/current-workshop.js';

/** So many of a piece are kept: of those without a name the last, and no more that have one. Assumed. */
export const MAX_KEPT = 60;
export const MAX_NAMED = 100;

/** What is changed within so many minutes of what was kept last is one sitting. Assumed. */
const SITTING = 10;

const NEWEST: Order = { by: 'version', descending: true };

const KEEP = `
  insert into piece_version (workshop_id, piece_id, version, changed_at, spec)
  select workshop_id, id, version, updated_at, spec from piece
  where id = $1 and workshop_id = $2`;

/** Lets go of the oldest that have no name. */
const THIN = `
  delete from piece_version where id in (
    select id from piece_version where piece_id = $1 and name is null
    order by version desc offset ${MAX_KEPT})`;

/**
 * Keeps a piece as it is before it is changed, unless it was kept in the same sitting. Runs in the transaction of the
 * change. Whoever saw an older version keeps nothing.
 *
 * @param seen version that is about to be changed
 */
export async function keepBefore(
  manager: EntityManager,
  piece: { readonly id: string; readonly workshopId: string; readonly seen: number },
): Promise<void> {
  const [kept] = await manager.query<{ id: string }[]>(
    `${KEEP} and version = $3 and not exists (
       select from piece_version
       where piece_id = $1 and created_at > now() - interval '${SITTING} minutes')
     on conflict do nothing returning id`,
    [piece.id, piece.workshopId, piece.seen],
  );
  if (kept) await manager.query(THIN, [piece.id]);
}

/** Pieces as they were before: to be looked at, named, compared and gone back to. */
@Injectable()
export class VersionsService {
  constructor(
    private readonly dataSource: DataSource,
    private readonly workshop: CurrentWorkshop,
  ) {}

  /** The last first. */
  async page(pieceId: string, asked: PageQueryDto): Promise<PageView<VersionView>> {
    const workshopId = await this.workshop.id();
    await pieceIn(this.dataSource.manager, { id: pieceId, workshopId });
    const query = this.dataSource
      .createQueryBuilder(VersionRow, 'kept')
      .where('kept.workshop_id = :workshopId and kept.piece_id = :pieceId', {
        workshopId,
        pieceId,
      });
    const { rows, ...rest } = await pageOf(query, NEWEST, asked);
    return { items: rows.map(versionView), ...rest };
  }

  async get(pieceId: string, id: string): Promise<VersionView> {
    return versionView(await versionIn(this.dataSource.manager, await this.where(pieceId, id)));
  }

  /**
   * Keeps the piece as it is now. One that is kept already is kept once.
   * @throws AppError 409 where there is no room for one more name
   */
  async keep(pieceId: string, name: string | null): Promise<VersionView> {
    const workshopId = await this.workshop.id();
    return this.dataSource.transaction(async (manager) => {
      const { version } = await pieceIn(manager, { id: pieceId, workshopId });
      await manager.query(`${KEEP} on conflict do nothing`, [pieceId, workshopId]);
      const row = await versionIn(manager, { pieceId, workshopId, version });
      if (name !== null) await this.call(manager, row, name);
      await manager.query(THIN, [pieceId]);
      return versionView(row);
    });
  }

  /** Calls a version by another name; without one it may be let go of some day. */
  async name(pieceId: string, id: string, name: string | null): Promise<VersionView> {
    const where = await this.where(pieceId, id);
    return this.dataSource.transaction(async (manager) => {
      await pieceIn(manager, { id: pieceId, workshopId: where.workshopId });
      const row = await versionIn(manager, where);
      await this.call(manager, row, name);
      return versionView(row);
    });
  }

  private async call(manager: EntityManager, row: VersionRow, name: string | null): Promise<void> {
    if (name !== null && row.name === null) {
      const named = await manager
        .createQueryBuilder(VersionRow, 'kept')
        .where('kept.piece_id = :pieceId and kept.name is not null', { pieceId: row.pieceId })
        .getCount();
      if (named >= MAX_NAMED) throw tooManyNamed();
    }
    row.name = name;
    await manager.update(VersionRow, { id: row.id }, { name });
  }

  private async where(pieceId: string, id: string) {
    return { id, pieceId, workshopId: await this.workshop.id() };
  }
}

const versionView = ({ id, version, name, changedAt, spec }: VersionRow): VersionView => ({
  id,
  version,
  name,
  changedAt: changedAt.toISOString(),
  piece: spec,
});

/** The piece, held so that two who name versions of it count one after the other. */
async function pieceIn(
  manager: EntityManager,
  where: { readonly id: string; readonly workshopId: string },
): Promise<PieceRow> {
  const lock = manager.queryRunner?.isTransactionActive
    ? { lock: { mode: 'pessimistic_write' } as const }
    : {};
  const piece = await manager.findOne(PieceRow, { where, ...lock });
  if (!piece) throw notFound('piece');
  return piece;
}

async function versionIn(
  manager: EntityManager,
  where: Partial<Pick<VersionRow, 'id' | 'pieceId' | 'workshopId' | 'version'>>,
): Promise<VersionRow> {
  const row = await manager.findOneBy(VersionRow, where);
  if (!row) throw notFound('version of this piece');
  return row;
}

const tooManyNamed = (): AppError =>
  new AppError(
    HttpStatus.CONFLICT,
    'versions.too-many',
    `This piece has ${MAX_NAMED} versions with a name already.`,
    'Take the name off one that you no longer need.',
  );
