import {
  PieceFileDto,
  validateAs,
  type PageView,
  type PieceSort,
  type PiecesQueryDto,
  type PieceView,
} from '@coiled-strand/contract';
import {
  ANY_HAND,
  say,
  speak,
  toPieceFile,
  upgradeFile,
  wrapperFaults,
  type FileFault,
  type Piece,
  type PieceFile,
} from '@coiled-strand/core';
import { HttpStatus, Injectable } from '@nestjs/common';
import { InjectRepository } from '@nestjs/typeorm';
import { Repository } from 'typeorm';
import { AppError, invalid, notFound } from '../errors/app-error.js';
import { MakeRow } from '../rows/make.entity.js';
import { Planner } from '../planner/planner.service.js';
import { CurrentWorkshop } from '../workshop/current-workshop.js';
import { pageOf, withWords, type Order } from '../rows/page-of.js';
import { PieceRow } from '../rows/piece.entity.js';
import { keepBefore } from './versions.service.js';

const ORDERS: Readonly<Record<PieceSort, Order>> = {
  changed: { by: 'updatedAt', descending: true },
  laid: { by: 'createdAt' },
  name: { by: 'sortName' },
};

/** Of what is done with a piece only the number is wanted; of what is under way the last, as it was planned. */
const MADE = `
  select of.id, counted.logged, counted.all, open.make
  from unnest($1::uuid[]) of(id)
  cross join lateral (
    select count(logged_at)::int as logged, count(*)::int as all
    from make where piece_id = of.id and abandoned_at is null
  ) counted
  left join lateral (
    select json_build_object('id', id, 'reached', reached, 'piece', piece, 'hand', hand) as make
    from make where piece_id = of.id and abandoned_at is null and logged_at is null
    order by created_at desc limit 1
  ) open on true`;

/** What a change wrote, as the database says it. */
interface Written extends Pick<PieceRow, 'id' | 'spec' | 'version' | 'tags'> {
  readonly updated_at: Date;
}

interface MadeOf extends Pick<PieceView, 'make' | 'logged'> {
  readonly id: string;
  readonly all: number;
}

/** Somebody else has written since. */
class Overtaken extends Error {}

@Injectable()
export class PiecesService {
  constructor(
    @InjectRepository(PieceRow) private readonly pieces: Repository<PieceRow>,
    @InjectRepository(MakeRow) private readonly makes: Repository<MakeRow>,
    private readonly workshop: CurrentWorkshop,
    private readonly planner: Planner,
  ) {}

  async page({ sort = 'changed', q, tag, ...page }: PiecesQueryDto): Promise<PageView<PieceView>> {
    const query = this.pieces
      .createQueryBuilder('piece')
      .where('piece.workshop_id = :workshopId', { workshopId: await this.workshop.id() })
      .andWhere('piece.archived_at is null');
    if (tag !== undefined) query.andWhere('piece.tags @> array[:tag]', { tag });
    const { rows, ...rest } = await pageOf(withWords(query, 'piece', q), ORDERS[sort], page);
    return { items: await this.views(rows), ...rest };
  }

  async get(id: string): Promise<PieceView> {
    const [view] = await this.views([await this.row(id)]);
    return view!;
  }

  async add(piece: Piece): Promise<PieceView> {
    const row = this.pieces.create({
      workshopId: await this.workshop.id(),
      version: 1,
      spec: piece,
      changedBy: null,
      archivedAt: null,
      tags: [],
    });
    const [view] = await this.views([await this.pieces.save(row)]);
    return view!;
  }

  /**
   * Writes a changed piece if nobody has written since the version that was seen.
   *
   * @param request Idempotency-Key of who asks, by which they know their own change when they hear of it
   * @throws AppError 412 with the piece as it is now, when somebody has
   */
  async change(
    id: string,
    piece: Piece,
    seen: number,
    request: string | null = null,
  ): Promise<PieceView> {
    const workshopId = await this.workshop.id();
    const own = await this.pieces.manager
      .transaction(async (manager) => {
        await keepBefore(manager, { id, workshopId, seen });
        const written = await manager
          .createQueryBuilder()
          .update(PieceRow)
          .set({
            spec: () => ':spec',
            version: () => 'version + 1',
            updatedAt: () => 'now()',
            changedBy: request,
          })
          .where(
            'id = :id and workshop_id = :workshopId and version = :seen and archived_at is null',
            { id, workshopId, seen },
          )
          .setParameter('spec', JSON.stringify(piece))
          .returning(['id', 'spec', 'version', 'updatedAt', 'tags'])
          .execute();
        // The answer is what this call wrote, whoever has written since.
        const [one] = written.raw as Written[];
        // Refused in here, so that nothing of the request stays, not even its name.
        if (!one) throw new Overtaken();
        return one;
      })
      .catch(async (error: unknown) => {
        if (!(error instanceof Overtaken)) throw error;
        throw new AppError(
          HttpStatus.PRECONDITION_FAILED,
          'piece.changed',
          'This piece was changed in another window since you opened it.',
          'Choose which version to keep; the other is not lost.',
          { current: await this.get(id) },
        );
      });
    const row = this.pieces.create({ ...own, changedBy: request, updatedAt: own.updated_at });
    const [view] = await this.views([row]);
    return view!;
  }

  /** Puts a piece away, or brings it back. */
  async setArchived(id: string, archived: boolean): Promise<void> {
    const { affected } = await this.pieces.update(
      { id, workshopId: await this.workshop.id() },
      { archivedAt: archived ? new Date() : null },
    );
    if (!affected) throw notFound('piece');
  }

  async export(id: string): Promise<PieceFile> {
    return toPieceFile((await this.row(id)).spec);
  }

  /**
   * Stores a piece from a file, or names every fault by path and stores nothing.
   * @throws AppError 422 with the faults
   */
  async import(file: unknown): Promise<PieceView> {
    const wrapper = wrapperFaults(file);
    if (wrapper.length > 0) throw invalid(wrapper, 'The file');
    const result = validateAs(PieceFileDto, upgradeFile(file as object));
    if (!result.ok) throw invalid(result.faults, 'The file');
    const { settings } = await this.workshop.get();
    const planned = await this.planner.plan({ piece: result.value.piece, hand: ANY_HAND });
    const implausible = planned.advice
      .filter((item) => item.severity === 'error')
      .map((item): FileFault => ({
        path: `piece.${item.path}`,
        message: speak(say`${item.message} ${item.remedy}`, settings),
      }));
    if (implausible.length > 0) throw invalid(implausible, 'The file');
    return this.add(result.value.piece);
  }

  private async row(id: string): Promise<PieceRow> {
    const row = await this.pieces.findOneBy({ id, workshopId: await this.workshop.id() });
    if (!row) throw notFound('piece');
    if (row.archivedAt) throw putAway();
    return row;
  }

  private async views(rows: readonly PieceRow[]): Promise<PieceView[]> {
    const ids = rows.map((row) => row.id);
    const made = await this.makes.query<MadeOf[]>(MADE, [ids]);
    return rows.map((row): PieceView => {
      const { logged, all, make } = made.find(({ id }) => id === row.id)!;
      return {
        id: row.id,
        version: row.version,
        changedBy: row.changedBy,
        piece: row.spec,
        updatedAt: row.updatedAt.toISOString(),
        make,
        underWay: all - logged,
        logged,
        tags: row.tags,
      };
    });
  }
}

const putAway = (): AppError =>
  new AppError(
    HttpStatus.GONE,
    'piece.put-away',
    'This piece was put away.',
    'Bring it back to go on with it.',
  );
