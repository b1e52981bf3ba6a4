import { workingTail, type Cord } from './cord.js';

/** How practised the hands are: how much spare end they need to tie a bulky knot. */
export const PRACTICES = ['learner', 'practised', 'expert'] as const;
export type Practice = (typeof PRACTICES)[number];

/** Share of the usual working allowance that each needs. Assumed; a maker's own log tells better. */
export const PRACTICE_FACTOR: Readonly<Record<Practice, number>> = {
  learner: 1.5,
  practised: 1,
  expert: 0.6,
};

/**
 * Tail in mm that these hands need to tie the last knot with: half of the usual one whatever their
 * practice, the other half as it shrinks. Common practice, no source.
 */
export const tailFor = (cord: Cord, practice: Practice): number =>
  workingTail(cord) * (0.5 + 0.5 * PRACTICE_FACTOR[practice]);
