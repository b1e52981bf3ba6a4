import type { Run } from '../../base/kind/run.js';
import type { Tied } from '../../base/kind/step.js';
import type { Cord } from '../../base/material/cord.js';
import type { Side } from '../../base/measure/side.js';

/** A strand that is tied with a cord of its own. */
export const OWN_CORD = { strand: 0 } as const;

/** What a strand of a tying is: a run, or some that go as one; nothing where it is no cord. */
type Strand = Pick<Run, 'strand'> | readonly Pick<Run, 'strand'>[] | null | undefined;

const runsOf = (one: Strand): readonly Pick<Run, 'strand'>[] =>
  one === null || one === undefined ? [] : 'strand' in one ? [one] : one;

/**
 * A knot that is tied by some runs, in the order of the strands of its tying; null for what is no cord.
 *
 * @param first the side that these hands begin on: those that begin on the right see everything in a mirror
 * @param own the cord of its own that it is tied with, where it has one
 */
export const tiedIn = (tying: string, runs: readonly Strand[], first: Side, own?: Cord): Tied => {
  const all = runs.map(runsOf);
  return {
    tying,
    mirrored: first === 'right',
    strands: all.map(([run]) => run?.strand ?? null),
    ...(all.some(({ length }) => length > 1)
      ? { together: all.map(([, ...more]) => more.map(({ strand }) => strand)) }
      : {}),
    ...(own ? { own } : {}),
  };
};

/** The same of a knot of the piece that its maker drew. */
export const drawnTied = (knot: string, runs: readonly Strand[], first: Side): Tied => ({
  ...tiedIn(knot, runs, first),
  drawn: true,
});

/**
 * The knot that shuts a loop: in ends that are turned back, each beside itself, or in all cords as if they were one.
 */
export const tiedLoop = (turned: boolean, runs: readonly Run[], first: Side): Tied =>
  turned ? tiedIn('loop-knot', [[...runs, ...runs]], first) : tiedIn('overhand', [runs], first);
