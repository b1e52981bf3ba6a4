/** The header of a change that was made earlier: who made it, and in which workshop. */
export const DONE_BY = 'x-done-by';

/** The code of the answer to a change that somebody else made, or that was made in another workshop. */
export const DONE_ELSEWHERE = 'session.other';

/**
 * Who made a change, and in which workshop, as one word.
 *
 * @example doneByOf('p1', 'w1'); // 'p1 w1'
 */
export const doneByOf = (personId: string, workshopId: string): string =>
  `${personId} ${workshopId}`;
