import type { LotView } from '@coiled-strand/contract';
import { speak, say, type SpokenUnits } from '@coiled-strand/core';
import { moved, sayAmount, type MovementReason } from '@coiled-strand/workshop';
import { HttpStatus } from '@nestjs/common';
import type { EntityManager } from 'typeorm';
import { AppError, notFound } from '../errors/app-error.js';
import { contentTag } from '../http/etag.js';
import { LotRow } from '../rows/lot.entity.js';
import { MovementRow } from '../rows/movement.entity.js';
import { writeAuditEntry as noteDown } from '../trail/audit-entry.js';

/** What is known of a lot besides how much is left. */
const knownOf = ({ form, place, dyeLot, tare, grams, useful }: LotRow): object => {
  return { form, place, dyeLot, tare, grams, useful };
};

export const lotView = (row: LotRow): LotView => ({
  id: row.id,
  thing: row.thing,
  key: row.key,
  form: row.form,
  place: row.place,
  dyeLot: row.dyeLot,
  boughtOn: row.boughtOn,
  cents: row.cents,
  size: row.size,
  left: row.left,
  whole: row.whole,
  parent: row.parent,
  tare: row.tare,
  grams: row.grams,
  useful: row.useful,
  etag: contentTag(knownOf(row)),
  at: row.createdAt.toISOString(),
});

/** What a movement is besides its lot. */
export type Entry = Pick<MovementRow, 'amount' | 'reason'> &
  Partial<
    Pick<
      MovementRow,
      'note' | 'grams' | 'makeId' | 'strand' | 'cuttingId' | 'cutId' | 'kitId' | 'undoes'
    >
  >;

/** A lot that waits for whoever else is taking from it. */
export async function lockedLot(
  manager: EntityManager,
  workshopId: string,
  id: string,
): Promise<LotRow> {
  const found = await manager.findOne(LotRow, {
    where: { id, workshopId },
    lock: { mode: 'pessimistic_write' },
  });
  if (!found) throw notFound('lot');
  return found;
}

/**
 * Writes a line into the ledger of a locked lot, and with it what is left. The one place that does.
 *
 * @throws AppError 409 `lot.too-little` where it would go below nothing
 */
export async function enter(
  manager: EntityManager,
  lot: LotRow,
  entry: Entry,
  units: SpokenUnits,
): Promise<{ readonly lot: LotRow; readonly movement: MovementRow }> {
  const after = moved(lot.left, entry.amount);
  if (!after.ok) throw tooLittle(lot, after.short, units);
  const { note = '', grams = null, makeId = null, strand = null } = entry;
  const { cuttingId = null, cutId = null, kitId = null, undoes = null } = entry;
  const movement = await manager.save(
    MovementRow,
    manager.create(MovementRow, {
      ...{ workshopId: lot.workshopId, lotId: lot.id, amount: entry.amount, reason: entry.reason },
      ...{ note, grams, makeId, strand, cuttingId, cutId, kitId, undoes },
    }),
  );
  const whole = await isWhole(manager, lot);
  await manager.update(LotRow, { id: lot.id }, { left: after.left, whole });
  await noteDown(manager, 'lot.moved', { subject: lot.id, more: entry.reason });
  return { lot: { ...lot, left: after.left, whole }, movement };
}

/** What takes something away from what was bought; counting anew only says what was wrong. */
const TAKES: readonly MovementReason[] = ['cut', 'used', 'packed', 'lost', 'given-away'];

/** Nothing went out of it, or all that did came back. An offcut never was whole. */
async function isWhole(manager: EntityManager, { id, parent }: LotRow): Promise<boolean> {
  if (parent !== null) return false;
  const [answer] = await manager.query<{ taken: boolean }[]>(
    `select exists (
       select from movement taken where lot_id = $1 and reason = any($2) and amount < 0
         and not exists (select from movement back where back.undoes = taken.id)) as taken`,
    [id, TAKES],
  );
  return answer?.taken !== true;
}

function tooLittle(lot: LotRow, short: number, units: SpokenUnits): AppError {
  const { kind } = lot.thing;
  const text = speak(
    say`Only ${sayAmount(kind, lot.left)} of this lot are left: ${sayAmount(kind, short)} too little.`,
    units,
  );
  return new AppError(
    HttpStatus.CONFLICT,
    'lot.too-little',
    text,
    `${kind === 'cord' ? 'Measure or weigh' : 'Count'} it anew, or take it from another lot. Nothing was written.`,
    { lot: lotView(lot), short },
  );
}

/** A new lot with the movement that begins it. */
export async function beginLot(
  manager: EntityManager,
  about: Omit<LotRow, 'id' | 'createdAt' | 'left' | 'sortName' | 'search' | 'kind'>,
  entry: Omit<Entry, 'amount'>,
  units: SpokenUnits,
): Promise<LotRow> {
  const lot = await manager.save(LotRow, manager.create(LotRow, { ...about, left: 0 }));
  return (await enter(manager, lot, { ...entry, amount: about.size }, units)).lot;
}
