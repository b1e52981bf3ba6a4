import { MM_PER_UNIT, type LengthUnit } from './units.js';

export interface LengthFormat {
  /** Finest fraction of an inch shown, a power of two; 16 when absent. */
  readonly denominator?: number;
  /** Decimals of a metric length; mm 1, cm 1, m 2 when absent. Trailing noughts are dropped. */
  readonly decimals?: number;
}

const DECIMALS: Readonly<Record<'mm' | 'cm' | 'm' | 'yd', number>> = { mm: 1, cm: 1, m: 2, yd: 2 };

/** Inches as makers read them off the rule: `7 5/8`, `3/4`, `12`. */
function inchesAsFraction(inches: number, denominator: number): string {
  const parts = Math.round(inches * denominator);
  const whole = Math.floor(parts / denominator);
  let top = parts % denominator;
  let bottom = denominator;
  while (top !== 0 && top % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  if (top === 0) return String(whole);
  return whole === 0 ? `${top}/${bottom}` : `${whole} ${top}/${bottom}`;
}

/**
 * Writes a length in the unit asked for; inches and feet as fractions, the rest as decimals.
 * What it writes, `parseLength` reads back, to within half of the last place shown.
 *
 * @param mm length in mm, finite, any sign
 *
 * @example formatLength(193.675, 'in') // '7 5/8 in'
 * @example formatLength(774.7, 'ft')   // '2 ft 6 1/2 in'
 * @example formatLength(170, 'cm')     // '17 cm'
 */
export function formatLength(mm: number, unit: LengthUnit, format: LengthFormat = {}): string {
  if (mm < 0) return `−${formatLength(-mm, unit, format)}`;
  const { denominator = 16 } = format;
  if (unit === 'in') return `${inchesAsFraction(mm / MM_PER_UNIT.in, denominator)} in`;
  if (unit === 'ft') {
    // Round before splitting, so that 11.99 in does not become "12 in" beside a foot too few.
    const parts = Math.round((mm / MM_PER_UNIT.in) * denominator);
    const feet = Math.floor(parts / (12 * denominator));
    const inches = (parts - feet * 12 * denominator) / denominator;
    if (feet === 0) return `${inchesAsFraction(inches, denominator)} in`;
    return inches === 0 ? `${feet} ft` : `${feet} ft ${inchesAsFraction(inches, denominator)} in`;
  }
  const decimals = format.decimals ?? DECIMALS[unit];
  return `${Number((mm / MM_PER_UNIT[unit]).toFixed(decimals))} ${unit}`;
}
