import { remember } from '../kind/remember.js';
import type { Bead } from '../material/bead.js';
import { partKind, type Part } from '../part/registry.js';
import type { Piece, PieceBead } from './piece.js';

/**
 * Looks beads up by their id.
 * @returns a function that throws a RangeError for an id the piece has no bead for
 */
export const beadsById = ({ beads }: Pick<Piece, 'beads'>): ((id: string) => Bead) => lookup(beads);

const lookup = remember((list: readonly PieceBead[]) => {
  const beads = new Map(list.map((bead) => [bead.id, bead]));
  return (id: string): Bead => {
    const bead = beads.get(id);
    if (!bead) throw new RangeError(`the piece has no bead “${id}”`);
    return bead;
  };
});

/** Ids of beads that a part names, in its order. */
export function beadIdsOf(part: Part): readonly string[] {
  const values = part as unknown as Readonly<Record<string, unknown>>;
  return partKind(part.kind).fields.flatMap((field) => {
    if (field.type === 'beads') return values[field.key] as readonly string[];
    return field.type === 'bead' ? [values[field.key] as string] : [];
  });
}
