import type { Point3 } from '../base/point.js';

import type { RopeProblem } from './problem.js';
import { tighten, touchesAsDrawn, USUAL, type Care, type Drawn, type Progress } from './tighten.js';

/** What became of a knot that was drawn tight; faults are told, not thrown. */
export type RopeOutcome =
  /** At rest. */
  | { readonly how: 'tight'; readonly drawn: readonly Drawn[] }
  /** Still moving when the rounds were over, or left before; what there is so far. */
  | { readonly how: 'unsettled'; readonly left: number; readonly drawn: readonly Drawn[] }
  /** Nothing holds: every cord pulls straight. */
  | { readonly how: 'falls-apart'; readonly drawn: readonly Drawn[] }
  /** At rest with no room: cords stay in each other by so many diameters. */
  | { readonly how: 'locks'; readonly overlap: number; readonly drawn: readonly Drawn[] }
  /** Two cords were drawn through one another, about here. */
  | { readonly how: 'overlaps'; readonly at: Point3 };

/** A cord between its ends that is longer than straight by no more than this share of a diameter holds nothing. */
const STRAIGHT = 0.15;

/** Whether all ropes that are held have pulled straight. */
function pulledStraight({ laid, lengths }: Drawn): boolean {
  return laid.problem.strands.every(({ ends, diameter }, s) => {
    if (ends !== 'held') return false;
    const curve = laid.curve(s);
    const [a, b] = [curve[0]!, curve.at(-1)!];
    const straight = Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
    return lengths[s]! - straight < STRAIGHT * diameter;
  });
}

/** Tells what polygons that were drawn tight have come to. */
export function judge(drawn: readonly Drawn[]): RopeOutcome {
  const last = drawn.at(-1);
  if (!last) return { how: 'unsettled', left: 1, drawn };
  if (pulledStraight(last)) return { how: 'falls-apart', drawn };
  if (last.settled) return { how: 'tight', drawn };
  if (last.burst || last.overlap > ROOM) {
    return { how: 'locks', overlap: last.overlap, drawn };
  }
  return { how: 'unsettled', left: Math.max(last.still, last.overlap), drawn };
}

/** An overlap that is no matter of rounding, in diameters. */
const ROOM = 0.01;

/**
 * Draws a knot tight and tells what became of it. Between rounds it can be left: what it has so far comes with the
 * progress.
 */
export function* draw(
  problem: RopeProblem,
  care: Care = USUAL,
): Generator<Progress, RopeOutcome, void> {
  const at = touchesAsDrawn(problem);
  if (at) return { how: 'overlaps', at };
  return judge(yield* tighten(problem, care));
}
