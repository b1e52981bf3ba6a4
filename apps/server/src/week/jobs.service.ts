import type { JobsView, JobView, MakeView } from '@coiled-strand/contract';
import type { Hand, Step } from '@coiled-strand/core';
import { minutesOf, tasksOf, type Task, type Took } from '@coiled-strand/workshop';
import { Injectable } from '@nestjs/common';
import { LRUCache } from 'lru-cache';
import { DataSource, In, IsNull, Not } from 'typeorm';
import { AppError } from '../errors/app-error.js';
import { HandService } from '../hand/hand.service.js';
import { MakesService } from '../makes/makes.service.js';
import { countMakes } from '../orders/line-progress.js';
import { Planner } from '../planner/planner.service.js';
import { MakeRow } from '../rows/make.entity.js';
import { PieceRow } from '../rows/piece.entity.js';
import { CustomerRow, OrderLineRow, OrderRow } from '../rows/week.entities.js';
import type { Workshop } from '../rows/workshop.entity.js';
import { CurrentWorkshop } from '../workshop/current-workshop.js';

/** More than a pair of hands has on its table. */
const MAX_JOBS = 300;
/** So many of the last makes tell the pace. */
const LAST_MAKES = 40;

const MINUTE = 60_000;

type Tasks = readonly Omit<Task, 'job'>[];

/** A line of an open order with how many of it are still to be begun. */
interface OpenLine {
  readonly line: OrderLineRow;
  readonly order: OrderRow;
  readonly customer: string;
  readonly left: number;
}

/** What there is to do, as tasks: makes under way, and what is ordered and not begun. */
@Injectable()
export class JobsService {
  /** Tasks of pieces that are not begun, by piece, version and hand: planning them takes a while. */
  private readonly cache = new LRUCache<string, { readonly tasks: Tasks | null }>({ max: 200 });

  constructor(
    private readonly dataSource: DataSource,
    private readonly workshop: CurrentWorkshop,
    private readonly hand: HandService,
    private readonly planner: Planner,
    private readonly makes: MakesService,
  ) {}

  async jobs(): Promise<JobsView> {
    const workshop = await this.workshop.get();
    const lines = await this.openLines(workshop.id);
    const begun = await this.underWay(lines);
    const jobs: JobView[] = [...begun];
    const unplanned: JobsView['unplanned'][number][] = [];
    const hand = await this.hand.current();
    const pieces = await this.piecesOf(workshop.id, lines);
    for (const { line, order, customer, left } of lines) {
      if (left <= 0) continue;
      const piece = pieces.get(line.pieceId ?? '');
      const tasks = piece ? await this.tasksOfPiece(piece, workshop, hand) : null;
      if (!tasks) {
        unplanned.push({ orderId: order.id, lineId: line.id, what: line.what, number: left });
        continue;
      }
      for (let n = line.number - left; n < line.number && jobs.length < MAX_JOBS; n++) {
        const id = `line:${line.id}:${n + 1}`;
        jobs.push({
          id,
          name: line.number > 1 ? `${whatOf(line)} ${n + 1}` : whatOf(line),
          what: whatOf(line),
          pieceId: line.pieceId,
          makeId: null,
          orderId: order.id,
          lineId: line.id,
          customer,
          due: order.promisedFor,
          release: null,
          waitsFor: null,
          tasks: tasks.map((task) => ({ ...task, id: `${id}${task.id}` })),
        });
      }
    }
    return { jobs, unplanned, took: await this.took(workshop.id) };
  }

  private async underWay(lines: readonly OpenLine[]): Promise<JobView[]> {
    const { items } = await this.makes.page({ state: 'under-way', limit: 100 });
    return Promise.all(
      items
        .filter(({ putAway }) => !putAway)
        .map(async (make): Promise<JobView> => {
          const { plan, steps } = await this.makes.planOf(make.id);
          const { piece, hand, reached } = make;
          const id = `make:${make.id}`;
          const of = lines.find(({ line }) => line.id === make.lineId);
          const wait = runningWait(make, steps);
          return {
            id,
            name: make.number > 1 ? `${piece.name} ${make.number}` : piece.name,
            what: piece.name,
            pieceId: make.pieceId,
            makeId: make.id,
            orderId: of?.order.id ?? null,
            lineId: make.lineId,
            customer: of?.customer ?? null,
            due: of?.order.promisedFor ?? null,
            release: wait ? new Date(wait.ends).toISOString() : null,
            waitsFor: wait?.what ?? null,
            tasks: tasksOf(id, { piece, plan, steps, hand }, reached.done).map(withoutJob),
          };
        }),
    );
  }

  private async openLines(workshopId: string): Promise<OpenLine[]> {
    const { manager } = this.dataSource;
    const orders = await manager
      .getRepository(OrderRow)
      .createQueryBuilder('ordered')
      .where('ordered.workshop_id = :workshopId and not ordered.closed', { workshopId })
      .orderBy('ordered.due', 'ASC')
      .addOrderBy('ordered.id', 'ASC')
      .limit(MAX_JOBS)
      .getMany();
    if (orders.length === 0) return [];
    const lines = await manager.find(OrderLineRow, {
      where: { orderId: In(orders.map(({ id }) => id)) },
      order: { place: 'ASC' },
    });
    const customers = await manager.findBy(CustomerRow, {
      id: In(orders.map(({ customerId }) => customerId)),
    });
    const counts = await countMakes(
      manager,
      lines.map(({ id }) => id),
    );
    return orders.flatMap((order) =>
      lines
        .filter(({ orderId }) => orderId === order.id)
        .map((line): OpenLine => {
          const { made = 0, underWay = 0 } = counts.find((one) => one.line === line.id) ?? {};
          return {
            line,
            order,
            customer: customers.find(({ id }) => id === order.customerId)?.name ?? '',
            left: line.number - made - underWay,
          };
        }),
    );
  }

  private async piecesOf(
    workshopId: string,
    lines: readonly OpenLine[],
  ): Promise<Map<string, PieceRow>> {
    const ids = lines.flatMap(({ line }) => line.pieceId ?? []);
    const rows = await this.dataSource.manager.findBy(PieceRow, {
      id: In(ids),
      workshopId,
      archivedAt: IsNull(),
    });
    return new Map(rows.map((row) => [row.id, row]));
  }

  /** null for a piece that cannot be made as it is. */
  private async tasksOfPiece(
    { id, version, spec }: PieceRow,
    { settings }: Workshop,
    hand: Hand,
  ): Promise<Tasks | null> {
    const key = JSON.stringify([id, version, settings.hand, hand]);
    const known = this.cache.get(key);
    if (known) return known.tasks;
    const tasks = await this.planned(spec, settings.hand, hand);
    this.cache.set(key, { tasks });
    return tasks;
  }

  private async planned(
    piece: PieceRow['spec'],
    leads: Workshop['settings']['hand'],
    hand: Hand,
  ): Promise<Tasks | null> {
    try {
      const planned = await this.planner.make({ piece, hand, leads });
      if (!('steps' in planned)) return null;
      return tasksOf('', { piece, hand, ...planned }).map(withoutJob);
    } catch (error) {
      // What is too large to be planned has no times; that is said of the piece itself.
      if (error instanceof AppError && error.code === 'piece.too-large') return null;
      throw error;
    }
  }

  /** Minutes thought and taken of the last makes, the last first. */
  private async took(workshopId: string): Promise<Took[]> {
    const rows = await this.dataSource.manager.find(MakeRow, {
      where: { workshopId, loggedAt: Not(IsNull()), abandonedAt: IsNull(), setAside: IsNull() },
      order: { loggedAt: 'DESC' },
      take: LAST_MAKES,
    });
    const took: Took[] = [];
    for (const row of rows) {
      const actual = row.record?.minutes ?? 0;
      if (actual > 0) took.push({ forecast: await this.forecastOf(row), actual });
    }
    return took;
  }

  /** Of a make from before it was kept it is found once. */
  private async forecastOf({ id, piece, hand, forecast }: MakeRow): Promise<number> {
    if (forecast !== null) return forecast;
    const { plan, steps } = await this.makes.planOf(id);
    const minutes = minutesOf({ piece, plan, steps, hand });
    await this.dataSource.manager.update(MakeRow, { id }, { forecast: minutes });
    return minutes;
  }
}

const whatOf = ({ what, size }: OrderLineRow): string => (size === '' ? what : `${what}, ${size}`);

const withoutJob = ({ job: _job, ...task }: Task): Omit<Task, 'job'> => task;

/** The wait of a make that is over last; null where none runs. */
function runningWait(
  { timers }: Pick<MakeView, 'timers'>,
  steps: readonly Step[],
): { readonly ends: number; readonly what: string } | null {
  const running = timers.flatMap(({ step: id, startedAt }) => {
    const wait = steps.find((step) => step.id === id)?.wait;
    if (!wait || startedAt === null) return [];
    return [{ ends: Date.parse(startedAt) + wait.minutes * MINUTE, what: wait.what }];
  });
  const last = running.sort((a, b) => b.ends - a.ends)[0];
  return last && last.ends > Date.now() ? last : null;
}
