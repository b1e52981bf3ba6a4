import type { Cell } from '../base/cell.js';
import type { Point3 } from '../base/point.js';

import { cellOf } from './compute.js';
import type { RopeProblem } from './problem.js';
import { tighten, USUAL, type Care } from './tighten.js';

/** A knot at one moment on its way from loose to tight, in diameters of its cord; with the middles of its beads. */
export interface Moment extends Cell {
  readonly beads: readonly Point3[];
}

/** Wider open than this many times, it is no longer seen what it is. */
const WIDEST = 2.5;

/** Everything so many times as large. */
function enlarged(cell: Cell, beads: readonly Point3[], by: number): Moment {
  const larger = ([x, y, z]: Point3): Point3 => [by * x, by * y, by * z];
  return {
    ...cell,
    strands: cell.strands.map((strand) => ({ ...strand, line: strand.line.map(larger) })),
    ...(cell.shift !== undefined && { shift: by * cell.shift }),
    ...(cell.rods && { rods: cell.rods.map((rod) => ({ ...rod, y: by * rod.y, z: by * rod.z })) }),
    beads: beads.map(larger),
  };
}

/**
 * How a knot lies on its way from loose to tight, one moment after the other: a cord that is thinner than its knot
 * will be lies as a whole one does in a knot that is as much larger.
 *
 * @param care how finely; only the rough polygon, which finds the way, is drawn
 * @returns nothing; each moment comes as it is passed, the widest first
 */
export function* opening(
  problem: RopeProblem,
  care: Partial<Care> = {},
): Generator<Moment, void, void> {
  for (const { soFar, thickness } of tighten(problem, { ...USUAL, ...care, polygons: 0 })) {
    if (thickness * WIDEST < 1) continue;
    const drawn = soFar();
    yield enlarged(cellOf(drawn), drawn.laid.ballPlaces(), 1 / thickness);
  }
}
