import { formatLength } from './format-length.js';
import { sayCount } from './plural.js';
import type { LengthUse, Saying, Segment } from './saying.js';
import { isImperial, type LengthUnit } from './units.js';

/** How a maker reads lengths: those of the work, and those of cord. */
export interface SpokenUnits {
  readonly unit: LengthUnit;
  readonly cordUnit: LengthUnit;
}

/** What is written where nobody's habits are known: millimetres. */
export const IN_MM: SpokenUnits = { unit: 'mm', cordUnit: 'mm' };

/** Decimals that are left of a metric length laid by hand: the nearest millimetre. */
const TO_THE_MILLIMETRE = { mm: 0, cm: 1, m: 3 } as const;

/**
 * A length as it is written in a sentence: what a hand lays off to the nearest millimetre or 1/16 inch,
 * cord to cut to the nearest millimetre or 1/8 inch, what is sold in millimetres to a tenth.
 *
 * @param mm length in mm
 * @example speakLength(1106.4, 'laid', { unit: 'cm', cordUnit: 'ft' }) // '110.6 cm'
 */
export function speakLength(mm: number, use: LengthUse, units: SpokenUnits): string {
  if (use === 'sold') return formatLength(mm, 'mm');
  const unit = use === 'cord' ? units.cordUnit : units.unit;
  if (isImperial(unit)) return formatLength(mm, unit, { denominator: use === 'cord' ? 8 : 16 });
  return formatLength(mm, unit, { decimals: TO_THE_MILLIMETRE[unit as 'mm' | 'cm' | 'm'] });
}

function speakSegment(segment: Segment, units: SpokenUnits): string {
  if (typeof segment === 'string') return segment;
  switch (segment.kind) {
    case 'length':
      return speakLength(segment.mm, segment.use, units);
    case 'count':
      return sayCount(segment.count, segment.of);
    case 'side':
      return segment.side;
    case 'cord':
      return `${segment.word} ${segment.number} (${segment.colour})`;
    case 'term':
      return segment.as;
    case 'bead':
      return segment.name;
    case 'part':
      return `“${segment.label}”`;
  }
}

/**
 * The one place where a sentence of the core becomes text: on screen, on paper and in files.
 *
 * @example speak(['It closes ', laid(25.4), ' larger.'], { unit: 'in', cordUnit: 'ft' })
 *   // 'It closes 1 in larger.'
 */
export const speak = (saying: Saying, units: SpokenUnits): string =>
  typeof saying === 'string'
    ? saying
    : saying.map((segment) => speakSegment(segment, units)).join('');
