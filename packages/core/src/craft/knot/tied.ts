import type { Run } from '../../base/kind/run.js';
import type { Tied } from '../../base/kind/step.js';
import type { Cord } from '../../base/material/cord.js';
import type { Side } from '../../base/measure/side.js';

/** A strand that is tied with a cord of its own. */
export const OWN_CORD = { strand: 0 } as const;

/**
 * A knot that is tied by some runs, in the order of the strands of its tying; null for what is no cord.
 *
 * @param first the side that these hands begin on: those that begin on the right see everything in a mirror
 * @param own the cord of its own that it is tied with, where it has one
 */
export const tiedIn = (
  tying: string,
  runs: readonly (Pick<Run, 'strand'> | null | undefined)[],
  first: Side,
  own?: Cord,
): Tied => ({
  tying,
  mirrored: first === 'right',
  strands: runs.map((run) => run?.strand ?? null),
  ...(own ? { own } : {}),
});

/** The same of a knot of the piece that its maker drew. */
export const drawnTied = (
  knot: string,
  runs: readonly (Pick<Run, 'strand'> | null | undefined)[],
  first: Side,
): Tied => ({ ...tiedIn(knot, runs, first), drawn: true });
