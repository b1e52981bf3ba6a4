import type { Cord } from '../material/cord.js';

/**
 * What a strand does in a part.
 * - `core`: lies straight inside the work, and carries beads
 * - `working`: ties round the core
 * - `carried`: goes along with the core without going through beads
 * - `plaited`: crosses the others, in a plait or a knotted band
 * - `turned`: runs as core to the far end, turns, and comes back working
 */
export const LEG_ROLES = ['core', 'working', 'carried', 'plaited', 'turned'] as const;
export type LegRole = (typeof LEG_ROLES)[number];
export type RunRole = Exclude<LegRole, 'turned'>;

/** One passage of a strand along the piece. A turned leg makes two of them. */
export interface Run {
  /** Place among all runs of the piece, from 0. */
  readonly index: number;
  /** Number of the strand in the cut list, from 1. */
  readonly strand: number;
  /** Which half of a folded strand; 0 for a single one. */
  readonly half: 0 | 1;
  readonly role: RunRole;
  readonly cord: Cord;
  /** Begins where it is first needed instead of at the closure. */
  readonly laidIn: boolean;
  /** Whether the strand is folded at the start. */
  readonly folded: boolean;
}
