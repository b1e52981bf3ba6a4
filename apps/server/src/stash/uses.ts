import type { UseView, UsesView } from '@coiled-strand/contract';
import type { EntityManager } from 'typeorm';

/** What one thing on one of the workshop’s lists is called; its route is the plural. */
export type Listed = 'wearer' | 'cord' | 'bead' | 'fitting' | 'pack';

/** So many are named; the others are counted. */
const NAMED = 20;

/** A question to the database, with the workshop as $1 and what the thing is known by as $2. */
interface Question {
  readonly by: 'name' | 'id';
  readonly sql: string;
}

/** @param holds a JSON path, with the name as $name, or several */
const piecesThat = (...holds: readonly string[]): Question => ({
  by: 'name',
  sql: `
  select 'piece' as in, id, spec ->> 'name' as name from piece
  where workshop_id = $1 and archived_at is null and (${holds
    .map(
      (path) => `jsonb_path_exists(spec::jsonb, '${path}', jsonb_build_object('name', $2::text))`,
    )
    .join(' or ')})`,
});

const lotsOf = (kind: 'cord' | 'bead'): Question => ({
  by: 'name',
  sql: `
  select 'lot' as in, id, thing -> '${kind}' ->> 'name' as name from lot
  where workshop_id = $1 and left_over > 0 and thing -> '${kind}' ->> 'name' = $2`,
});

const KITS: Question = {
  by: 'id',
  sql: `
  select 'kit' as in, id, kit ->> 'name' as name from kit
  where workshop_id = $1 and jsonb_exists(kit::jsonb -> 'sizes', $2)`,
};

const NAMED_SO = '? (@.name == $name)';

/**
 * What of the workshop has to do with a thing on a list. Pieces and lots have copies, and are found by the name that
 * these bear; kits know their wearers by id. Packs are only how things are bought.
 */
const USES: Readonly<Record<Listed, readonly Question[]>> = {
  wearer: [piecesThat(`$.wearer ${NAMED_SO}`), KITS],
  cord: [
    piecesThat(
      `$.strands[*].cord ${NAMED_SO}`,
      `$.parts[*].cord ${NAMED_SO}`,
      `$.closure.cord ${NAMED_SO}`,
    ),
    lotsOf('cord'),
  ],
  bead: [piecesThat(`$.beads[*] ${NAMED_SO}`), lotsOf('bead')],
  fitting: [piecesThat(`$.closure ${NAMED_SO}`)],
  pack: [],
};

/** @param known what it is known by: its id, and the name that copies of it bear */
export async function usesOf(
  manager: EntityManager,
  workshopId: string,
  what: Listed,
  known: Readonly<Record<Question['by'], string>>,
): Promise<UsesView> {
  const found: UseView[] = [];
  for (const { by, sql } of USES[what]) {
    found.push(...(await manager.query<UseView[]>(sql, [workshopId, known[by]])));
  }
  return { total: found.length, named: found.slice(0, NAMED) };
}
