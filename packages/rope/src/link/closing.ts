import type { Point3 } from '../base/point.js';

/** How far over everything the first cord is led back, and how much higher each that follows, in diameters. */
const OVER = 5;
const HIGHER = 1;
/** How much further out each end is led that lies below another, in diameters. */
const OUT = 2;

/** Where each of some ends goes up: away from the middle of all, what lies lower further out than what lies above. */
function corners(ends: readonly Point3[], middle: readonly [number, number]): Point3[] {
  const byHeight = [...ends.keys()].sort((a, b) => ends[b]![2] - ends[a]![2] || a - b);
  return ends.map(([x, y, z], i) => {
    const [dx, dy] = [x - middle[0], y - middle[1]];
    const far = Math.hypot(dx, dy);
    const [ux, uy] = far > 0 ? [dx / far, dy / far] : [1, 0];
    const by = OUT * (1 + byHeight.indexOf(i));
    return [x + by * ux, y + by * uy, z];
  });
}

/**
 * Cords whose ends lie outside a knot, each closed up into a ring in a fixed way: from its end outwards, straight up,
 * back over all that is there, and down to its beginning. What is led back lies over everything, the later the higher,
 * so that it changes nothing of the knot: a cord that runs through without one becomes a plain ring.
 *
 * @param cords points in diameters, z towards the viewer
 * @returns closed curves, the last point of each joined to its first
 */
export function closedUp(cords: readonly (readonly Point3[])[]): Point3[][] {
  const top = Math.max(...cords.flat().map(([, , z]) => z));
  const [first, last] = [cords.map((cord) => cord[0]!), cords.map((cord) => cord.at(-1)!)];
  const all = [...first, ...last];
  const mean = (axis: 0 | 1): number => all.reduce((sum, end) => sum + end[axis], 0) / all.length;
  const middle = [mean(0), mean(1)] as const;
  const [from, to] = [corners(first, middle), corners(last, middle)];
  return cords.map((cord, i): Point3[] => {
    const height = top + OVER + HIGHER * i;
    const raised = ([x, y]: Point3): Point3 => [x, y, height];
    return [...cord, to[i]!, raised(to[i]!), raised(from[i]!), from[i]!];
  });
}
