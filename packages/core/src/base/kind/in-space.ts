import type { Bead } from '../material/bead.js';
import type { Point3 } from './primitive.js';
import type { Run } from './run.js';

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
