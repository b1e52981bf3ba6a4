import { memoize } from '../base/memoize.js';

import type { LaidCrossing, TyingLayout } from './layout.js';

/** How far each strand lies before the first move: what is not led lies whole. */
const lyingIn = ({ tying, goes }: TyingLayout): number[] =>
  tying.strands.map(
    (_, strand) => goes.find(({ move }) => move.strand === strand)?.from ?? Infinity,
  );

/**
 * The moves of a tying carried out one after the other on what lies there: every end goes on from where it is, past what is
 * laid by then.
 *
 * @returns the crossings in the order in which they are made; null where an end would have to go past what is not laid yet,
 *   or does not go on from where it was left
 * @example carriedOut(layoutOf(tyingOf('overhand')))!.length // 3
 */
export const carriedOut: (layout: TyingLayout) => readonly LaidCrossing[] | null = memoize(
  (layout: TyingLayout) => {
    const laid = lyingIn(layout);
    const made: LaidCrossing[] = [];
    for (const [at, { move, from, to }] of layout.goes.entries()) {
      if (from !== laid[move.strand]) return null;
      for (const one of layout.crossings.filter(({ go }) => go === at)) {
        const { early, late } = one;
        const there = early.cord === move.strand ? late.along : laid[early.cord]!;
        if (late.cord !== move.strand || early.along > there) return null;
        made.push(one);
      }
      laid[move.strand] = to;
    }
    return made;
  },
);
