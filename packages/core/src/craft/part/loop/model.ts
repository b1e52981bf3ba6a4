import { type PartBase } from '../../../base/kind/part-kind.js';

/** A loop at an end of the piece, shut by an overhand knot in all cords: for a clasp, a button, a knot. */
export interface LoopPart extends PartBase {
  readonly kind: 'loop';
  /** Inner perimeter in mm. */
  readonly perimeter: number;
}

/** End in mm turned back and left beside its own cord below the knot of a single cord's loop. */
export const TURNED_BACK = 40;
