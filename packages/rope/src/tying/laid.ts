import { memoize } from '../base/memoize.js';
import type { Point3 } from '../base/point.js';

import { crossings } from '../board/board.js';
import { onBoard } from '../board/lift.js';
import { stretch } from '../board/stretch.js';
import type { TyingLayout } from './layout.js';

/** A stretch of a strand as it lies after some goes. */
export interface TyingStretch {
  readonly strand: number;
  readonly line: readonly Point3[];
  /** Laid before, by the go at hand, or by the one after it. */
  readonly when: 'lies' | 'moving' | 'next';
}

/** The lines of a layout in space, each with how far along it each of its points lies on the board. */
const linesOf = memoize(({ board }: TyingLayout) => {
  const all = crossings(board).flatMap(({ early, late }) => [early, late]);
  return onBoard(board).map((line, strand) => ({
    line,
    along: [
      ...board.cords[strand]!.keys(),
      ...all.filter(({ cord }) => cord === strand).map(({ along }) => along),
    ].sort((a, b) => a - b),
  }));
});

/**
 * What lies on the table at a go: all that was laid before, what it lays, and where the next one leads.
 *
 * @param go from 0; as many as there are goes for the knot laid whole
 */
export function laidAt(layout: TyingLayout, go: number): TyingStretch[] {
  const lines = linesOf(layout);
  const piece = (strand: number, from: number, to: number): Point3[] => {
    const { line, along } = lines[strand]!;
    return stretch(line, along, from, Math.min(to, along.at(-1)!));
  };
  const { tying, goes } = layout;
  return [
    ...tying.strands.flatMap(({ end }, strand): TyingStretch[] => {
      const own = goes.flatMap((one, i) => (one.move.strand === strand ? [{ ...one, i }] : []));
      const before = own.filter(({ i }) => i < go);
      const to =
        before.at(-1)?.to ??
        own[0]?.from ??
        (end === null ? Infinity : lines[strand]!.along.at(-1)!);
      return [{ strand, line: piece(strand, 0, to), when: 'lies' }];
    }),
    ...([go, go + 1] as const).flatMap((at): TyingStretch[] => {
      const one = goes[at];
      if (!one) return [];
      const { strand } = one.move;
      return [
        { strand, line: piece(strand, one.from, one.to), when: at === go ? 'moving' : 'next' },
      ];
    }),
  ];
}
