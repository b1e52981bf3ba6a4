import { tightened, tightOf, tyingOf, type TightenedName } from '@coiled-strand/rope';
import { CORD_KIND_FACTS, effectiveDiameter, type Cord } from '../../base/material/cord.js';
import type { Point, Point3 } from '../../base/kind/primitive.js';

/** Stopper knots pulled tight. */
export const STOPPERS = {
  overhand: { label: 'Overhand knot', turns: 1 },
  'double-barrel': { label: 'Double barrel knot', turns: 2 },
  'triple-barrel': { label: 'Triple barrel knot', turns: 3 },
  'figure-eight': { label: 'Figure-eight knot', turns: 1.5 },
} as const;
export type StopperForm = keyof typeof STOPPERS;
export const STOPPER_FORMS = Object.keys(STOPPERS) as StopperForm[];

export interface StopperSize {
  /** Cord in mm that each cord loses to the knot: length before minus distance after. */
  readonly uses: number;
  readonly length: number;
  readonly width: number;
  /** Cord in mm from where the knot begins to where it ends: uses and length together. */
  readonly inKnot: number;
}

/** Of one cord, in its diameters. Source: `tightened.ts`. */
const inOne = (form: StopperForm): Omit<StopperSize, 'inKnot'> => ({
  uses: tightened(`${form}.uses`),
  length: tightened(`${form}.length`),
  width: tightened(`${form}.width`),
});

/** Knots in several cords at once that were computed, by how many cords. */
const TOGETHER: Readonly<Partial<Record<StopperForm, Readonly<Record<number, TightenedName>>>>> = {
  overhand: { 2: 'overhand.uses.2', 3: 'overhand.uses.3', 4: 'overhand.uses.4' },
  'figure-eight': { 2: 'figure-eight.uses.2' },
  'double-barrel': { 2: 'double-barrel.uses.2', 3: 'double-barrel.uses.3' },
};

/** Cords that differ by less are alike. */
const ALIKE = 1.05;

/**
 * Under which name a knot in these cords was computed; null where it was not, and their number is a rule.
 *
 * @param diameters in mm under tension
 * @example knotTogether('overhand', [1, 1]) // 'overhand.uses.2'
 */
export function knotTogether(
  form: StopperForm,
  diameters: readonly number[],
): TightenedName | null {
  if (diameters.length <= 1) return `${form}.uses`;
  const alike = Math.max(...diameters) <= ALIKE * Math.min(...diameters);
  return (alike && TOGETHER[form]?.[diameters.length]) || null;
}

/** Cords side by side in a knot settle closer than in a straight bundle. Fit of the computed knots, 4 %. */
const SETTLE = 0.95;

/**
 * Diameter in mm of the one cord whose knot takes as much as that of some cords tied at once takes of each:
 *
 *     0.95 sqrt(d1^2 + d2^2 + ...)      0.95 sqrt(m) d for m alike; never less than the thickest of them
 *
 * @param diameters in mm under tension
 * @example asOneCord([2, 2]) // 2.687
 */
export const asOneCord = (diameters: readonly number[]): number =>
  diameters.length === 0
    ? 0
    : Math.max(...diameters, diameters.length > 1 ? SETTLE * Math.hypot(...diameters) : 0);

/**
 * A stopper knot in one cord, or in several at once. Those that were computed in two to four cords are as
 * computed; others take `asOneCord`.
 *
 * @param cords diameter in mm under tension, or those of all cords that tie it together
 * @returns mm, of each cord
 * @example stopper('overhand', 2).uses // 20.2
 * @example stopper('overhand', [1, 1]).uses // 14.0
 */
export function stopper(form: StopperForm, cords: number | readonly number[]): StopperSize {
  const one = inOne(form);
  const all = typeof cords === 'number' ? [cords] : cords;
  const rule = asOneCord(all);
  const name = TOGETHER[form]?.[all.length];
  // The computed value over the rule, which carries it to cords of unlike thickness.
  const d =
    name === undefined ? rule : (rule * tightened(name)) / (one.uses * asOneCord(all.map(() => 1)));
  return {
    uses: one.uses * d,
    length: one.length * d,
    width: one.width * d,
    inKnot: (one.uses + one.length) * d,
  };
}

/** Passing size of a stopper of one cord, in its diameters; worked out once. */
const passing = new Map<StopperForm, number>();

/**
 * Diameter in mm of the smallest round hole that a stopper goes through when it is drawn by its cord: that of the tight
 * knot, less what its cord gives where it is squeezed.
 *
 * @param cords those that tie it together
 * @example passingSize('overhand', [{ name: '', kind: 'leather', diameter: 2, colour: { name: '', hex: '' } }]) // 5.4
 */
export function passingSize(form: StopperForm, cords: readonly Cord[]): number {
  const size = passing.get(form) ?? tightOf(tyingOf(form))!.passes;
  passing.set(form, size);
  const gives = Math.max(...cords.map(({ kind }) => CORD_KIND_FACTS[kind].gives));
  return size * asOneCord(cords.map(effectiveDiameter)) * (1 - gives);
}

/** Turns of a knot that grips another cord. */
export type GripForm = Extract<StopperForm, 'overhand' | 'double-barrel' | 'triple-barrel'>;

/**
 * A barrel knot tied round another cord, so that it slides on it; an overhand is a barrel of one turn.
 *
 * @param cords diameters in mm of the cords that tie it, all at once, round as many others like them
 * @returns mm, of each cord
 * @example grip('double-barrel', [1]).uses // 21.2
 */
export function grip(form: GripForm, cords: readonly number[]): StopperSize {
  const d = asOneCord(cords);
  const { turns } = STOPPERS[form];
  const uses = tightened(`barrel-round.uses.${turns}`) * d;
  const length = tightened(`barrel-round.length.${turns}`) * d;
  const width = tightened(`barrel-round.width.${turns}`) * d;
  return { uses, length, width, inKnot: uses + length };
}

/** Points per turn of the drawn wraps. */
const SAMPLES = 16;

/**
 * Centreline of a stopper knot in cord diameters, from x = 0 to its length: through the middle to the
 * far end, back in turns round it, and out through the middle again. The radius of the turns is the
 * one at which the curve is exactly as long as the model says. The form is an assumption; the length
 * is not.
 *
 * @returns the curve; z > 0 faces the viewer
 */
export function stopperCurve(form: StopperForm): Point3[] {
  const { turns } = STOPPERS[form];
  const { uses, length } = inOne(form);
  const run = length - 1;
  // Two straight passes of the length, the rest in the turns: turns * sqrt((2 pi R)^2 + (run / turns)^2).
  const wound = uses + length - 2 * length;
  const radius =
    Math.sqrt(Math.max(0.25, (wound / turns) ** 2 - (run / turns) ** 2)) / (2 * Math.PI);
  const points: Point3[] = [[0, 0, 0]];
  const steps = Math.ceil(turns * SAMPLES);
  for (let i = 0; i <= steps; i++) {
    const t = i / steps;
    const a = Math.PI / 2 + 2 * Math.PI * turns * t;
    points.push([length - 0.5 - run * t, radius * Math.cos(a), radius * Math.sin(a)]);
  }
  points.push([length, 0, 0]);
  return points;
}

/** The drawn stretches of a stopper knot in mm: what shows in front, and what lies behind. */
export function stopperLines(
  form: StopperForm,
  d: number,
): { readonly front: Point[][]; readonly back: Point[][] } {
  const curve = stopperCurve(form).slice(1, -1);
  const out = { front: [] as Point[][], back: [] as Point[][] };
  let run: Point[] = [];
  let facing = true;
  curve.forEach(([x, y, z], i) => {
    const now = z >= -1e-9;
    const point: Point = [x * d, y * d];
    if (i > 0 && now !== facing) {
      run.push(point);
      out[facing ? 'front' : 'back'].push(run);
      run = [point];
    } else run.push(point);
    facing = now;
  });
  if (run.length > 1) out[facing ? 'front' : 'back'].push(run);
  return out;
}
