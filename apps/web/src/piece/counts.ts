import type { Plan } from '@coiled-strand/core';

/** '3 beads', '1 half knot'. */
export const counted = (count: number, name: string): string =>
  `${count} ${name}${count === 1 ? '' : 's'}`;

/** What is tied and strung, the most first; plain stretches are not counted by makers. */
export const countsOf = (plan: Plan, most = Infinity): string[] =>
  plan.totals.counts
    .filter(({ unitName }) => unitName !== 'stretch')
    .slice(0, most)
    .map(({ count, unitName }) => counted(count, unitName));
