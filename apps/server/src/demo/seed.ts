import { sumOfMinutes } from '@coiled-strand/contract';
import {
  compareOutcome,
  firstSideFor,
  makeSteps,
  minutesOf,
  planPiece,
  reachedBy,
  stepPlaceOf,
  totalActions,
} from '@coiled-strand/core';
import type { DataSource, EntityManager } from 'typeorm';
import { SwatchRow } from '../rows/swatch.entity.js';
import { MakeRow } from '../rows/make.entity.js';
import { PieceRow } from '../rows/piece.entity.js';
import { BeadItem, CordItem, FittingItem, WearerItem } from '../rows/list.entities.js';
import { seedWeek } from './seed-week.js';
import { Workshop } from '../rows/workshop.entity.js';
import {
  BEADS,
  CORDS,
  daysBefore,
  EARLIER,
  earlierRecord,
  FITTINGS,
  PIECES,
  SETTINGS,
  SWATCHES,
  WEARERS,
} from './demo-data.js';

/** Fills a database that holds no workshop yet: with the demo, or with an empty workshop. */
export async function seed(dataSource: DataSource, demo: boolean): Promise<void> {
  await dataSource.transaction(async (manager) => {
    if ((await manager.count(Workshop)) > 0) return;
    const workshop = await manager.save(Workshop, {
      name: demo ? 'Thistledown Bench' : 'My bench',
      maker: demo ? 'Marit Solheim-Okafor' : '',
      settings: SETTINGS,
    });
    await addLists(manager, workshop.id, demo);
    if (!demo) return;
    for (const value of SWATCHES) {
      await manager.save(SwatchRow, {
        workshopId: workshop.id,
        value,
        setAside: null,
        createdAt: daysBefore(5),
      });
    }
    const pieces = new Map<string, PieceRow>();
    for (const [index, piece] of PIECES.entries()) {
      const row = await manager.save(PieceRow, {
        workshopId: workshop.id,
        version: 1,
        spec: piece,
        archivedAt: null,
        createdAt: new Date(Date.now() + index),
        // The first of them was changed last.
        updatedAt: new Date(Date.now() - index * 1000),
      });
      for (const earlier of EARLIER.filter((make) => make.piece === index)) {
        await addEarlierMake(manager, row, earlier);
      }
      pieces.set(piece.name, row);
    }
    const listed = await manager.findBy(WearerItem, { workshopId: workshop.id });
    const wearers = new Map(listed.map(({ id, value }) => [value.name, id]));
    await seedWeek({ manager, workshopId: workshop.id, pieces, wearers });
  });
}

/** A workshop can do nothing without cords, beads and closures to choose from, demo or not. */
async function addLists(manager: EntityManager, workshopId: string, demo: boolean): Promise<void> {
  const at = (i: number): Date => new Date(Date.now() + i);
  const rows = <T>(values: readonly T[]) =>
    values.map((value, i) => ({ workshopId, value, createdAt: at(i) }));
  await manager.insert(CordItem, rows(CORDS));
  await manager.insert(BeadItem, rows(BEADS));
  await manager.insert(FittingItem, rows(FITTINGS));
  if (demo) await manager.insert(WearerItem, rows(WEARERS));
}

async function addEarlierMake(
  manager: EntityManager,
  row: PieceRow,
  earlier: (typeof EARLIER)[number],
): Promise<void> {
  const piece = row.spec;
  const plan = planPiece(piece);
  if (!plan.ok) throw new Error('the demo piece cannot be planned');
  const record = earlierRecord(earlier, plan);
  const steps = makeSteps(piece, plan, SETTINGS);
  const total = totalActions(steps);
  await manager.save(MakeRow, {
    workshopId: row.workshopId,
    pieceId: row.id,
    piece,
    plan,
    hand: [],
    number: 1,
    steps,
    firstSide: firstSideFor(SETTINGS.hand),
    at: stepPlaceOf(steps, total),
    reached: reachedBy(steps, total),
    doneAt: daysBefore(earlier.daysAgo, sumOfMinutes(earlier.stages)),
    doneBy: null,
    heard: {},
    seconds: {},
    timers: {},
    setAside: null,
    lineId: null,
    forecast: minutesOf({ piece, plan, steps, hand: [] }),
    record,
    outcome: compareOutcome(piece, plan, record),
    createdAt: daysBefore(earlier.daysAgo),
    loggedAt: daysBefore(earlier.daysAgo, sumOfMinutes(earlier.stages)),
    abandonedAt: null,
  });
}
