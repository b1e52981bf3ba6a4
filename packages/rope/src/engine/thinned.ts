import type { Point3 } from '../base/point.js';

import { far } from './touching-points.js';

/** How far a point lies from the line between two others. */
function fromLine(p: Point3, a: Point3, b: Point3): number {
  const long = far(a, b);
  if (long === 0) return far(p, a);
  const t = [0, 1, 2].reduce((sum, k) => sum + (p[k]! - a[k]!) * (b[k]! - a[k]!), 0) / long ** 2;
  const within = Math.min(1, Math.max(0, t));
  const foot = (k: 0 | 1 | 2): number => a[k] + within * (b[k] - a[k]);
  return far(p, [foot(0), foot(1), foot(2)]);
}

/**
 * The same line with fewer points: those without which it would be off by more (Ramer 1972, Douglas and Peucker 1973).
 *
 * @param line at least two points
 * @param off how far the line may be off, in the unit of its points
 * @example thinned([[0, 0, 0], [1, 0, 0], [2, 0, 0]], 0.1) // [[0, 0, 0], [2, 0, 0]]
 */
export function thinned(line: readonly Point3[], off: number): Point3[] {
  const [first, last] = [line[0]!, line.at(-1)!];
  let [most, at] = [off, -1];
  for (let i = 1; i + 1 < line.length; i++) {
    const here = fromLine(line[i]!, first, last);
    if (here > most) [most, at] = [here, i];
  }
  if (at < 0) return [first, last];
  return [...thinned(line.slice(0, at + 1), off).slice(0, -1), ...thinned(line.slice(at), off)];
}
