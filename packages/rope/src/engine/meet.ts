import type { Point } from '../base/point.js';

/** Edges of a cord that begin and end so near to each other's ends only touch, and do not cross. */
const TOUCH = 1e-9;

/** Where two edges cross: how far along each, from 0 to 1; null where they do not. */
export function meet(p: Point, q: Point, r: Point, s: Point): readonly [number, number] | null {
  const [ux, uy, vx, vy] = [q[0] - p[0], q[1] - p[1], s[0] - r[0], s[1] - r[1]];
  const den = ux * vy - uy * vx;
  if (Math.abs(den) < TOUCH) return null;
  const a = ((r[0] - p[0]) * vy - (r[1] - p[1]) * vx) / den;
  const b = ((r[0] - p[0]) * uy - (r[1] - p[1]) * ux) / den;
  return a >= 0 && a < 1 && b >= 0 && b < 1 ? [a, b] : null;
}
