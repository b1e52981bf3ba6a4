import type { Point3 } from './point.js';

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
