import type {
  BeginMakeDto,
  MakeLogDto,
  MakePlanView,
  MakeSort,
  MakesQueryDto,
  MakeView,
  PageView,
  ProgressDto,
} from '@coiled-strand/contract';
import {
  actionsAt,
  compareOutcome,
  startPlace,
  firstSideFor,
  reachedBy,
  speak,
  type FileFault,
  type Hand,
  type Piece,
  type StepPlace,
} from '@coiled-strand/core';
import { minutesOf } from '@coiled-strand/workshop';
import { Injectable } from '@nestjs/common';
import { InjectRepository } from '@nestjs/typeorm';
import { LRUCache } from 'lru-cache';
import {
  DataSource,
  type DeepPartial,
  IsNull,
  Repository,
  type EntityManager,
  type FindOptionsWhere,
} from 'typeorm';
import { invalid, notFound } from '../errors/app-error.js';
import { takeIn } from '../hand/keep-hand.js';
import { makeMeasured } from '../hand/measured.js';
import { HandService } from '../hand/hand.service.js';
import { followLine, standingLine } from '../orders/line-progress.js';
import { Planner } from '../planner/planner.service.js';
import { PieceRow } from '../rows/piece.entity.js';
import { Workshop } from '../rows/workshop.entity.js';
import { CurrentWorkshop } from '../workshop/current-workshop.js';
import { pageOf, withWords, type Order } from '../rows/page-of.js';
import { MakeRow } from '../rows/make.entity.js';
import {
  alreadyLogged,
  faultsOfHalfWay,
  faultsOfLog,
  givenUp,
  noSuchPlace,
  wentOnElsewhere,
} from './make-faults.js';
import { makeView, type AboutMake } from './make-view.js';

const ORDERS: Readonly<Record<MakeSort, Order>> = {
  begun: { by: 'createdAt', descending: true },
  logged: { by: 'loggedAt', descending: true },
  name: { by: 'sortName' },
};

/** What a make is told with besides its own row. */
const ABOUT = `
  select of.id,
    coalesce((
      select json_agg(json_build_object('id', id, 'type', type, 'size', size) order by created_at)
      from photo where make_id = of.id), '[]') as photos,
    (select archived_at is not null from piece where id = of.piece_id) as "putAway",
    exists (select from movement where make_id = of.id) as "stashTold"
  from unnest($1::uuid[], $2::uuid[]) of(id, piece_id)`;

/** So many makes are on tables at once. */
const AT_HAND = 100;

@Injectable()
export class MakesService {
  private readonly plans = new LRUCache<string, MakePlanView>({ max: AT_HAND });

  constructor(
    @InjectRepository(MakeRow) private readonly makes: Repository<MakeRow>,
    @InjectRepository(PieceRow) private readonly pieces: Repository<PieceRow>,
    private readonly dataSource: DataSource,
    private readonly workshop: CurrentWorkshop,
    private readonly hand: HandService,
    private readonly planner: Planner,
  ) {}

  /** Makes of the workshop that were not given up. */
  async page({ sort = 'begun', ...asked }: MakesQueryDto): Promise<PageView<MakeView>> {
    const { q, state, technique, piece, ...page } = asked;
    const query = this.makes
      .createQueryBuilder('make')
      .where('make.workshop_id = :workshopId', { workshopId: await this.workshop.id() })
      .andWhere('make.abandoned_at is null');
    if (piece !== undefined) query.andWhere('make.piece_id = :piece', { piece });
    // What is not logged yet has no place among those that are.
    const logged = state === 'logged' || sort === 'logged';
    if (logged) query.andWhere('make.logged_at is not null');
    if (state === 'under-way') query.andWhere('make.logged_at is null');
    if (technique !== undefined) {
      query.andWhere('make.techniques @> :kinds', { kinds: JSON.stringify([technique]) });
    }
    const { rows, ...rest } = await pageOf(withWords(query, 'make', q), ORDERS[sort], page);
    return { items: await this.views(rows), ...rest };
  }

  async get(id: string): Promise<MakeView> {
    return this.view(await this.row(id));
  }

  /**
   * Freezes the piece and its plan as they are now, in this hand. A make under way is gone on with,
   * unless another is wanted beside it.
   */
  async begin(pieceId: string, { beside, repeat }: BeginMakeDto): Promise<MakeView> {
    const earlier = repeat ? await this.row(repeat) : null;
    if (earlier && earlier.pieceId !== pieceId) throw notFound('make of this piece');
    // All that is needed is at hand before the lock: who waits for it must not wait for a connection, nor
    // for a plan. A piece that is changed meanwhile is planned again.
    const workshop = await this.workshop.get();
    const hand = await this.hand.current();
    for (;;) {
      const seen = await this.pieces.findOneBy({
        id: pieceId,
        workshopId: workshop.id,
        archivedAt: IsNull(),
      });
      if (!seen) throw notFound('piece');
      const goesOn = beside || earlier ? null : await underWay(this.makes, pieceId);
      const piece = earlier?.piece ?? seen.spec;
      const planned = goesOn ? null : await this.planned(piece, workshop, hand);
      const row = await this.dataSource.transaction(async (manager) => {
        // Other windows that begin in the same moment wait here, and then find this make.
        const { version } = await this.lockPiece(manager, { id: pieceId, workshopId: workshop.id });
        const makes = manager.getRepository(MakeRow);
        const found = beside || earlier ? null : await underWay(makes, pieceId);
        if (found) return found;
        if (!planned || (!earlier && version !== seen.version)) return null;
        const last = await makes.maximum('number', { pieceId });
        return makes.save(makes.create({ ...planned, pieceId, number: (last ?? 0) + 1 }));
      });
      if (row) return this.view(row);
    }
  }

  /**
   * How far the make is. Several devices follow one make, and no clock is trusted: each tells from which place it
   * went on. Where another device has said something else since, and this would undo it or knows nothing of what
   * was undone there, the device is told instead, and its maker chooses.
   * What was heard before is not taken twice. Time and timers add up over devices.
   *
   * @throws AppError 409 `make.elsewhere` with the make as it stands
   */
  async setProgress(id: string, progress: ProgressDto): Promise<MakeView> {
    return this.changed(id, async (found, manager): Promise<Partial<MakeRow>> => {
      if (found.loggedAt) throw alreadyLogged();
      const { device = null, said, seconds, timers = [], at, measured } = progress;
      const heard = device === null ? 0 : (found.heard[device] ?? 0);
      if (said !== undefined && said <= heard) return {};
      if (measured) {
        const faults = faultsOfHalfWay(measured, await this.frozen(manager, found));
        if (faults.length > 0) throw invalid(faults, 'The progress');
      }
      return {
        ...(at ? await this.movedTo(at, progress, found, manager) : {}),
        ...(device !== null && said !== undefined
          ? { heard: { ...found.heard, [device]: said } }
          : {}),
        ...(device !== null && seconds ? { seconds: { ...found.seconds, [device]: seconds } } : {}),
        ...(measured === undefined ? {} : { measured }),
        timers: {
          ...found.timers,
          ...Object.fromEntries(
            timers.map(({ step, startedAt }): [string, string | null] => [step, startedAt]),
          ),
        },
      };
    });
  }

  /** The make at another place, where that is not news to another device. */
  private async movedTo(
    at: StepPlace,
    { from, device }: ProgressDto,
    found: MakeRow,
    manager: EntityManager,
  ): Promise<Partial<MakeRow>> {
    const { steps } = await this.frozen(manager, found);
    const done = actionsAt(steps, at);
    if (done === null) throw noSuchPlace(steps, at, 'at');
    const doneBy = device ?? null;
    if (from && found.doneBy !== doneBy) {
      const seen = actionsAt(steps, from);
      if (seen === null) throw noSuchPlace(steps, from, 'from');
      const now = found.reached.done;
      if (now !== seen && now !== done && (now < seen || done < now)) {
        throw wentOnElsewhere(await this.viewIn(manager, found));
      }
    }
    return { at, doneAt: new Date(), doneBy, reached: reachedBy(steps, done) };
  }

  async log(id: string, record: MakeLogDto): Promise<MakeView> {
    const { settings } = await this.workshop.get();
    return this.changed(
      id,
      async (found, manager) => {
        const { plan } = await this.frozen(manager, found);
        const faults = faultsOfLog(record, plan, settings);
        if (faults.length > 0) throw invalid(faults, 'The log');
        return {
          record,
          outcome: compareOutcome(found.piece, plan, record),
          loggedAt: found.loggedAt ?? new Date(),
        };
      },
      async (row, manager) => {
        await learnFrom(row, manager);
        if (row.lineId !== null) await followLine(manager, row.workshopId, row.lineId);
      },
    );
  }

  /** Says which line of an order it is made for; null for none. */
  setLine(id: string, lineId: string | null): Promise<MakeView> {
    return this.changed(
      id,
      async (_found, manager) => {
        if (lineId !== null) await standingLine(manager, await this.workshop.id(), lineId);
        return { lineId };
      },
      async (row, manager) => {
        if (lineId !== null) await followLine(manager, row.workshopId, lineId);
      },
    );
  }

  /** Gives a make under way up, or takes it up again. */
  async setAbandoned(id: string, abandoned: boolean): Promise<void> {
    const workshopId = await this.workshop.id();
    await this.dataSource.transaction(async (manager) => {
      const found = await this.locked(manager, { id, workshopId });
      if (found.loggedAt) throw alreadyLogged();
      await manager.update(MakeRow, { id }, { abandonedAt: abandoned ? new Date() : null });
    });
  }

  /** Lets a make not count for the hand, with the reason; or lets it count again. */
  setAside(id: string, reason: string | null): Promise<MakeView> {
    return this.changed(id, () => Promise.resolve({ setAside: reason }), learnFrom);
  }

  /** What the make goes by, as it was when it was begun. */
  async planOf(id: string): Promise<MakePlanView> {
    return this.frozen(this.dataSource.manager, await this.row(id));
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

  /**
   * Large, and the same for as long as the make lasts: that of makes on the table is kept at hand. When its wearer is
   * forgotten, on whichever server, what was kept under their name is not found any more.
   */
  private async frozen(
    manager: EntityManager,
    { id, piece }: Pick<MakeRow, 'id' | 'piece'>,
  ): Promise<MakePlanView> {
    const key = `${id} ${piece.wearer.name}`;
    const known = this.plans.get(key);
    if (known) return known;
    const { plan, steps, firstSide } = await manager.findOneOrFail(MakeRow, {
      where: { id },
      select: { id: true, plan: true, steps: true, firstSide: true },
    });
    const frozen = { plan, steps, firstSide };
    this.plans.set(key, frozen);
    return frozen;
  }

  /** A make that waits for whoever else is changing it. */
  private async locked(manager: EntityManager, where: FindOptionsWhere<MakeRow>): Promise<MakeRow> {
    const found = await manager.findOne(MakeRow, { where, lock: { mode: 'pessimistic_write' } });
    if (!found) throw notFound('make');
    return found;
  }

  /** Changes a make under its lock, so that nothing that is said at the same time is lost. */
  private async changed(
    id: string,
    change: (found: MakeRow, manager: EntityManager) => Promise<Partial<MakeRow>>,
    then?: (row: MakeRow, manager: EntityManager) => Promise<void>,
  ): Promise<MakeView> {
    const workshopId = await this.workshop.id();
    const row = await this.dataSource.transaction(async (manager) => {
      const found = await this.locked(manager, { id, workshopId });
      if (found.abandonedAt) throw givenUp();
      const changes = await change(found, manager);
      if (Object.keys(changes).length > 0) {
        await manager.update(MakeRow, { id }, changes);
      }
      const row = { ...found, ...changes };
      await then?.(row, manager);
      return row;
    });
    return this.view(row);
  }

  private async lockPiece(
    manager: EntityManager,
    where: FindOptionsWhere<PieceRow>,
  ): Promise<PieceRow> {
    const piece = await manager.findOne(PieceRow, {
      where: { ...where, archivedAt: IsNull() },
      lock: { mode: 'pessimistic_write' },
    });
    if (!piece) throw notFound('piece');
    return piece;
  }

  /** A make at its start: planned, with nothing done. */
  private async planned(
    piece: Piece,
    { id: workshopId, settings }: Workshop,
    hand: Hand,
  ): Promise<DeepPartial<MakeRow>> {
    const planned = await this.planner.make({ piece, hand, leads: settings.hand });
    if (!('steps' in planned)) {
      const errors = planned.advice.filter(({ severity }) => severity === 'error');
      const faults = errors.map(({ path, message }): FileFault => ({
        path,
        message: speak(message, settings),
      }));
      throw invalid(faults, 'The piece');
    }
    const { plan, steps } = planned;
    return {
      workshopId,
      piece,
      plan,
      steps,
      firstSide: firstSideFor(settings.hand),
      hand,
      at: startPlace(steps),
      reached: reachedBy(steps, 0),
      doneAt: new Date(0),
      doneBy: null,
      heard: {},
      seconds: {},
      timers: {},
      measured: null,
      record: null,
      outcome: null,
      loggedAt: null,
      abandonedAt: null,
      lineId: null,
      forecast: minutesOf({ piece, plan, steps, hand }),
      setAside: null,
    };
  }

  private view(row: MakeRow): Promise<MakeView> {
    return this.viewIn(this.dataSource.manager, row);
  }

  private async viewIn(manager: EntityManager, row: MakeRow): Promise<MakeView> {
    const [view] = await this.views([row], manager);
    return view!;
  }

  /** @param manager of the transaction under way, whose connection is used: another might not be to be had */
  private async views(
    rows: readonly MakeRow[],
    manager = this.dataSource.manager,
  ): Promise<MakeView[]> {
    const about = await manager.query<AboutMake[]>(ABOUT, [
      rows.map((row) => row.id),
      rows.map((row) => row.pieceId),
    ]);
    const byId = new Map(about.map((one) => [one.id, one]));
    return rows.map((row) => makeView(row, byId.get(row.id)!));
  }
}

/** What a logged make says of the hand counts from now on, or no more. */
async function learnFrom(row: MakeRow, manager: EntityManager): Promise<void> {
  if (row.loggedAt) await takeIn(manager, makeMeasured(row), row.outcome?.observations ?? []);
}

/** The make of a piece that was begun last and is not done; null where there is none. */
const underWay = (makes: Repository<MakeRow>, pieceId: string): Promise<MakeRow | null> =>
  makes.findOne({
    where: { pieceId, loggedAt: IsNull(), abandonedAt: IsNull() },
    order: { createdAt: 'DESC' },
  });
