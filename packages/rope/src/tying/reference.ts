import type { Cell } from '../base/cell.js';
import type { Point3 } from '../base/point.js';

import { onBoard } from '../board/lift.js';
import { unrolled } from '../board/from-curves.js';
import { repeated } from '../curves/cells.js';
import { evenly } from '../engine/curve.js';
import type { RopeProblem } from '../engine/problem.js';
import { CATALOGUE } from '../knots/catalogue.js';
import { closedUp } from '../link/closing.js';
import { upThrough } from './closed.js';
import type { Tying } from './tying.js';

/** How far rods stand out of a knot, in diameters. */
const ROD = 20;
/** Points of a smooth curve for each of its points. */
const FINE = 6;

/** Where along a cell a plait is cut: off its crossings. */
const CUT = 0.27;
/** How far apart ends are spread beyond a cut, and how far beyond it, in diameters. */
const SPREAD = 4;
const BEYOND = 8;

/**
 * A stretch of a plait whose strands are images of each other, as it hangs down: x of the recipe is down.
 *
 * @param cells how many lie in it
 */
function hanging({ strands, repeats = [] }: RopeProblem, cells: number): Point3[][] {
  const [repeat] = repeats;
  const { shift } = repeat!;
  // The last point of a line in a cell is the first of the next.
  const cell: Cell = {
    ...repeat!,
    strands: strands.map(({ points, ends }) => ({
      line: [...points, points[0]!].map(([x, y, z]): Point3 => [x - CUT * shift, y, z]),
      ...(typeof ends === 'object' ? ends : {}),
    })),
  };
  const whole = repeated(cell, cells).map((line) => evenly(line, FINE * line.length));
  const seen = whole.map((line) => line.map(([x, y, z]): Point3 => [y, -x, z]));
  const places = (at: 0 | -1): number[] => {
    const sorted = seen.map((line) => line.at(at)![0]).sort((a, b) => a - b);
    return seen.map((line) => sorted.indexOf(line.at(at)![0]));
  };
  const [begins, stops] = [places(0), places(-1)];
  const aside = (place: number): number => SPREAD * (place - (seen.length - 1) / 2);
  return [...seen.keys()]
    .sort((a, b) => begins[a]! - begins[b]!)
    .map((i): Point3[] => [
      [aside(begins[i]!), BEYOND, 0],
      ...seen[i]!,
      [aside(stops[i]!), -BEYOND - cells * shift, 0],
    ]);
}

/** Whether its strands are images of each other, some cells on. */
const isPlait = ({ strands, repeats = [] }: RopeProblem): boolean =>
  repeats.length > 0 && strands.every(({ ends }) => typeof ends === 'object' && ends.after > 1);

/**
 * The curve that the numbers of a tying come from, closed up as its layout is; null where it has none in the
 * catalogue.
 */
export function closedCell(tying: Tying): Point3[][] | null {
  const recipe = CATALOGUE.find(({ id }) => id === tying.cell);
  if (!recipe) return null;
  const problem = recipe.problem();
  const { strands, rods = [], repeats = [] } = problem;
  if (isPlait(problem)) return closedUp(hanging(problem, tying.cells ?? 1));
  if (repeats[0]?.axis === 'x' && tying.strands[0]!.heading !== 'outwards') {
    const board = unrolled(problem, tying.cells ?? 1);
    if (tying.mirrored !== true) return closedUp(onBoard(board));
    // Its cords lie across the piece, which goes on downwards: left and right change, and with them which is which.
    const seen = onBoard(board).map((line) => line.map(([x, y, z]): Point3 => [x, -y, z]));
    const cores = board.cores?.length ?? 0;
    return closedUp([...seen.slice(0, cores).reverse(), ...seen.slice(cores).reverse()]);
  }
  const hand = tying.mirrored === true ? -1 : 1;
  const cords = strands.map(({ points }) =>
    evenly(points, FINE * points.length).map(([x, y, z]): Point3 => [hand * x, y, z]),
  );
  if (tying.strands[0]!.heading === 'outwards') {
    // Its cords come up along x: seen from there, they come up in the middle.
    return closedUp(
      cords.map((cord) => {
        const turned = cord.map(([x, y, z]): Point3 => [y, z, x]);
        return upThrough(turned, ROD);
      }),
    );
  }
  const core = tying.strands.find(({ end }) => end === null);
  const way = core?.heading === 'left' ? -ROD : ROD;
  const bars = rods.map(({ y, z }): Point3[] => [
    [-way, y, z],
    [way, y, z],
  ]);
  // A rod has the place among the cords that its strand has.
  return closedUp(core && tying.strands[0] === core ? [...bars, ...cords] : [...cords, ...bars]);
}
