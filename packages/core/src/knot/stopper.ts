import type { Point, Point3 } from '../kind/primitive.js';

/**
 * Stopper knots pulled tight in one cord, in cord diameters.
 *
 * Source: our tightened model ropes (ideal rope without friction), checked against published
 * ropelengths of the trefoil and the figure-eight knot (Ashton, Cantarella, Piatek, Rawdon 2011).
 */
export const STOPPERS = {
  overhand: { label: 'Overhand knot', turns: 1, uses: 10.12, length: 3.7, width: 3.0 },
  'double-barrel': { label: 'Double barrel knot', turns: 2, uses: 17.3, length: 5.8, width: 3.2 },
  'triple-barrel': { label: 'Triple barrel knot', turns: 3, uses: 24.7, length: 7.7, width: 3.6 },
  'figure-eight': { label: 'Figure-eight knot', turns: 1.5, uses: 13.8, length: 5.0, width: 3.1 },
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

/**
 * A stopper knot in a cord or bundle of diameter d. A bundle is taken as one cord of the smallest
 * circle that holds it (assumed); each of its cords uses that knot's length.
 *
 * @param d diameter in mm under tension
 * @returns mm
 * @example stopper('overhand', 2).uses // 20.24
 */
export function stopper(form: StopperForm, d: number): StopperSize {
  const { uses, length, width } = STOPPERS[form];
  return { uses: uses * d, length: length * d, width: width * d, inKnot: (uses + length) * d };
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
  const { turns, uses, length } = STOPPERS[form];
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
