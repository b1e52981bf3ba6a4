import type { Plan } from './plan-types.js';

/**
 * What the cord that is expected to be left over cost, in the currency its prices are in.
 *
 * @returns null where no strand has a price; strands without one are left out
 */
export function costOfWaste({ strands }: Pick<Plan, 'strands'>): number | null {
  const priced = strands.filter(({ cord }) => cord.price !== undefined);
  if (priced.length === 0) return null;
  return priced.reduce((sum, { leftover, cord }) => sum + (leftover / 1000) * cord.price!, 0);
}
