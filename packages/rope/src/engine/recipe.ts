import type { Point3 } from '../base/point.js';

import type { RopeProblem, RopeStrand } from './problem.js';
import type { Care, Drawn } from './tighten.js';

/** A knot to be drawn tight, and what is read off it. */
export interface Recipe {
  readonly id: string;
  readonly problem: () => RopeProblem;
  readonly care?: Partial<Care>;
  /** Share by which the numbers may be off however finely they are computed; 0 when left out. */
  readonly error?: number;
  /** By name; in diameters of the cord where it says nothing else. */
  readonly read: (drawn: Drawn) => Readonly<Record<string, number>>;
}

/** A cord of one diameter that is held at both ends. */
export const held = (points: readonly Point3[], more: Partial<RopeStrand> = {}): RopeStrand => ({
  points,
  diameter: 1,
  ends: 'held',
  ...more,
});

/** A point at an angle in degrees about x. */
export const round = (x: number, radius: number, degrees: number): Point3 => {
  const a = (degrees * Math.PI) / 180;
  return [x, radius * Math.cos(a), radius * Math.sin(a)];
};
