import type { Run } from '../../base/kind/run.js';
import type { Tied } from '../../base/kind/step.js';
import type { Side } from '../../base/measure/side.js';

/**
 * A knot that is tied by some runs, in the order of the strands of its tying; null for what is no cord of the piece.
 *
 * @param first the side that these hands begin on: those that begin on the right see everything in a mirror
 */
export const tiedIn = (
  tying: string,
  runs: readonly (Pick<Run, 'strand'> | null | undefined)[],
  first: Side,
): Tied => ({
  tying,
  mirrored: first === 'right',
  strands: runs.map((run) => run?.strand ?? null),
});
