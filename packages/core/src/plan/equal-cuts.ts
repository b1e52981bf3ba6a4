import { roundUpToStep } from '../base/measure/round.js';
import type { StrandPlan } from './plan-types.js';

/** Strands that are cut from alike cord and used alike, whatever their colour. */
const groupOf = ({ cord, fold }: StrandPlan): string =>
  `${cord.kind} ${cord.diameter} ${fold === null ? 'single' : 'folded'}`;

/**
 * All strands of a kind cut as long as the longest of them: quicker to measure, and any of them can be
 * taken for another. A fold stays where its halves ask for it.
 *
 * @param strands each cut to its own length
 * @param step cuts are multiples of this, in mm
 * @returns the same strands, none shorter
 */
export function equalCuts(strands: readonly StrandPlan[], step: number): StrandPlan[] {
  const longest = new Map<string, number>();
  for (const strand of strands) {
    const group = groupOf(strand);
    longest.set(group, Math.max(longest.get(group) ?? 0, strand.cut));
  }
  return strands.map((strand) => {
    const cut = roundUpToStep(longest.get(groupOf(strand))!, step);
    return {
      ...strand,
      cut,
      fold: strand.fold === null ? null : (strand.fold * cut) / strand.cut,
      leftover: cut - strand.kept,
    };
  });
}

/** Sum of all cuts in mm; what comes with the work is not cut. */
export const sumOfCuts = (
  strands: readonly (Pick<StrandPlan, 'cut'> & Partial<Pick<StrandPlan, 'given'>>)[],
): number => strands.reduce((sum, strand) => sum + (strand.given ? 0 : strand.cut), 0);
