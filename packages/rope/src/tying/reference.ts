import type { Point3 } from '../base/point.js';

import { onBoard } from '../board/lift.js';
import { unrolled } from '../board/from-curves.js';
import { evenly } from '../engine/curve.js';
import { CATALOGUE } from '../knots/catalogue.js';
import { closedUp } from '../link/closing.js';
import { upThrough } from './closed.js';
import type { Tying } from './tying.js';

/** How far rods stand out of a knot, in diameters. */
const ROD = 20;
/** Points of a smooth curve for each of its points. */
const FINE = 6;

/**
 * The curve that the numbers of a tying come from, closed up as its layout is; null where it has none in the
 * catalogue.
 */
export function closedCell(tying: Tying): Point3[][] | null {
  const recipe = CATALOGUE.find(({ id }) => id === tying.cell);
  if (!recipe) return null;
  const problem = recipe.problem();
  const { strands, rods = [], repeats = [] } = problem;
  if (repeats[0]?.axis === 'x') {
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
