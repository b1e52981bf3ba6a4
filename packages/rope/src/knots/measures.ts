import type { Point3 } from '../base/point.js';

import type { Drawn } from '../engine/tighten.js';
import { touchingPoints } from '../engine/touching-points.js';

/** All points of some ropes, of all when left out. */
export const pointsOf = ({ laid }: Drawn, strands?: readonly number[]): Point3[] =>
  (strands ?? laid.problem.strands.map((_, s) => s)).flatMap((s) => laid.curve(s));

/** Cord that goes into a knot: its length less the way between its ends. */
export function uses({ laid, lengths }: Drawn, s: number): number {
  const curve = laid.curve(s);
  const [a, b] = [curve[0]!, curve.at(-1)!];
  return lengths[s]! - Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
}

export const mean = (numbers: readonly number[]): number =>
  numbers.reduce((a, b) => a + b, 0) / numbers.length;

/** From the least to the greatest of some numbers. */
export const span = (numbers: readonly number[]): number => {
  let [low, high] = [Infinity, -Infinity];
  for (const one of numbers) {
    low = Math.min(low, one);
    high = Math.max(high, one);
  }
  return high - low;
};

/** How long a knot is along x: from where its cords first touch to where they last do, their thickness included. */
export function knotLength({ laid }: Drawn): number {
  const touching = touchingPoints(laid.problem.strands.map((_, s) => laid.curve(s)));
  return touching.length === 0 ? 0 : span(touching.map(([x]) => x)) + 1;
}

const LOOKS = 36;

/** How far it is across, square to x and seen from all round: the mean, thickness included. */
export const across = (points: readonly Point3[]): number =>
  mean(
    Array.from({ length: LOOKS }, (_, i) => {
      const a = (Math.PI * i) / LOOKS;
      return span(points.map(([, y, z]) => y * Math.cos(a) + z * Math.sin(a))) + 1;
    }),
  );
