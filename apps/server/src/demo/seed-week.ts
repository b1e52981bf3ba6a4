import {
  actionsBefore,
  makeSteps,
  planPiece,
  firstSideFor,
  reachedBy,
  stepPlaceOf,
  type Plan,
} from '@coiled-strand/core';
import {
  needsOf,
  cutPlans,
  minutesOf,
  thingKey,
  worthKeeping,
  type CordLot,
  type Solve,
  type WantedCut,
} from '@coiled-strand/workshop';
import type { CutDto, OrderState } from '@coiled-strand/contract';
import type { EntityManager } from 'typeorm';
import { beginLot, enter } from '../lots/ledger.js';
import { takeInLots } from '../lots/lots.service.js';
import { PackItem } from '../rows/list.entities.js';
import { LotRow } from '../rows/lot.entity.js';
import { MakeRow } from '../rows/make.entity.js';
import { MovementRow } from '../rows/movement.entity.js';
import type { PieceRow } from '../rows/piece.entity.js';
import {
  CustomerRow,
  CuttingRow,
  KitRow,
  OrderLineRow,
  OrderRow,
  ShoppingRow,
} from '../rows/week.entities.js';
import { Workshop } from '../rows/workshop.entity.js';
import { daysBefore } from './demo-data.js';
import { SETTINGS } from '../workshop/first-lists.js';
import { LOTS, PACKS, type DemoLot } from './stash-data.js';
import { BEFORE_OPENING, OPEN_EVENING, SOON, WEEK, WEEK_PRICING } from './week-data.js';

interface Ground {
  readonly manager: EntityManager;
  readonly workshopId: string;
  /** By name. */
  readonly pieces: ReadonlyMap<string, PieceRow>;
  readonly wearers: ReadonlyMap<string, string>;
}

/** Fills the week of the demo: what lies in the drawers, what is ordered, what cures. */
export async function seedWeek(ground: Ground): Promise<void> {
  const { manager, workshopId } = ground;
  await manager.update(Workshop, { id: workshopId }, { week: WEEK, pricing: WEEK_PRICING });
  for (const [i, value] of PACKS.entries()) {
    const createdAt = new Date(Date.now() + i);
    await manager.save(PackItem, manager.create(PackItem, { workshopId, value, createdAt }));
  }
  for (const lot of LOTS) await addLot(ground, lot);
  await addOffcuts(ground);
  const lines = await addOrders(ground);
  await addCuring(ground, lines.get('Plumb Line')!);
  await addKit(ground);
  await addCutting(ground);
  await addShopping(ground);
}

async function addLot({ manager, workshopId }: Ground, lot: DemoLot): Promise<void> {
  const { used = 0, weighed, boughtDaysAgo, lots = 1, dyeLot, useful, grams, ...about } = lot;
  const boughtOn = daysBefore(boughtDaysAgo).toISOString().slice(0, 10);
  const rows = await takeInLots(
    manager,
    workshopId,
    { ...about, lots, dyeLot, useful, grams, tare: weighed?.tare, boughtOn },
    SETTINGS,
  );
  for (let row of rows) {
    await manager.update(MovementRow, { lotId: row.id }, { createdAt: daysBefore(boughtDaysAgo) });
    const entries = [
      ...(used > 0 ? [{ reason: 'used' as const, amount: -used, days: boughtDaysAgo / 2 }] : []),
      ...(weighed
        ? [
            {
              reason: 'weighed' as const,
              amount: weighed.found - (lot.size - used),
              days: 4,
              grams: weighed.grams,
            },
          ]
        : []),
    ];
    for (const { days, ...entry } of entries) {
      const done = await enter(manager, row, entry, SETTINGS);
      row = done.lot;
      const { id } = done.movement;
      await manager.update(MovementRow, { id }, { createdAt: daysBefore(days) });
    }
  }
}

/** What the logged makes left over, where it is long enough to keep. */
async function addOffcuts({ manager, workshopId }: Ground): Promise<void> {
  const makes = await manager
    .createQueryBuilder(MakeRow, 'make')
    .addSelect('make.plan')
    .where('make.workshop_id = :workshopId and make.logged_at is not null', { workshopId })
    .orderBy('make.created_at')
    .getMany();
  for (const make of makes) {
    for (const [i, strand] of make.plan.strands.entries()) {
      const key = thingKey({ kind: 'cord', cord: strand.cord });
      const lot = await manager.findOne(LotRow, {
        where: { workshopId, key },
        order: { left: 'ASC' },
      });
      const { kept } = worthKeeping([{ length: make.record!.cords[i]!.leftover }], 150);
      if (!lot) continue;
      for (const { length } of kept) {
        await beginLot(
          manager,
          {
            ...{ workshopId, thing: lot.thing, key, form: 'offcut', place: 'Offcut tin' },
            ...{ dyeLot: lot.dyeLot, boughtOn: lot.boughtOn, size: length, whole: false },
            cents: lot.cents === null ? null : Math.round((lot.cents * length) / lot.size),
            ...{ parent: lot.id, tare: null, grams: null, useful: null },
          },
          { reason: 'put-back', makeId: make.id, strand: strand.number },
          SETTINGS,
        );
      }
    }
  }
}

interface DemoOrder {
  readonly who: readonly [name: string, contact: string];
  readonly state: OrderState;
  readonly promisedFor: string | null;
  readonly price: number | null;
  readonly paid: number;
  /** When it was asked for, in days before today. */
  readonly days: number;
  readonly note: string;
  readonly of: readonly (readonly [what: string, size: string, number: number])[];
}

/** @returns the lines by what they are of */
async function addOrders({ manager, workshopId, pieces }: Ground): Promise<Map<string, string>> {
  const lines = new Map<string, string>();
  const orders: readonly DemoOrder[] = [
    {
      who: ['Alder Rise Observatory society', 'the notice board by the dome'],
      ...{ state: 'promised', promisedFor: OPEN_EVENING, price: 15_000, paid: 0, days: 6 },
      note: 'Six for the gift table. The open evening begins at seven.',
      of: [
        ['Perseid', 'small', 2],
        ['Perseid', 'medium', 2],
        ['Perseid', 'large', 2],
      ],
    },
    {
      who: ['Tobias Renn', 'after the Tuesday tour'],
      ...{ state: 'promised', promisedFor: BEFORE_OPENING, price: 3800, paid: 0, days: 1 },
      note: 'A late wish: one more like the first.',
      of: [['Meridian', '', 1]],
    },
    {
      who: ['Ines Varga', 'keeps the dome'],
      ...{ state: 'in-work', promisedFor: SOON, price: 6400, paid: 3200, days: 9 },
      note: 'Half was paid when it was asked for.',
      of: [
        ['Plumb Line', '', 1],
        ['Azimuth', '', 1],
      ],
    },
    {
      who: ['Oluchi Adeyemi', ''],
      ...{ state: 'asked', promisedFor: null, price: null, paid: 0, days: 2 },
      note: 'No hurry, but before the new year.',
      of: [['Night Tide', '', 1]],
    },
  ] as const;
  for (const { who, of, days, ...order } of orders) {
    const [name, contact] = who;
    const customer = await manager.save(
      CustomerRow,
      manager.create(CustomerRow, { workshopId, name, contact, forgottenAt: null }),
    );
    const row = await manager.save(
      OrderRow,
      manager.create(OrderRow, {
        workshopId,
        customerId: customer.id,
        ...order,
        changedAt: daysBefore(days),
        createdAt: daysBefore(days),
      }),
    );
    for (const [place, [what, size, number]] of of.entries()) {
      const line = await manager.save(
        OrderLineRow,
        manager.create(OrderLineRow, {
          ...{ workshopId, orderId: row.id, place, what, size, colour: '', number },
          pieceId: pieces.get(what)!.id,
        }),
      );
      lines.set(what, line.id);
    }
  }
  return lines;
}

/** Hours since the glue of the piece that cures was set: it is done tomorrow evening. */
const CURES_SINCE = 2;

async function addCuring({ manager, pieces }: Ground, lineId: string): Promise<void> {
  const row = pieces.get('Plumb Line')!;
  const plan = planPiece(row.spec);
  if (!plan.ok) throw new Error('the demo piece cannot be planned');
  const steps = makeSteps(row.spec, plan, SETTINGS);
  const glued = steps.findIndex(({ wait }) => (wait?.minutes ?? 0) > 60);
  const done = actionsBefore(steps, glued + 1);
  const since = new Date(Date.now() - CURES_SINCE * 3_600_000);
  await manager.save(MakeRow, {
    ...{ workshopId: row.workshopId, pieceId: row.id, piece: row.spec, plan, hand: [], number: 1 },
    ...{ steps, firstSide: firstSideFor(SETTINGS.hand), lineId },
    forecast: minutesOf({ piece: row.spec, plan, steps, hand: [] }),
    at: stepPlaceOf(steps, done),
    reached: reachedBy(steps, done),
    ...{ doneAt: since, doneBy: null, heard: {}, seconds: {}, setAside: null },
    timers: glued >= 0 ? { [steps[glued]!.id]: since.toISOString() } : {},
    ...{ record: null, outcome: null, loggedAt: null, abandonedAt: null },
    createdAt: daysBefore(1),
  });
}

async function addKit({ manager, workshopId, pieces, wearers }: Ground): Promise<void> {
  const pieceId = pieces.get('Perseid')!.id;
  const sizes = ['small', 'medium', 'large'].map((size) => wearers.get(`Gift table, ${size}`)!);
  await manager.save(
    KitRow,
    manager.create(KitRow, {
      workshopId,
      pieceId,
      kit: { name: 'Class on the open evening', pieceId, number: 12, sizes },
      packed: 3,
    }),
  );
}

const NO_SOLVER: Solve = () => ({ status: 'nothing-found' });

/** A session that was begun: what Tobias’s and one of the society’s need, one cut made. */
async function addCutting({ manager, workshopId, pieces }: Ground): Promise<void> {
  const cuts = ['Meridian', 'Perseid'].flatMap((name): CutDto[] => {
    const row = pieces.get(name)!;
    const plan = planPiece(row.spec) as Plan;
    return needsOf(row.spec, plan).cuts.map(({ id, strand, role, cord, length, fold }) => ({
      ...{ id: `${name}-${id}`, thing: thingKey({ kind: 'cord', cord }), cord: cord.name },
      ...{ colour: cord.colour.hex, length, piece: name, copy: 1, role, pieceId: row.id },
      ...(strand === null ? {} : { strand }),
      ...(fold === null ? {} : { fold }),
    }));
  });
  const lots = await manager.findBy(LotRow, { workshopId });
  const supply = lots
    .filter(({ thing, left }) => thing.kind === 'cord' && left > 0)
    .map((lot): CordLot => ({
      ...{ id: lot.id, thing: lot.key, length: lot.left, dyeLot: lot.dyeLot },
      ...{ whole: lot.whole, useful: lot.useful ?? 300 },
    }));
  const wanted = cuts.map(({ id, thing, length }): WantedCut => ({ id, thing, length }));
  const [plan] = cutPlans(wanted, supply, { solve: NO_SOLVER, left: () => 0 });
  const session = await manager.save(
    CuttingRow,
    manager.create(CuttingRow, {
      workshopId,
      name: 'Tobias’s, and one for the society',
      closedAt: null,
      session: {
        name: 'Tobias’s, and one for the society',
        cuts,
        lots: plan!.lots.map(({ lot, cuts: own }) => ({ lot, cuts: own.map(({ id }) => id) })),
        proof: plan!.proof,
        oneDyeLot: true,
      },
    }),
  );
  const first = plan!.lots[0]!;
  const lot = await manager.findOneByOrFail(LotRow, { id: first.lot });
  const { id: cutId, length } = first.cuts[0]!;
  const entry = { reason: 'cut', amount: -length, cuttingId: session.id, cutId } as const;
  await enter(manager, lot, entry, SETTINGS);
}

async function addShopping({ manager, workshopId }: Ground): Promise<void> {
  const spool = PACKS.find(({ thing }) => thing.kind === 'cord' && thing.cord.diameter === 0.8)!;
  await manager.save(
    ShoppingRow,
    manager.create(ShoppingRow, {
      workshopId,
      item: { ...spool, count: 1, note: 'Night Tide' },
      ticked: false,
      arrived: 0,
    }),
  );
}
