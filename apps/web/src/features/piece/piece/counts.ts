import { pluralOf, type Plan } from '@coiled-strand/core';

/** '3 beads', '1 half knot'. */
export const counted = (count: number, name: string): string =>
  `${count} ${count === 1 ? name : pluralOf(name)}`;

/** What is tied and strung, the most first; plain stretches are not counted by makers. */
export const countsOf = (plan: Plan, most = Infinity): string[] =>
  plan.totals.counts
    .filter(({ unitName }) => unitName !== 'stretch')
    .slice(0, most)
    .map(({ count, unitName }) => counted(count, unitName));
