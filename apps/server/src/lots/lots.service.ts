import type {
  AboutLotDto,
  CutForView,
  FromMakeDto,
  LotSort,
  LotsQueryDto,
  LotView,
  MadeFromDto,
  MoveDto,
  MovementView,
  PageQueryDto,
  PageView,
  TakeInDto,
} from '@coiled-strand/contract';
import type { SpokenUnits } from '@coiled-strand/core';
import { difference, opposite, shareOut, thingKey } from '@coiled-strand/workshop';
import { HttpStatus, Injectable } from '@nestjs/common';
import { DataSource, type EntityManager } from 'typeorm';
import { AppError, invalid, notFound } from '../errors/app-error.js';
import { refuseStale } from '../http/etag.js';
import { LotRow } from '../rows/lot.entity.js';
import { MakeRow } from '../rows/make.entity.js';
import { MovementRow } from '../rows/movement.entity.js';
import { pageOf, withWords, type Order } from '../rows/page-of.js';
import { writeAuditEntry } from '../trail/audit-entry.js';
import { CurrentWorkshop } from '../workshop/current-workshop.js';
import { beginLot, enter, lockedLot, lotView } from './ledger.js';
import { movementViews } from './movement-view.js';

const ORDERS: Readonly<Record<LotSort, Order>> = {
  name: { by: 'sortName' },
  added: { by: 'createdAt', descending: true },
  least: { by: 'left' },
};

/** A cutting session is planned over so many lots at most. */
const MAX_LOTS = 1000;

/** A movement as it was written, and its lot after it. */
export interface Moved {
  readonly lot: LotView;
  readonly movement: string;
}

@Injectable()
export class LotsService {
  constructor(
    private readonly dataSource: DataSource,
    private readonly workshop: CurrentWorkshop,
  ) {}

  async page({
    q,
    kind,
    state = 'left',
    sort = 'name',
    ...page
  }: LotsQueryDto): Promise<PageView<LotView>> {
    const query = this.dataSource
      .getRepository(LotRow)
      .createQueryBuilder('lot')
      .where('lot.workshop_id = :workshopId', { workshopId: await this.workshop.id() });
    if (kind !== undefined) query.andWhere('lot.kind = :kind', { kind });
    if (state === 'left') query.andWhere('lot.left_over > 0');
    if (state === 'used-up') query.andWhere('lot.left_over = 0');
    const { rows, ...rest } = await pageOf(withWords(query, 'lot', q), ORDERS[sort], page);
    return { items: rows.map(lotView), ...rest };
  }

  async get(id: string): Promise<LotView> {
    const workshopId = await this.workshop.id();
    const row = await this.dataSource.manager.findOneBy(LotRow, { id, workshopId });
    if (!row) throw notFound('lot');
    return lotView(row);
  }

  /** Every lot of some things of which something is left, the shortest first. */
  async ofThings(things: readonly string[]): Promise<LotView[]> {
    if (things.length === 0) return [];
    const rows = await this.dataSource
      .getRepository(LotRow)
      .createQueryBuilder('lot')
      .where('lot.workshop_id = :workshopId', { workshopId: await this.workshop.id() })
      .andWhere('lot.left_over > 0')
      .andWhere('lot.thing_key in (:...things)', { things })
      .orderBy('lot.left', 'ASC')
      .addOrderBy('lot.id', 'ASC')
      .limit(MAX_LOTS)
      .getMany();
    return rows.map(lotView);
  }

  async movements(id: string, { limit, after }: PageQueryDto): Promise<PageView<MovementView>> {
    const workshopId = await this.workshop.id();
    await this.get(id);
    const query = this.dataSource
      .getRepository(MovementRow)
      .createQueryBuilder('movement')
      .where('movement.workshop_id = :workshopId', { workshopId })
      .andWhere('movement.lot_id = :id', { id });
    const order: Order = { by: 'createdAt', descending: true };
    const { rows, ...rest } = await pageOf(query, order, { limit, after });
    return { items: await movementViews(this.dataSource.manager, rows), ...rest };
  }

  /** What was bought, as one lot or several alike. */
  async takeIn(taken: TakeInDto): Promise<LotView[]> {
    const { id: workshopId, settings } = await this.workshop.get();
    return this.dataSource.transaction(async (manager) =>
      (await takeInLots(manager, workshopId, taken, settings)).map(lotView),
    );
  }

  /**
   * What is known of a lot besides how much is left: that is the ledger's.
   *
   * @param seen If-Match of the change
   * @throws AppError 412 where it was changed since, 428 where nothing says what was seen
   */
  async change(id: string, about: AboutLotDto, seen: string | undefined): Promise<LotView> {
    const workshopId = await this.workshop.id();
    await this.dataSource.transaction(async (manager) => {
      const now = lotView(await lockedLot(manager, workshopId, id));
      refuseStale(seen, now.etag, now);
      await manager.update(LotRow, { id }, aboutOf(about));
      await writeAuditEntry(manager, 'lot.changed', { subject: id });
    });
    return this.get(id);
  }

  async move(id: string, move: MoveDto): Promise<Moved> {
    const { id: workshopId, settings } = await this.workshop.get();
    return this.dataSource.transaction(async (manager) => {
      const lot = await lockedLot(manager, workshopId, id);
      const { reason, amount, note, grams } = move;
      const found = reason === 'counted' || reason === 'measured' || reason === 'weighed';
      const done = await enter(
        manager,
        lot,
        {
          reason,
          amount: found ? difference(lot.left, amount) : -amount,
          note: note ?? '',
          grams: grams ?? null,
        },
        settings,
      );
      return { lot: lotView(done.lot), movement: done.movement.id };
    });
  }

  /** Writes the opposite of a movement. */
  async undo(id: string): Promise<Moved> {
    const { id: workshopId, settings } = await this.workshop.get();
    return this.dataSource.transaction(async (manager) => {
      const seen = await manager.findOneBy(MovementRow, { id, workshopId });
      if (!seen) throw notFound('movement');
      const lot = await lockedLot(manager, workshopId, seen.lotId);
      if (seen.undoes !== null || (await manager.existsBy(MovementRow, { undoes: id }))) {
        throw undoneAlready();
      }
      const { cuttingId, cutId, makeId, strand } = seen;
      const done = await enter(
        manager,
        lot,
        { ...opposite(seen), cuttingId, cutId, makeId, strand },
        settings,
      );
      return { lot: lotView(done.lot), movement: done.movement.id };
    });
  }

  /**
   * What a logged make was cut from, and what came back of it, once for each strand: cuts that stand in the ledger
   * already, from a cutting session, are not taken twice.
   *
   * @throws AppError 422 where more came back of a strand than was cut for it
   */
  async fromMake({ make: makeId, cords }: FromMakeDto): Promise<LotView[]> {
    const { id: workshopId, settings } = await this.workshop.get();
    return this.dataSource.transaction(async (manager) => {
      // Two who say it of the same make come one after the other: the second finds it said.
      const make = await manager.findOne(MakeRow, {
        select: { id: true, workshopId: true, pieceId: true },
        where: { id: makeId, workshopId },
        lock: { mode: 'pessimistic_write' },
      });
      if (!make) throw notFound('make');
      refuseLongOffcuts(cords);
      const offcuts: LotView[] = [];
      // Always in the same order, so that two who take from the same lots do not wait for each other.
      for (const { strand, lot: id, cut, offcuts: kept } of [...cords].sort((a, b) =>
        a.lot < b.lot ? -1 : 1,
      )) {
        const lot = await lockedLot(manager, workshopId, id);
        // What stands in the ledger was told before, with what came back of it.
        if (await standsForStrand(manager, makeId, strand)) continue;
        const before = (await cutBefore(manager, make, strand)).find(
          ({ lot: from }) => from === id,
        );
        // What was cut in a session is only said to be for this make: a line that takes nothing.
        const entry = before
          ? { amount: 0, cuttingId: before.cutting.id, cutId: before.cut }
          : { amount: -cut };
        await enter(manager, lot, { reason: 'cut', ...entry, makeId, strand }, settings);
        for (const length of kept) {
          offcuts.push(
            lotView(await this.offcut(manager, lot, { length, makeId, strand }, settings)),
          );
        }
      }
      return offcuts;
    });
  }

  /** What was cut in sessions for the piece of a make, and went into no make yet. */
  async cutFor(makeId: string): Promise<CutForView[]> {
    const workshopId = await this.workshop.id();
    const { manager } = this.dataSource;
    const make = await manager.findOneBy(MakeRow, { id: makeId, workshopId });
    if (!make) throw notFound('make');
    return cutBefore(manager, make, null);
  }

  /** A rest that is kept: a lot of its own, worth its share of what it was cut from. */
  private async offcut(
    manager: EntityManager,
    lot: LotRow,
    { length, makeId, strand }: { length: number; makeId: string | null; strand: number | null },
    units: SpokenUnits,
  ): Promise<LotRow> {
    const rest = Math.max(0, lot.size - length);
    return beginLot(
      manager,
      {
        workshopId: lot.workshopId,
        thing: lot.thing,
        key: lot.key,
        form: 'offcut',
        place: lot.place,
        dyeLot: lot.dyeLot,
        boughtOn: lot.boughtOn,
        cents: lot.cents === null ? null : shareOut(lot.cents, [length, rest])[0]!,
        size: length,
        whole: false,
        parent: lot.id,
        tare: null,
        grams: lot.grams,
        useful: lot.useful,
      },
      { reason: 'put-back', makeId, strand },
      units,
    );
  }
}

export const aboutOf = ({ form, place, dyeLot, tare, grams, useful }: AboutLotDto) => ({
  form,
  place: place ?? '',
  // What is left empty was not noted.
  dyeLot: dyeLot?.trim() ? dyeLot.trim() : null,
  tare: tare ?? null,
  grams: grams ?? null,
  useful: useful ?? null,
});

/** New lots of what was bought. */
export async function takeInLots(
  manager: EntityManager,
  workshopId: string,
  { thing, size, lots, cents, boughtOn, ...about }: TakeInDto,
  units: SpokenUnits,
): Promise<LotRow[]> {
  const rows: LotRow[] = [];
  for (let n = 0; n < lots; n++) {
    rows.push(
      await beginLot(
        manager,
        {
          workshopId,
          thing,
          key: thingKey(thing),
          ...aboutOf(about),
          boughtOn: boughtOn ?? null,
          cents,
          size,
          whole: true,
          parent: null,
        },
        { reason: 'bought' },
        units,
      ),
    );
  }
  return rows;
}

/**
 * Cuts of sessions that stand in the ledger, were made for the piece of a make, and went into no make yet.
 *
 * @param strand null for all strands
 */
const cutBefore = (
  manager: EntityManager,
  { workshopId, pieceId }: Pick<MakeRow, 'workshopId' | 'pieceId'>,
  strand: number | null,
): Promise<CutForView[]> =>
  manager.query<CutForView[]>(
    `select (cut ->> 'strand')::int as strand, m.cut_id as cut, m.lot_id as lot, -m.amount as length,
       json_build_object('id', c.id, 'name', c.name) as cutting
     from movement m
     join cutting c on c.id = m.cutting_id
     cross join lateral json_array_elements(c.session -> 'cuts') cut
     where m.workshop_id = $1 and m.reason = 'cut' and m.amount < 0 and m.make_id is null
       and cut ->> 'id' = m.cut_id and cut ->> 'pieceId' = $2::text and cut ->> 'strand' is not null
       and ($3::int is null or (cut ->> 'strand')::int = $3)
       and not exists (select from movement back where back.undoes = m.id)
       and not exists (
         select from movement said where said.cutting_id = m.cutting_id and said.cut_id = m.cut_id
           and said.make_id is not null)
     order by m.created_at, m.id`,
    [workshopId, pieceId, strand],
  );

async function standsForStrand(
  manager: EntityManager,
  makeId: string,
  strand: number,
): Promise<boolean> {
  const [answer] = await manager.query<{ stands: boolean }[]>(
    `select exists (
       select from movement cut where make_id = $1 and strand = $2 and reason = 'cut'
         and not exists (select from movement back where back.undoes = cut.id)) as stands`,
    [makeId, strand],
  );
  return answer?.stands === true;
}

function refuseLongOffcuts(cords: readonly MadeFromDto[]): void {
  const at = cords.findIndex(
    ({ cut, offcuts }) => offcuts.reduce((sum, one) => sum + one, 0) > cut,
  );
  if (at < 0) return;
  const message = 'are longer together than what was cut';
  throw invalid([{ path: `cords[${at}].offcuts`, message }], 'What was sent');
}

const undoneAlready = (): AppError =>
  new AppError(
    HttpStatus.CONFLICT,
    'movement.undone',
    'This was undone already.',
    'Look at the lot again: what is left of it is right.',
  );
