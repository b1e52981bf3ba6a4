import type { Point3 } from '../kind/primitive.js';
import type { RopeProblem } from './problem.js';
import { tighten, USUAL, type Care, type Drawn } from './tighten.js';

/** Points of a closed curve of t from 0 to 2 pi. */
export const loop = (at: (t: number) => Point3, points = 120): Point3[] =>
  Array.from({ length: points }, (_, i) => at((2 * Math.PI * i) / points));

/** One rope of diameter 1 that is closed on itself. */
export const ring = (points: readonly Point3[]): RopeProblem => ({
  strands: [{ points, diameter: 1, ends: 'closed' }],
});

/** All polygons of a problem, drawn tight at once. */
export function drawTight(problem: RopeProblem, care: Partial<Care> = {}): readonly Drawn[] {
  const steps = tighten(problem, { ...USUAL, ...care });
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}

/** Length of all ropes of the finest polygon. */
export const lengthOf = (drawn: readonly Drawn[]): number =>
  drawn.at(-1)!.lengths.reduce((a, b) => a + b, 0);

/** A trefoil, wide enough that nothing touches. */
export const trefoil = (wide = 1.6): Point3[] =>
  loop((t) => [
    wide * (Math.sin(t) + 2 * Math.sin(2 * t)),
    wide * (Math.cos(t) - 2 * Math.cos(2 * t)),
    -wide * Math.sin(3 * t),
  ]);
