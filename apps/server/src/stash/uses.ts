import type { UseView, UsesView } from '@coiled-strand/contract';
import type { EntityManager } from 'typeorm';

/** What one thing on one of the workshop’s lists is called; its route is the plural. */
export type ListKind = 'wearer' | 'cord' | 'bead' | 'fitting' | 'pack';

/** So many are named; the others are counted. */
const NAMED = 20;

/**
 * A query for the pieces that hold a copy, with the workshop as $1 and the id of what it is a copy of as $2.
 *
 * @param holds JSON paths of copies in a piece
 */
const piecesWith = (...holds: readonly string[]): string => `
  select 'piece' as in, id, spec ->> 'name' as name from piece
  where workshop_id = $1 and archived_at is null and (${holds
    .map(
      (path) =>
        `jsonb_path_exists(spec::jsonb, '${path} ? (@.origin == $id)', jsonb_build_object('id', $2::text))`,
    )
    .join(' or ')})`;

const lotsOf = (kind: 'cord' | 'bead'): string => `
  select 'lot' as in, id, thing -> '${kind}' ->> 'name' as name from lot
  where workshop_id = $1 and left_over > 0 and thing -> '${kind}' ->> 'origin' = $2`;

const KITS = `
  select 'kit' as in, id, kit ->> 'name' as name from kit
  where workshop_id = $1 and jsonb_exists(kit::jsonb -> 'sizes', $2)`;

/**
 * What of the workshop has to do with a thing on a list. Pieces and lots have copies, which know what they are
 * copies of; kits know their wearers by id. Packs are only how things are bought.
 */
const USES: Readonly<Record<ListKind, readonly string[]>> = {
  wearer: [piecesWith('$.wearer'), KITS],
  cord: [piecesWith('$.strands[*].cord', '$.parts[*].cord', '$.closure.cord'), lotsOf('cord')],
  bead: [piecesWith('$.beads[*]'), lotsOf('bead')],
  fitting: [piecesWith('$.closure')],
  pack: [],
};

export async function usesOf(
  manager: EntityManager,
  workshopId: string,
  what: ListKind,
  id: string,
): Promise<UsesView> {
  const found: UseView[] = [];
  for (const sql of USES[what]) {
    found.push(...(await manager.query<UseView[]>(sql, [workshopId, id])));
  }
  return { total: found.length, named: found.slice(0, NAMED) };
}
