import type { Point3 } from '../base/point.js';

import { catmullRom } from '../curves/spline.js';

/** Where a curve goes on before its first and after its last point. */
type Beyond = (i: number) => Point3;

const SAMPLES = 24;

/**
 * Points at equal steps along a smooth curve through others: a Catmull-Rom spline, sampled finely and walked.
 *
 * @param points that the curve goes through, >= 2
 * @param edges how many steps, >= 1
 * @param beyond the points before the first (-1) and after the last (n, n + 1, ...) of a curve that goes on; left
 *   out for one that ends with its first and last point
 * @returns edges + 1 points where it ends, else as many as edges: the next is the first of what follows
 */
export function evenly(points: readonly Point3[], edges: number, beyond?: Beyond): Point3[] {
  const n = points.length;
  const at: Beyond = (i) => points[i] ?? (beyond ? beyond(i) : mirrored(points, i));
  const steering = beyond ? [at(-1), ...points, at(n), at(n + 1)] : [at(-1), ...points, at(n)];
  const walked = walk(catmullRom(steering, SAMPLES), edges);
  return beyond ? walked.slice(0, -1) : walked;
}

const mirrored = (points: readonly Point3[], i: number): Point3 => {
  const [end, inner] = i < 0 ? [points[0]!, points[1]!] : [points.at(-1)!, points.at(-2)!];
  return [2 * end[0] - inner[0], 2 * end[1] - inner[1], 2 * end[2] - inner[2]];
};

/** Points at equal steps along a polygon, both ends included. */
function walk(polygon: readonly Point3[], edges: number): Point3[] {
  const far = [0];
  for (let i = 1; i < polygon.length; i++) {
    const [p, q] = [polygon[i - 1]!, polygon[i]!];
    far.push(far[i - 1]! + Math.hypot(q[0] - p[0], q[1] - p[1], q[2] - p[2]));
  }
  const out: Point3[] = [];
  let i = 1;
  for (let k = 0; k <= edges; k++) {
    const want = (far.at(-1)! * k) / edges;
    while (i < polygon.length - 1 && far[i]! < want) i++;
    const [p, q, from, to] = [polygon[i - 1]!, polygon[i]!, far[i - 1]!, far[i]!];
    const t = to > from ? (want - from) / (to - from) : 0;
    out.push([p[0] + t * (q[0] - p[0]), p[1] + t * (q[1] - p[1]), p[2] + t * (q[2] - p[2])]);
  }
  return out;
}
