import type { Cord, Piece, Plan } from '@coiled-strand/core';
import type { Thing } from '../stock/thing.js';

/** A cut that a piece needs. */
export interface NeededCut {
  /** Which one it is of the piece: strands by their number, what is cut besides by its name. */
  readonly id: string;
  /** Number of the strand, from 1; null for what is cut besides. */
  readonly strand: number | null;
  readonly role: string;
  readonly cord: Cord;
  /** In mm, rounded up as the maker cuts. */
  readonly length: number;
  /** Where it is folded, from one end, in mm; null where it is used single. */
  readonly fold: number | null;
}

/** What a piece takes from the stash. */
export interface PieceNeeds {
  readonly cuts: readonly NeededCut[];
  /** Beads and findings, each kind once. */
  readonly things: readonly { readonly thing: Thing; readonly count: number }[];
}

/** What a plan takes from the stash: nothing that is there already, nor thread of which any will do. */
export function needsOf({ beads }: Pick<Piece, 'beads'>, plan: Plan): PieceNeeds {
  const strands = plan.strands
    .filter(({ given }) => !given)
    .map(({ number, role, cord, cut, fold }): NeededCut => ({
      id: `strand-${number}`,
      strand: number,
      role,
      cord,
      length: cut,
      fold,
    }));
  const besides = plan.auxiliary.flatMap(({ id, label, cord, cut }): NeededCut[] =>
    cord ? [{ id, strand: null, role: label, cord, length: cut, fold: null }] : [],
  );
  return {
    cuts: [...strands, ...besides],
    things: [
      ...plan.counters.beads.flatMap(({ id, count }) => {
        const bead = beads.find((one) => one.id === id);
        if (!bead || count === 0) return [];
        const { id: _id, ...own } = bead;
        return [{ thing: { kind: 'bead', bead: own } as const, count }];
      }),
      ...plan.counters.needs.map(({ id, count }) => ({
        thing: { kind: 'finding', name: id } as const,
        count,
      })),
    ],
  };
}
