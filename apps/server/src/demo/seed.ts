import { sumOfMinutes } from '@coiled-strand/contract';
import {
  compareOutcome,
  firstSideFor,
  makeSteps,
  planPiece,
  reachedBy,
  stepPlaceOf,
  totalActions,
} from '@coiled-strand/core';
import { minutesOf } from '@coiled-strand/workshop';
import type { DataSource, EntityManager } from 'typeorm';
import { SwatchRow } from '../rows/swatch.entity.js';
import { MakeRow } from '../rows/make.entity.js';
import { PieceRow } from '../rows/piece.entity.js';
import { VersionRow } from '../rows/version.entity.js';
import { WearerItem } from '../rows/list.entities.js';
import { MemberRow, PersonRow } from '../rows/people.entities.js';
import { beginWorkshop } from '../workshop/fresh-workshop.js';
import { SETTINGS } from '../workshop/first-lists.js';
import { markOrigins } from '../stash/mark-origins.js';
import { seedWeek } from './seed-week.js';
import { Workshop } from '../rows/workshop.entity.js';
import {
  daysBefore,
  EARLIER,
  earlierRecord,
  PIECES,
  SWATCHES,
  TAGS,
  VERSIONS,
  WEARERS,
} from './demo-data.js';

/** Others who work in the demo workshop; nobody has a password until somebody chooses one. */
const OWNER = { name: 'Marit Solheim-Okafor', signIn: 'marit' };
const OTHERS = [
  { name: 'Jonas Wren', signIn: 'jonas', role: 'maker' },
  { name: 'Priya Lindqvist', signIn: 'priya', role: 'viewer' },
] as const;

/** Fills a database that holds no workshop yet with the demo, where that is wanted; else it stays empty. */
export async function seed(dataSource: DataSource, demo: boolean): Promise<void> {
  await dataSource.transaction(async (manager) => {
    if (!demo || (await manager.count(Workshop)) > 0) return;
    const owner = await addPerson(manager, OWNER);
    const workshop = await beginWorkshop(manager, 'Thistledown Bench', owner);
    for (const { role, ...about } of OTHERS) {
      const { id: personId } = await addPerson(manager, about);
      await manager.insert(MemberRow, { workshopId: workshop.id, personId, role });
    }
    await addWearers(manager, workshop.id);
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
      const kept = VERSIONS.filter((version) => version.piece === piece.name);
      const row = await manager.save(PieceRow, {
        workshopId: workshop.id,
        version: 1 + kept.length,
        tags: [...(TAGS[piece.name] ?? [])],
        spec: piece,
        archivedAt: null,
        createdAt: new Date(Date.now() + index),
        // The first of them was changed last.
        updatedAt: new Date(Date.now() - index * 1000),
      });
      await manager.insert(
        VersionRow,
        kept.map(({ name, spec, daysAgo }, i) => ({
          workshopId: workshop.id,
          pieceId: row.id,
          version: i + 1,
          changedAt: daysBefore(daysAgo),
          createdAt: daysBefore(daysAgo - 1),
          spec,
          name,
        })),
      );
      for (const earlier of EARLIER.filter((make) => make.piece === index)) {
        await addEarlierMake(manager, row, earlier);
      }
      pieces.set(piece.name, row);
    }
    const listed = await manager.findBy(WearerItem, { workshopId: workshop.id });
    const wearers = new Map(listed.map(({ id, value }) => [value.name, id]));
    await seedWeek({ manager, workshopId: workshop.id, pieces, wearers });
    await markOrigins(manager, [workshop.id]);
  });
}

const addPerson = (
  manager: EntityManager,
  about: Pick<PersonRow, 'name' | 'signIn'>,
): Promise<PersonRow> =>
  manager.save(PersonRow, manager.create(PersonRow, { ...about, passwordHash: null }));

async function addWearers(manager: EntityManager, workshopId: string): Promise<void> {
  const rows = WEARERS.map((value, i) => ({
    workshopId,
    value,
    createdAt: new Date(Date.now() + i),
  }));
  await manager.insert(WearerItem, rows);
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
