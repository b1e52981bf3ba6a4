import type { Plan } from './plan-types.js';

/**
 * The plan of a piece that is changed while it is made: its cords lie on the bench, cut and folded as they were.
 *
 * @param plan of the changed piece, with the same strands
 * @param before by which the cords were cut
 */
export const asCut = (plan: Plan, before: Plan): Plan => ({
  ...plan,
  strands: plan.strands.map((strand, i) => {
    const { cut, fold } = before.strands[i]!;
    return { ...strand, cut, fold };
  }),
});
