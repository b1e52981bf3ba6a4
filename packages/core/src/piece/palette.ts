import { remember } from '../face/remember.js';
import type { Bead } from '../material/bead.js';
import type { Part } from '../part/registry.js';
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
  switch (part.kind) {
    case 'beads':
      return part.beads;
    case 'alternating-beads':
      return [part.bead, part.ring];
    case 'stone':
      return [part.bead];
    default:
      return [];
  }
}
