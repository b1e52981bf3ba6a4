import type { Point } from '@coiled-strand/rope';
import type { BeadShape } from '../material/bead.js';

export type { Point, Point3 } from '@coiled-strand/rope';

/** What of a closure a shape is, for the pictures of the steps that move it. */
export type Thing = 'run' | 'tail' | 'stopper' | 'slider' | 'bead';

export type CordTexture = 'braid' | 'twist' | 'smooth';

/** Of the width of a cord, a stripe along it. */
export const STRIPE_WIDTH = 0.22;

/** A length of cord, drawn as a stroke of its own diameter along one or more lines. */
export interface CordStroke {
  readonly kind: 'cord';
  readonly key: string;
  /** Part of the piece it belongs to, for selection. */
  readonly part: string;
  /** Number of the cord, from 1: colour never stands alone. */
  readonly strand: number;
  readonly colour: string;
  /** Colour of a line along it that tells it from another of the same colour. */
  readonly stripe?: string;
  readonly texture: CordTexture;
  readonly diameter: number;
  readonly lines: readonly (readonly Point[])[];
  /** Ends that show are round; ends hidden in the work are cut straight. */
  readonly ends: 'round' | 'butt';
  /** laid: as it lies; planned: still to be tied; tail: trimmed away later; moving: goes next. */
  readonly state: 'laid' | 'planned' | 'tail' | 'moving';
  readonly thing?: Thing;
}

/** A flat solid thing (a buckle half, the body inside a closed piece): closed outlines, even-odd. */
export interface Plate {
  readonly kind: 'plate';
  readonly key: string;
  readonly part: string;
  readonly fill: 'finding' | 'finding-recess' | 'stone' | 'body' | 'room' | 'range' | 'pass';
  readonly colour?: string;
  readonly thing?: Thing;
  readonly outlines: readonly (readonly Point[])[];
}

/** A bead, seen from the side: its cord runs along `turn`. */
export interface BeadSolid {
  readonly kind: 'bead';
  readonly key: string;
  readonly part: string;
  readonly shape: BeadShape;
  readonly colour: string;
  readonly at: Point;
  /** Along its cord and across it, in mm. */
  readonly length: number;
  readonly height: number;
  /** Angle of its cord against the x axis, in radians, clockwise as seen. */
  readonly turn: number;
  readonly state: 'laid' | 'planned' | 'moving';
  readonly thing?: Thing;
}

/** An arrow that shows where a cord goes. */
export interface Arrow {
  readonly kind: 'arrow';
  readonly key: string;
  readonly thing?: undefined;
  /** Thickness in mm; its head is in proportion. */
  readonly width: number;
  readonly line: readonly Point[];
}

export type Primitive = CordStroke | Plate | BeadSolid | Arrow;

/** Things in painter's order with the rectangle that holds them, in mm. */
export interface Drawing {
  readonly bounds: Bounds;
  readonly shapes: readonly Primitive[];
}
export interface Bounds {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}
