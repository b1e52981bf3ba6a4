import type { Point3 } from '../base/point.js';

import { cross, dot, unit } from '../engine/vector.js';
import { across, knotLength, pointsOf, uses } from './measures.js';
import { held, round, type Recipe } from '../engine/recipe.js';

/** Radius of the turns of a barrel before it is drawn up, and how far they climb. */
const WIDE = 2.6;
const CLIMB = 1.9;
/** How far out cords are held. */
export const FAR = { 1: 7, 2: 9, 3: 11 } as const;

/**
 * A barrel knot that is still loose: through the middle, back in turns round it, and out through the middle again. An
 * overhand knot is one of one turn.
 */
export function barrel(turns: 1 | 2 | 3): Point3[] {
  const end = FAR[turns];
  const half = Math.max(1.2, (turns * CLIMB) / 2);
  const steps = 10 * turns;
  const wound = Array.from({ length: steps + 1 }, (_, i) =>
    round(half - (2 * half * i) / steps, WIDE, (360 * turns * i) / steps),
  );
  return [
    [-end, 0, 0],
    [-0.8 * end, 0.3, 0],
    [-half - 1.5, 0.6, 0],
    [0, 0.6, 0],
    [half, 0.6, 0],
    [half + 1.2, 0.9, 0],
    ...wound,
    [-half - 1.2, -0.9, 0],
    [-half, -0.6, 0],
    [0, -0.6, 0],
    [half + 1.5, -0.6, 0],
    [0.8 * end, -0.3, 0],
    [end, 0, 0],
  ];
}

/** A figure-eight knot that is still loose, cut open where it lies furthest out. */
export function figureEight(): Point3[] {
  const n = 72;
  const drawn = Array.from({ length: n }, (_, i): Point3 => {
    const t = (2 * Math.PI * i) / n;
    const r = 1.6 * (2 + Math.cos(2 * t));
    return [r * Math.cos(3 * t), r * Math.sin(3 * t), 2.1 * Math.sin(4 * t)];
  });
  // At t = 0 it lies furthest out, on x; there it crosses x going up y. Turned so that it opens along x, above.
  const open = drawn.slice(2, -1).map(([x, y, z]): Point3 => [-y, x, z]);
  const end = FAR[2];
  return [
    [-end, 0, 0],
    [-0.9 * end, 4.4, 0],
    [-2.2, 6.8, 0],
    ...open,
    [2.2, 6.8, 0],
    [0.9 * end, 4.4, 0],
    [end, 0, 0],
  ];
}

/** The ends of these cords, held further out than the knot is long, are no part of its width. */
const stopper = (id: string, points: () => Point3[]): Recipe => ({
  id,
  problem: () => ({ strands: [held(points())] }),
  read: (drawn) => ({
    [`${id}.uses`]: uses(drawn, 0),
    [`${id}.length`]: knotLength(drawn),
    [`${id}.width`]: across(pointsOf(drawn)),
  }),
});

export const STOPPERS_ALONE: readonly Recipe[] = [
  stopper('overhand', () => barrel(1)),
  stopper('figure-eight', figureEight),
  stopper('double-barrel', () => barrel(2)),
  stopper('triple-barrel', () => barrel(3)),
];

/** Where cords lie side by side round a middle. */
const SIDE_BY_SIDE: Readonly<Record<2 | 3 | 4, readonly (readonly [number, number])[]>> = {
  2: [
    [0.5, 0],
    [-0.5, 0],
  ],
  3: [90, 210, 330].map((a): readonly [number, number] => {
    const [, u, v] = round(0, 1 / Math.sqrt(3), a);
    return [u, v];
  }),
  4: [
    [0.5, 0.5],
    [-0.5, 0.5],
    [-0.5, -0.5],
    [0.5, -0.5],
  ],
};

/**
 * Cords that go the way of one, side by side: each is carried along the curve without turning about it, but for the
 * little by which they would come out otherwise than they went in, which is spread along all of it.
 */
export function sideBySide(
  curve: readonly Point3[],
  cords: 2 | 3 | 4,
  wider: number,
  turns = 0,
): Point3[][] {
  const along = curve.map((_, i): Point3 => {
    const [p, q] = [curve[Math.max(0, i - 1)]!, curve[Math.min(curve.length - 1, i + 1)]!];
    return unit([q[0] - p[0], q[1] - p[1], q[2] - p[2]]);
  });
  const across: Point3[] = [];
  let last: Point3 = [0, 0, 1];
  for (const t of along) {
    const d = dot(last, t);
    last = unit([last[0] - d * t[0], last[1] - d * t[1], last[2] - d * t[2]]);
    across.push(last);
  }
  const third = across.map((n, i) => cross(along[i]!, n));
  const [n, b] = [across.at(-1)!, third.at(-1)!];
  const off = Math.atan2(-b[2], n[2]);
  return SIDE_BY_SIDE[cords].map(([u, v]) =>
    curve.map((p, i): Point3 => {
      const a = ((2 * Math.PI * turns - off) * i) / (curve.length - 1);
      const [c, s] = [u * Math.cos(a) - v * Math.sin(a), u * Math.sin(a) + v * Math.cos(a)];
      const [f, g] = [across[i]!, third[i]!];
      return [
        wider * p[0] + c * f[0] + s * g[0],
        wider * p[1] + c * f[1] + s * g[1],
        wider * p[2] + c * f[2] + s * g[2],
      ];
    }),
  );
}
