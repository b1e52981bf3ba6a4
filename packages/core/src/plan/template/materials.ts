import type { Colour, Cord, CordKind } from '../../base/material/cord.js';
import type { PieceBead, Strand } from '../../piece/piece.js';
import type { LegRole } from '../../base/kind/run.js';
import type { BeadShape } from '../../base/material/bead.js';

/** Short ways to write the materials of a template. */

export const cordOf = (
  name: string,
  kind: CordKind,
  diameter: number,
  colour: string,
  hex: string,
): Cord => ({ name, kind, diameter, colour: { name: colour, hex } });

export const strandOf = (cord: Cord, legs: readonly LegRole[], laidIn = false): Strand => ({
  cord,
  legs,
  laidIn,
});

/** @param size along the cord and across it, in mm */
export const beadOf = (
  id: string,
  name: string,
  shape: BeadShape,
  size: readonly [number, number],
  hole: number,
  colour: Colour,
): PieceBead => ({
  id,
  name,
  shape,
  length: size[0],
  height: size[1],
  hole,
  colour,
});

export const colourOf = (name: string, hex: string): Colour => ({ name, hex });
