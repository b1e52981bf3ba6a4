import { PRACTICE, type Reason } from '../base/kind/reason.js';
import type { Hand } from '../base/learn/hand.js';
import { endShare } from '../base/material/working-end.js';
import type { Practice } from '../base/material/practice.js';

/** Code of the reason that a first make is cut longer for. */
export const FIRST_MAKE = 'reserve.first-make';

/**
 * Share by which a first make may come out longer than it was planned. Common practice, no source: nobody
 * ties as evenly as a plan before a make was measured.
 */
const LONGER = 0.05;

/** Whose ends a first make is given: hands find in it how practised they are with this very work. */
const LESS_PRACTISED: Readonly<Record<Practice, Practice>> = {
  learner: 'learner',
  practised: 'learner',
  expert: 'practised',
};

/** What a first make may take more of a length: of what stays in it a share, of an end what less practised fingers need. */
function moreOf({ area, mm, fingers, given }: Reason, practice: Practice): number {
  if (given) return 0;
  if (fingers) return mm * (endShare(LESS_PRACTISED[practice]) / endShare(practice) - 1);
  return area === 'end' || area === 'reserve' ? 0 : LONGER * mm;
}

/**
 * What a cord is cut longer for as long as nothing of a hand was measured: for a piece that comes out 5 % longer, and
 * for the ends that hands less practised need. It is gone with the first make that is logged.
 *
 * @param reasons what the cord is planned for, without a reserve
 * @param practice what the maker says of themselves
 * @returns no reason for a hand that is known
 * @example firstMake([], 'practised', []) // []
 */
export function firstMake(reasons: readonly Reason[], practice: Practice, hand: Hand): Reason[] {
  if (hand.length > 0) return [];
  const mm = reasons.reduce((sum, reason) => sum + moreOf(reason, practice), 0);
  if (mm <= 0) return [];
  return [
    {
      area: 'reserve',
      code: FIRST_MAKE,
      label: 'First make',
      detail:
        'nothing of yours is measured yet: for a piece that comes out 5 % longer, and the ends that less practised hands need; gone once you log a make',
      ...PRACTICE,
      mm,
    },
  ];
}
