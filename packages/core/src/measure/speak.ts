import { formatLength } from './format-length.js';
import { isImperial, type LengthUnit } from './units.js';

/** Cord, beads and advice are sold in millimetres everywhere; below this they are left in them. */
const KEEP_MM_BELOW = 12;

/** A measure as messages of the core state it; `speak` says it in the maker’s unit. */
export const mm = (value: number): string => `${Number(value.toFixed(1))} mm`;

/**
 * Says a sentence in the maker's unit. Messages of the core state every length as `12.3 mm`; this
 * rewrites those of a size that is measured with a rule.
 *
 * @example speak('It closes 25.4 mm larger.', 'in') // 'It closes 1 in larger.'
 */
export function speak(text: string, unit: LengthUnit): string {
  if (unit === 'mm') return text;
  return text.replace(/(\d+(?:\.\d+)?) mm\b/g, (all, number: string) => {
    const length = Number(number);
    if (length < KEEP_MM_BELOW) return all;
    return isImperial(unit)
      ? formatLength(length, unit, { denominator: 8 })
      : formatLength(length, unit);
  });
}
