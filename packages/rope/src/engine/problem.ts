import type { Point3 } from '../base/point.js';

/**
 * How a strand ends: held at both ends, closed on itself, or going on as the beginning of a strand (`joins`) so
 * many cells further on (`after`).
 */
export type StrandEnds = 'held' | 'closed' | { readonly joins: number; readonly after: number };

/** A rope as it is laid before it is drawn tight. */
export interface RopeStrand {
  /** Its middle: points that a smooth curve goes through, from the beginning; the end too where it is held. */
  readonly points: readonly Point3[];
  /** Of the rope, in the unit of the points. */
  readonly diameter: number;
  /** How hard it is drawn, against the others; 1 when left out. */
  readonly tension?: number;
  /** Tightest bend over half the diameter, 1 to 2; 1 when left out: the ideal rope. Stiffer ones do not come to rest. */
  readonly bend?: number;
  readonly ends: StrandEnds;
  /**
   * Keeps its shape. One that is held lies where it was drawn and gives way to nothing: a core that others are tied
   * round. One that is closed moves and turns as one: a ring; neither tension nor the tightest bend is for it.
   */
  readonly rigid?: boolean;
}

/**
 * How a knot repeats: every cell is the one before, moved by `shift` along an axis, and turned about it (a screw),
 * or seen in a mirror whose plane holds the axis (a glide).
 */
export interface Repeat {
  readonly axis: 'x' | 'y' | 'z';
  readonly shift: number;
  /** Radians about the axis. */
  readonly turn?: number;
  /** Normal of the mirror, square to the axis. */
  readonly mirror?: 'x' | 'y' | 'z';
  /** The shift is found as well, against a push of so much tension along it: 0 where nobody pushes. */
  readonly push?: number;
}

/** A straight, rigid core along x, of any length. */
export interface Rod {
  readonly y: number;
  readonly z: number;
  readonly radius: number;
}

/** A round bead on a strand: the strand goes through its middle, all else keeps out of it, other beads as well. */
export interface Ball {
  readonly strand: number;
  /** Where on it, as a share from 0 to 1 of what lies between its leads; it stays there as that becomes shorter. */
  readonly along: number;
  /** Length of what only leads to the knot, at its beginning and at its end. */
  readonly leads: readonly [number, number];
  /** In the unit of the points. */
  readonly radius: number;
}

/** Ropes, how they repeat, and what rigid things they lie on. */
export interface RopeProblem {
  readonly strands: readonly RopeStrand[];
  /** None for a knot that stands alone; two for a field that repeats both ways. */
  readonly repeats?: readonly Repeat[];
  readonly rods?: readonly Rod[];
  readonly balls?: readonly Ball[];
  /** Half the space between two plates that the middles stay between, square to z. */
  readonly between?: number;
}
