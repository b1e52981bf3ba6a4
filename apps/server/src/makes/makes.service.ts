import type { BeginMakeDto, MakeLogDto, MakeView, ProgressDto } from '@coiled-strand/contract';
import {
  compareOutcome,
  makeSteps,
  planPiece,
  totalActions,
  type FileFault,
  type Piece,
  type Plan,
} from '@coiled-strand/core';
import { HttpStatus, Injectable } from '@nestjs/common';
import { InjectRepository } from '@nestjs/typeorm';
import { DataSource, In, IsNull, Not, Repository, type EntityManager } from 'typeorm';
import { AppError, invalid, notFound } from '../errors/app-error.js';
import { HandService } from '../hand/hand.service.js';
import { PieceRow } from '../pieces/piece.entity.js';
import { CurrentWorkshop } from '../workshop/current-workshop.js';
import { MakeRow } from './make.entity.js';
import { makeView } from './make-view.js';
import { PhotoRow } from './photo.entity.js';

@Injectable()
export class MakesService {
  constructor(
    @InjectRepository(MakeRow) private readonly makes: Repository<MakeRow>,
    @InjectRepository(PhotoRow) private readonly photos: Repository<PhotoRow>,
    @InjectRepository(PieceRow) private readonly pieces: Repository<PieceRow>,
    private readonly dataSource: DataSource,
    private readonly workshop: CurrentWorkshop,
    private readonly hand: HandService,
  ) {}

  async ofPiece(pieceId: string): Promise<MakeView[]> {
    return this.views(
      await this.makes.find({
        where: { pieceId, workshopId: await this.workshop.id(), abandonedAt: IsNull() },
        order: { createdAt: 'DESC' },
      }),
    );
  }

  /** Every make of the workshop, the newest first. */
  async all(): Promise<MakeView[]> {
    return this.views(
      await this.makes.find({
        where: { workshopId: await this.workshop.id(), abandonedAt: IsNull() },
        order: { createdAt: 'DESC' },
      }),
    );
  }

  async get(id: string): Promise<MakeView> {
    return this.view(await this.row(id));
  }

  /**
   * Freezes the piece and its plan as they are now, in this hand. A make under way is gone on with,
   * unless another is wanted beside it.
   */
  async begin(pieceId: string, { beside, repeat }: BeginMakeDto): Promise<MakeView> {
    const earlier = repeat === undefined ? null : await this.row(repeat);
    if (earlier && earlier.pieceId !== pieceId) throw notFound('make of this piece');
    const row = await this.dataSource.transaction(async (manager) => {
      // Other windows that begin in the same moment wait here, and then find this make.
      const piece = await this.lockPiece(manager, pieceId);
      const makes = manager.getRepository(MakeRow);
      const underWay = await makes.findOne({
        where: { pieceId, loggedAt: IsNull(), abandonedAt: IsNull() },
        order: { createdAt: 'DESC' },
      });
      if (underWay && !beside && !earlier) return underWay;
      const last = await makes.maximum('number', { pieceId });
      return makes.save(await this.planned(pieceId, earlier?.piece ?? piece.spec, (last ?? 0) + 1));
    });
    return this.view(row);
  }

  /**
   * How far the make is. What was seen later counts: a device that was away does not undo what another
   * has done since. Time and timers add up over devices.
   */
  async setProgress(id: string, progress: ProgressDto): Promise<MakeView> {
    const row = await this.dataSource.transaction(async (manager) => {
      const found = await manager.findOne(MakeRow, {
        where: { id, workshopId: await this.workshop.id(), abandonedAt: IsNull() },
        lock: { mode: 'pessimistic_write' },
      });
      if (!found) throw notFound('make');
      if (found.loggedAt) throw alreadyLogged();
      if (progress.done > found.total) {
        throw invalid(
          [
            {
              path: 'done',
              message: `this make has ${found.total} actions, not ${progress.done}`,
            },
          ],
          'The progress',
        );
      }
      const at = new Date(Date.now() - (progress.ago ?? 0));
      const later = at.getTime() >= found.doneAt.getTime();
      const { device, seconds, timers = [] } = progress;
      return manager.save(MakeRow, {
        ...found,
        ...(later ? { done: progress.done, doneAt: at } : {}),
        ...(device && seconds ? { seconds: { ...found.seconds, [device]: seconds } } : {}),
        timers: {
          ...found.timers,
          ...Object.fromEntries(timers.map(({ step, startedAt }) => [step, startedAt])),
        },
      });
    });
    return this.view(row);
  }

  async log(id: string, record: MakeLogDto): Promise<MakeView> {
    const row = await this.row(id);
    const plan = await this.planOf(id);
    const faults: FileFault[] = record.cords.flatMap((cord, i) =>
      cord.leftover > cord.cut
        ? [
            {
              path: `cords[${i}].leftover`,
              message: `more is left over (${cord.leftover} mm) than was cut (${cord.cut} mm)`,
            },
          ]
        : [],
    );
    if (record.cords.length !== plan.strands.length) {
      faults.push({
        path: 'cords',
        message: `this make has ${plan.strands.length} cords, not ${record.cords.length}`,
      });
    }
    if (faults.length > 0) throw invalid(faults, 'The log');
    return this.view(
      await this.makes.save({
        ...row,
        record,
        outcome: compareOutcome(row.piece, plan, record),
        loggedAt: row.loggedAt ?? new Date(),
      }),
    );
  }

  /** Gives a make under way up, or takes it up again. */
  async setAbandoned(id: string, abandoned: boolean): Promise<void> {
    const row = await this.makes.findOneBy({ id, workshopId: await this.workshop.id() });
    if (!row) throw notFound('make');
    if (row.loggedAt) throw alreadyLogged();
    await this.makes.update({ id }, { abandonedAt: abandoned ? new Date() : null });
  }

  /** Lets a make not count for the hand, with the reason; or lets it count again. */
  async setAside(id: string, reason: string | null): Promise<MakeView> {
    return this.view(await this.makes.save({ ...(await this.row(id)), setAside: reason }));
  }

  async row(id: string): Promise<MakeRow> {
    const row = await this.makes.findOneBy({
      id,
      workshopId: await this.workshop.id(),
      abandonedAt: IsNull(),
    });
    if (!row) throw notFound('make');
    return row;
  }

  private async planOf(id: string): Promise<Plan> {
    const { plan } = await this.makes.findOneOrFail({
      where: { id },
      select: { id: true, plan: true },
    });
    return plan;
  }

  private async lockPiece(manager: EntityManager, id: string): Promise<PieceRow> {
    const piece = await manager.findOne(PieceRow, {
      where: { id, workshopId: await this.workshop.id(), archivedAt: IsNull() },
      lock: { mode: 'pessimistic_write' },
    });
    if (!piece) throw notFound('piece');
    return piece;
  }

  private async planned(pieceId: string, piece: Piece, number: number): Promise<MakeRow> {
    const workshop = await this.workshop.get();
    const { hand } = await this.hand.get();
    const plan = planPiece(piece, hand);
    if (!plan.ok) {
      const faults = plan.advice.map(({ path, message }): FileFault => ({ path, message }));
      throw invalid(faults, 'The piece');
    }
    return this.makes.create({
      workshopId: workshop.id,
      pieceId,
      number,
      piece,
      plan,
      hand,
      done: 0,
      // Whatever a device says first counts, also when its clock is behind.
      doneAt: new Date(0),
      total: totalActions(makeSteps(piece, plan, workshop.settings)),
      seconds: {},
      timers: {},
      record: null,
      outcome: null,
      loggedAt: null,
      abandonedAt: null,
      setAside: null,
    });
  }

  private async view(row: MakeRow): Promise<MakeView> {
    const [view] = await this.views([row]);
    return view!;
  }

  private async views(rows: readonly MakeRow[]): Promise<MakeView[]> {
    const photos = await this.photos.find({
      where: { makeId: In(rows.map((row) => row.id)) },
      order: { createdAt: 'ASC' },
    });
    const away = await this.pieces.find({
      select: { id: true },
      where: { id: In(rows.map((row) => row.pieceId)), archivedAt: Not(IsNull()) },
    });
    const ids = new Set(away.map(({ id }) => id));
    return rows.map((row) => makeView(row, photos, ids));
  }
}

const alreadyLogged = (): AppError =>
  new AppError(
    HttpStatus.CONFLICT,
    'make.logged',
    'This make is finished and logged.',
    'Begin a new make of the piece.',
  );
