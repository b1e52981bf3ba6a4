import type { MovementView } from '@coiled-strand/contract';
import type { EntityManager } from 'typeorm';
import type { MovementRow } from '../rows/movement.entity.js';

interface About {
  readonly id: string;
  readonly undone: boolean;
  readonly make: MovementView['make'];
  readonly cutting: MovementView['cutting'];
}

const ABOUT = `
  select m.id,
    exists (select from movement back where back.undoes = m.id) as undone,
    (select json_build_object('id', make.id, 'name', make.piece ->> 'name', 'number', make.number)
      from make where make.id = m.make_id) as make,
    (select json_build_object('id', cutting.id, 'name', cutting.name)
      from cutting where cutting.id = m.cutting_id) as cutting
  from movement m where m.id = any($1)`;

/** Lines of a ledger with what they were for. */
export async function movementViews(
  manager: EntityManager,
  rows: readonly MovementRow[],
): Promise<MovementView[]> {
  const about = await manager.query<About[]>(ABOUT, [rows.map(({ id }) => id)]);
  const byId = new Map(about.map((one) => [one.id, one]));
  return rows.map((row) => ({
    id: row.id,
    lot: row.lotId,
    amount: row.amount,
    reason: row.reason,
    note: row.note,
    grams: row.grams,
    at: row.createdAt.toISOString(),
    undoes: row.undoes,
    undone: byId.get(row.id)!.undone,
    make: byId.get(row.id)!.make,
    strand: row.strand,
    cutting: byId.get(row.id)!.cutting,
  }));
}
