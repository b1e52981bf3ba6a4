import { tightened } from '@coiled-strand/rope';
import type { Point } from '../../../base/kind/primitive.js';

import type { Bead } from '../../../base/material/bead.js';

/** Points on the outside of each bead: the path is less than 0.05 % short of the curve. */
const FINE = 48;

/**
 * How far from the middle of the work a working cord comes out of a half knot in mm: beside the core, round whose edge
 * it is bent. As half knots on one to four cores were computed, 1.41 diameters beyond the core's edge.
 *
 * @param core width of what lies in the knot side by side, in mm
 * @param d of the working cord, in mm
 * @example besideCore(1, 1) // 1.91
 */
export const besideCore = (core: number, d: number): number =>
  core / 2 + (tightened('half-knot.width.two') / 2 - 1.5) * d;

/** Which way three points turn: positive to the left. */
const turn = (a: Point, b: Point, c: Point): number =>
  (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);

export interface RoundBeads {
  /** The way of the cord in mm: along the row from its start, and out from its middle. */
  readonly line: readonly Point[];
  /** What of it each bead takes; besides, each gap takes its own length. */
  readonly shares: readonly number[];
}

/**
 * A working cord pulled taut round the side of a row of beads: straight from where it comes out of the last half knot,
 * over the beads, and straight to the next (the convex hull of both places and of the outlines half a cord further
 * out). Beads are taken as ellipses along the row; between beads the cord does not dip where nothing pulls it in.
 *
 * @param row lengths and heights in mm, at least one bead
 * @param gap between neighbours, in mm
 * @param d diameter of the cord in mm
 * @param aside how far from the middle it lies at both ends of the row, in mm: `besideCore`
 * @example roundBeads([{ length: 6, height: 6 }], 0, 1, 1.91).shares // [7.039328]
 */
export function roundBeads(
  row: readonly Pick<Bead, 'length' | 'height'>[],
  gap: number,
  d: number,
  aside: number,
): RoundBeads {
  const sizes = row.map(({ length, height }) => `${length} ${height}`).join();
  const key = `${sizes} ${gap} ${d} ${aside}`;
  let path = paths.get(key);
  if (!path) {
    if (paths.size > MAX_PATHS) paths.clear();
    path = pathRound(row, gap, d, aside);
    paths.set(key, path);
  }
  return path;
}

// Both cords, the drawing, and the hands for each bead of a row ask for the same few paths again and again.
const paths = new Map<string, RoundBeads>();
const MAX_PATHS = 200;

function pathRound(
  row: readonly Pick<Bead, 'length' | 'height'>[],
  gap: number,
  d: number,
  aside: number,
): RoundBeads {
  const long = row.reduce((sum, { length }) => sum + length, 0) + (row.length - 1) * gap;
  const line: Point[] = [];
  const reach = (p: Point): void => {
    while (line.length > 1 && turn(line.at(-2)!, line.at(-1)!, p) >= 0) line.pop();
    line.push(p);
  };
  reach([0, aside]);
  const ends: number[] = [0];
  let start = 0;
  row.forEach(({ length, height }, i) => {
    const [a, b] = [(length + d) / 2, (height + d) / 2];
    const from = start;
    for (let k = 0; k <= FINE; k++) {
      const angle = Math.PI * (1 - k / FINE);
      const x = from + length / 2 + a * Math.cos(angle);
      // What reaches beyond the bead lies under its neighbour's outline, or beyond the row.
      if (x > from && x < from + length) reach([x, b * Math.sin(angle)]);
    }
    start += length + gap;
    ends.push(i === row.length - 1 ? long : start - gap / 2);
  });
  reach([long, aside]);
  const reached = lengthsTill(line, ends);
  // Half of the gap on either side lies between the places that its share is measured at.
  const gaps = (i: number): number => (i > 0 ? gap / 2 : 0) + (i < row.length - 1 ? gap / 2 : 0);
  return { line, shares: reached.slice(1).map((to, i) => to - (reached[i] ?? 0) - gaps(i)) };
}

/** Length of a line up to some places along x, both in order. */
function lengthsTill(line: readonly Point[], places: readonly number[]): number[] {
  let [i, gone] = [0, 0];
  return places.map((x) => {
    for (; i + 2 < line.length && line[i + 1]![0] <= x; i++) {
      gone += Math.hypot(line[i + 1]![0] - line[i]![0], line[i + 1]![1] - line[i]![1]);
    }
    const [p, q] = [line[i]!, line[i + 1]!];
    return gone + ((x - p[0]) / (q[0] - p[0])) * Math.hypot(q[0] - p[0], q[1] - p[1]);
  });
}
