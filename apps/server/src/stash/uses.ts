import type { UseView, UsesView } from '@coiled-strand/contract';
import { isCopied, type CopiedListId, type ListId } from '@coiled-strand/workshop';
import type { EntityManager } from 'typeorm';

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
 * copies of; kits know their wearers by id. With what nothing copies, as packs, nothing has to do.
 */
const USES: Readonly<Record<CopiedListId, readonly string[]>> = {
  wearers: [piecesWith('$.wearer'), KITS],
  cords: [piecesWith('$.strands[*].cord', '$.parts[*].cord', '$.closure.cord'), lotsOf('cord')],
  beads: [piecesWith('$.beads[*]'), lotsOf('bead')],
  fittings: [piecesWith('$.closure')],
};

export async function usesOf(
  manager: EntityManager,
  workshopId: string,
  list: ListId,
  id: string,
): Promise<UsesView> {
  const found: UseView[] = [];
  for (const sql of isCopied(list) ? USES[list] : []) {
    found.push(...(await manager.query<UseView[]>(sql, [workshopId, id])));
  }
  return { total: found.length, named: found.slice(0, NAMED) };
}
