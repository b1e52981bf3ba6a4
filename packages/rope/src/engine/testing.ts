import type { Point3 } from '../base/point.js';
import { kept } from '../../../../scripts/lib/kept.mjs';

import { allOf, compute, finer, type Computed, type Finer } from './compute.js';
import type { Recipe } from './recipe.js';
import type { RopeProblem } from './problem.js';
import { tighten, USUAL, type Care, type Drawn } from './tighten.js';

export { allOf };

/** Points of a closed curve of t from 0 to 2 pi. */
export const loop = (at: (t: number) => Point3, points = 120): Point3[] =>
  Array.from({ length: points }, (_, i) => at((2 * Math.PI * i) / points));

/** One rope of diameter 1 that is closed on itself. */
export const ring = (points: readonly Point3[]): RopeProblem => ({
  strands: [{ points, diameter: 1, ends: 'closed' }],
});

/** A polygon that was drawn tight, as plain data. */
export type DrawnPolygon = Omit<Drawn, 'laid'> & {
  /** By strand. */
  readonly curves: readonly (readonly Point3[])[];
  /** Middles of the beads. */
  readonly beads: readonly Point3[];
};

const plain = ({ laid, ...rest }: Drawn): DrawnPolygon => ({
  ...rest,
  curves: rest.lengths.map((_, s) => laid.curve(s)),
  beads: laid.ballPlaces(),
});

/** All polygons of a problem, drawn tight at once; what was drawn before by this engine is not drawn again. */
export function drawTight(problem: RopeProblem, care: Partial<Care> = {}): readonly DrawnPolygon[] {
  const whole = { ...USUAL, ...care };
  return kept('tight', { problem, care: whole }, () => allOf(tighten(problem, whole)).map(plain));
}

const inputsOf = ({ problem, ...rest }: Recipe) => ({
  ...rest,
  problem: problem(),
  read: String(rest.read),
});

/** The numbers of a recipe. */
export const computedBy = (recipe: Recipe): Record<string, Computed> =>
  kept('recipe', inputsOf(recipe), () => allOf(compute(recipe)));

/** The numbers of a recipe beside those of one polygon more. */
export const finerBy = (recipe: Recipe): readonly Finer[] =>
  kept('finer', inputsOf(recipe), () => finer(recipe));

/** Length of all ropes of the finest polygon. */
export const lengthOf = (drawn: readonly Pick<Drawn, 'lengths'>[]): number =>
  drawn.at(-1)!.lengths.reduce((a, b) => a + b, 0);

/** A trefoil, wide enough that nothing touches. */
export const trefoil = (wide = 1.6): Point3[] =>
  loop((t) => [
    wide * (Math.sin(t) + 2 * Math.sin(2 * t)),
    wide * (Math.cos(t) - 2 * Math.cos(2 * t)),
    -wide * Math.sin(3 * t),
  ]);
