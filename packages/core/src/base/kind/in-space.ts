import type { Bead } from '../material/bead.js';
import type { Point3 } from './primitive.js';
import type { Run } from './run.js';

/** A strand of a knot that was drawn tight: its middle in cord diameters, and where it goes on, if it does. */
export interface CellStrand {
  readonly line: readonly Point3[];
  /** The strand that it goes on as, and how many cells further on. */
  readonly joins?: number;
  readonly after?: number;
}

/** A knot that was drawn tight, or one cell of one that repeats along x. */
export interface Cell {
  readonly strands: readonly CellStrand[];
  /** Every cell is the one before, moved on by this, turned about x by so many radians, or seen in a mirror. */
  readonly shift?: number;
  readonly turn?: number;
  readonly mirror?: 'x' | 'y' | 'z';
  /** Straight cores along x: where they lie and how thick they are, in diameters of the cord. */
  readonly rods?: readonly { readonly y: number; readonly z: number; readonly radius: number }[];
}

/** The curves of knots as they were computed, by the names of the knots. Large: fetched when something is seen in space. */
export type KnownCurves = Readonly<Record<string, Cell>>;

/** A cord in space: its middle in mm, x along the piece, y away from the maker, z towards the viewer. */
export interface CordInSpace {
  readonly run: Pick<Run, 'strand' | 'cord'>;
  readonly line: readonly Point3[];
  /** Where several cords go as one: as thick as they are together, in mm. */
  readonly diameter?: number;
  /** The units of its part that are tied with it, equally much of it in each; none where it only lies there. */
  readonly worked?: { readonly from: number; readonly count: number };
}

/** A bead in space, its hole along x. */
export interface BeadInSpace {
  readonly bead: Bead;
  readonly at: Point3;
}

/** What a part is in space. */
export interface InSpace {
  readonly cords: readonly CordInSpace[];
  readonly beads: readonly BeadInSpace[];
  /** By how many radians about x each unit is turned against the one before, where the work winds round by itself. */
  readonly winds?: number;
}
