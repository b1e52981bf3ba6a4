import type { Board } from '../base/own-knot.js';
import type { Point, Point3 } from '../base/point.js';

import type { RopeProblem } from '../engine/problem.js';
import { imageOf } from '../curves/cells.js';
import { evenly } from '../engine/curve.js';
import { crossings, turnOver } from './board.js';
import { thinned } from '../engine/thinned.js';

/** Views that are tried, turned about x by equal steps; off the axes, so that no cord lies right over another. */
const VIEWS = 24;
const OFF = 0.04;
/** Steps of a smooth curve for each of its points, and how far it may be off as a line on a board, in diameters. */
const FINE = 6;
const NEAR = 0.06;

/** Seen from so many degrees about x: the same cords, the viewer above them. */
function seen(curves: readonly (readonly Point3[])[], angle: number): Point3[][] {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  return curves.map((curve) =>
    curve.map(([x, y, z]): Point3 => [x + OFF * (s * y + c * z), c * y - s * z, s * y + c * z]),
  );
}

/** Height of a line at a place along it. */
function heightOf(line: readonly Point3[], along: number): number {
  const i = Math.min(line.length - 2, Math.floor(along));
  return line[i]![2] + (along - i) * (line[i + 1]![2] - line[i]![2]);
}

const flat = (lines: readonly (readonly Point3[])[]): Point[][] =>
  lines.map((line) => line.map(([x, y]): Point => [x, y]));

/**
 * Cords in space laid on a board: turned about x so that they cross as seldom as may be, and seen from above.
 *
 * @param curves points that smooth curves go through, in cord diameters
 */
export function boardFrom(
  curves: readonly (readonly Point3[])[],
  cores: readonly number[] = [],
): Board {
  const smooth = curves.map((curve, i) =>
    cores.includes(i) ? curve : thinned(evenly(curve, FINE * curve.length), NEAR),
  );
  const views = Array.from({ length: VIEWS }, (_, i) =>
    seen(smooth, (Math.PI * (i + 0.3)) / VIEWS),
  );
  const counts = views.map((lines) => crossings({ cords: flat(lines), turned: [] }).length);
  const lines = views[counts.indexOf(Math.min(...counts))]!;
  const board: Board = {
    cords: flat(lines),
    turned: [],
    ...(cores.length > 0 && { cores }),
  };
  return crossings(board).reduce((now, { name, early, late }) => {
    const over =
      heightOf(lines[early.cord]!, early.along) > heightOf(lines[late.cord]!, late.along);
    return over ? turnOver(now, name) : now;
  }, board);
}

/** How far straight cores stand out of what repeats, in diameters. */
const OUT = 5;

/**
 * Some cells of a knot that repeats along x, one after the other; its rods are cores.
 *
 * @param problem whose strands all go on in the next cell, turned or mirrored
 * @throws RangeError for one that repeats otherwise
 */
export function unrolled({ strands, repeats = [], rods = [] }: RopeProblem, cells: number): Board {
  const [repeat] = repeats;
  if (repeat?.axis !== 'x') throw new RangeError('it does not repeat along x');
  const ways = strands.map((_, first) => {
    let strand = first;
    return Array.from({ length: cells + 1 }, (_, cell): Point3[] => {
      const { points, ends } = strands[strand]!;
      if (typeof ends !== 'object' || ends.after !== 1) {
        throw new RangeError('a strand does not go on in the next cell');
      }
      const own = cell < cells ? points : points.slice(0, 1);
      strand = ends.joins;
      return own.map((point) => imageOf(repeat, point, cell));
    }).flat();
  });
  const long = cells * repeat.shift;
  const cores = rods.map(({ y, z }): Point3[] => [
    [-OUT, y, z],
    [long + OUT, y, z],
  ]);
  return boardFrom(
    [...cores, ...ways],
    cores.map((_, i) => i),
  );
}
