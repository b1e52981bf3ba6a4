import { memoize } from '@coiled-strand/rope';
import type { Cord } from '../base/material/cord.js';
import type { Plan, StrandPlan } from './plan-types.js';

const looks = ({ kind, diameter, colour }: Cord): string => `${kind}|${diameter}|${colour.hex}`;

/** What is done with a cord besides lying beside others: those that do the same can be taken for one another. */
const work = ({ parts, closure }: Plan, { number, cut, fold, role }: StrandPlan): string =>
  JSON.stringify([
    cut,
    fold,
    role,
    ...[...parts.map(({ layout }) => layout), closure].map(({ uses }) =>
      uses.filter(({ strand }) => strand === number).map(({ reason }) => reason.code),
    ),
  ]);

/**
 * Numbers of the strands that look like another which does other work, or is cut to another length: on the table
 * nobody can tell which is which, unless each has its number on it.
 */
export const lookalikes = memoize((plan: Plan): ReadonlySet<number> => {
  const { strands } = plan;
  const of = strands.map((strand) => ({
    number: strand.number,
    looks: looks(strand.cord),
    work: work(plan, strand),
  }));
  return new Set(
    of
      .filter((own) => of.some((other) => other.looks === own.looks && other.work !== own.work))
      .map(({ number }) => number),
  );
});
