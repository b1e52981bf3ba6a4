import {
  CORD_KIND_FACTS,
  kindOfTechnique,
  type HandKey,
  pluralOf,
  techniqueLabel,
  type Learnt,
  type Lesson,
  type Measure,
} from '@coiled-strand/core';
import { format } from 'date-fns';

const MEASURES: Readonly<Record<Measure, string>> = {
  'take-up': 'cord for each',
  pitch: 'length of each',
  time: 'time for each',
  drift: 'change within a make of each',
  ends: 'what your fingers need to tie with',
};

/**
 * 'Square knots in paracord: cord for each half knot'
 *
 * @param knots that the workshop drew, by which a technique of one’s own is called
 */
export function nameOf(
  { technique, cordKind, measure }: HandKey,
  knots: readonly { readonly origin: string; readonly name: string }[] = [],
): {
  readonly technique: string;
  readonly measure: string;
} {
  if (measure === 'ends') {
    return {
      technique: `Working ends in ${CORD_KIND_FACTS[cordKind].label}`,
      measure: MEASURES.ends,
    };
  }
  const { unitName } = kindOfTechnique(technique).entry;
  return {
    technique: `${techniqueLabel(technique, knots)} in ${CORD_KIND_FACTS[cordKind].label}`,
    measure: `${MEASURES[measure]} ${unitName}`,
  };
}

interface Baseline {
  /** What a factor is over, and what is said where it is the same. */
  readonly from: string;
  readonly same: string;
  /** Widest deviation that is shown. */
  readonly reach: number;
}
const MODEL: Baseline = { from: 'the model', same: 'as the model', reach: 0.4 };

/** What a hand is held against. Fingers differ more than knots. */
export const BASELINES: Readonly<Record<Measure, Baseline>> = {
  'take-up': MODEL,
  pitch: MODEL,
  time: MODEL,
  drift: { from: 'as before', same: 'no change', reach: 0.4 },
  ends: { from: 'most hands', same: 'as most hands', reach: 1 },
};

/** '+4 %', '−2 %', 'as the model' */
export function overModel(factor: number, measure: Measure = 'take-up'): string {
  const percent = (factor - 1) * 100;
  return Math.abs(percent) < 0.5
    ? BASELINES[measure].same
    : `${percent > 0 ? '+' : '−'}${Math.abs(percent).toFixed(0)} %`;
}

export const spreadOf = ({ spread }: Pick<Learnt, 'spread'>): string =>
  `± ${(spread * 100).toFixed(0)} %`;

/** What has become more or less of each unit, and how that is said. */
const CHANGES: Readonly<Record<Exclude<Measure, 'ends'>, readonly [more: string, less: string]>> = {
  'take-up': ['take %s more cord', 'take %s less cord'],
  pitch: ['have become %s longer', 'have become %s shorter'],
  time: ['take %s longer', 'take %s less time'],
  drift: ['grow by %s more as you go', 'grow by %s less as you go'],
};

/**
 * A hand that changes one way, in a sentence.
 *
 * @param since when the first was made
 * @example tellTrend({ technique: 'square-knot-sinnet', measure: 'pitch', trend: { change: 0.94 } }, spring)
 *   // 'Your half knots have become 6 % shorter since March 2026.'
 */
export function tellTrend(
  { technique, measure, trend }: Pick<Lesson, 'technique' | 'measure' | 'trend'>,
  since: Date,
): string | null {
  if (trend === null || measure === 'ends') return null;
  const percent = Math.round(Math.abs(trend.change - 1) * 100);
  const [more, less] = CHANGES[measure];
  const said = (trend.change > 1 ? more : less).replace('%s', `${percent} %`);
  return `Your ${pluralOf(kindOfTechnique(technique).entry.unitName)} ${said} since ${format(since, 'MMMM yyyy')}.`;
}

/** Beyond this many standard deviations a slip in measuring is likelier than another hand. */
export const SURPRISING = 2.5;
