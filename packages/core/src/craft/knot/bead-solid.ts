import type { BeadSolid, Point } from '../../base/kind/primitive.js';
import type { Bead } from '../../base/material/bead.js';

/** A bead seen from the side, its hole along the piece. */
export const beadSolid = (
  bead: Bead,
  key: string,
  part: string,
  at: Point,
  state: 'laid' | 'planned',
  turn = 0,
): BeadSolid => ({
  kind: 'bead',
  key,
  part,
  shape: bead.shape,
  colour: bead.colour.hex,
  at,
  length: bead.length,
  height: bead.height,
  turn,
  state,
});
