import type { Point, Point3 } from './point.js';

/**
 * A knot as a maker draws it on a board: the middle of each cord, from where it comes in to where it goes out, as
 * seen from above. Where cords cross, the one drawn later lies over; each crossing can be turned the other way.
 */
export interface Board {
  /** In the order in which they were drawn; points in cord diameters, x to the right, y away from the maker. */
  readonly cords: readonly (readonly Point[])[];
  /** Crossings that were turned the other way, by their names. */
  readonly turned: readonly string[];
  /** Numbers of the cords, from 0, that lie straight and give way to nothing: the others are tied round them. */
  readonly cores?: readonly number[];
  readonly beads?: readonly BoardBead[];
}

/** A round bead on a cord of a board. */
export interface BoardBead {
  readonly cord: number;
  /** Where on it, in points from its beginning. */
  readonly along: number;
  /** Its diameter, in cord diameters. */
  readonly size: number;
}

/** A number and by how much it may be off, both in cord diameters. */
export interface KnotMeasure {
  readonly value: number;
  readonly off: number;
}

/** What a knot that is tight takes, and how large it is, in diameters of its cord. */
export interface KnotSize {
  /** By cord: its length less the way between its ends. */
  readonly uses: readonly KnotMeasure[];
  /** From where its cords come in to where they go out. */
  readonly length: KnotMeasure;
  readonly width: KnotMeasure;
  readonly thickness: KnotMeasure;
}

/** A board drawn tight: what was computed of it, kept so that nobody has to compute it again. */
export interface TightKnot {
  /** Version of the engine that drew it. */
  readonly engine: number;
  /** Of which board: its fingerprint. */
  readonly of: string;
  /** Whether it was at rest; else its numbers are less sure, as their errors say. */
  readonly settled: boolean;
  readonly size: KnotSize;
  /** Middle of each cord in diameters: x along the piece from where the knot begins, z towards the viewer. */
  readonly curves: readonly (readonly Point3[])[];
  /** Middle of each bead. */
  readonly beads: readonly Point3[];
}

/** A knot that a maker drew, as it was when it was put into a piece. */
export interface OwnKnot {
  readonly name: string;
  /** The knot of the workshop that it was taken from, and how often that had been changed by then, from 1. */
  readonly origin: string;
  readonly version: number;
  readonly board: Board;
  readonly tight: TightKnot;
}

/** What is kept of a tying that no recipe of the catalogue is like: drawn tight from its own layout. */
export interface KeptTight {
  readonly size: KnotSize;
  /** The smallest round hole that it goes through lengthwise. */
  readonly passes: number;
}
