import type { RuleOfThumb, Work } from '../../base/kind/rule-of-thumb.js';
import { MM_PER_UNIT } from '../../base/measure/units.js';

/**
 * The trade's rule for a hemp bracelet of square knots: the core twice the wrist and four inches, the working
 * cord three times the core, both folded. Common practice, no source; shown only for comparison.
 *
 * @example hempRule({ wrist: 152.4, site: 'wrist', overCore: true, cords: ['hemp'] }).low // 2032
 */
export function hempRule({
  wrist,
  site,
  overCore,
  cords,
}: Pick<Work, 'wrist' | 'site' | 'overCore' | 'cords'>): RuleOfThumb | null {
  if (!overCore || site !== 'wrist' || cords.some((kind) => kind !== 'hemp')) return null;
  const core = 2 * (wrist + 4 * MM_PER_UNIT.in);
  return {
    label: 'Core twice wrist and 4 in, working cord three times that',
    low: 4 * core,
    high: 4 * core,
  };
}
