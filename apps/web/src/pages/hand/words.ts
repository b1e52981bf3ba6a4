import {
  CORD_KIND_FACTS,
  partKind,
  type HandKey,
  type Learnt,
  type Measure,
} from '@coiled-strand/core';

const MEASURES: Readonly<Record<Measure, string>> = {
  'take-up': 'cord for each',
  pitch: 'length of each',
  time: 'time for each',
};

/** 'Square knots in paracord: cord for each half knot' */
export function nameOf({ technique, cordKind, measure }: HandKey): {
  readonly technique: string;
  readonly measure: string;
} {
  const { label, unitName } = partKind(technique).entry;
  return {
    technique: `${label} in ${CORD_KIND_FACTS[cordKind].label}`,
    measure: `${MEASURES[measure]} ${unitName}`,
  };
}

/** '+4 %', '−2 %', 'as the model' */
export function overModel(factor: number): string {
  const percent = (factor - 1) * 100;
  return Math.abs(percent) < 0.5
    ? 'as the model'
    : `${percent > 0 ? '+' : '−'}${Math.abs(percent).toFixed(0)} %`;
}

export const spreadOf = ({ spread }: Pick<Learnt, 'spread'>): string =>
  `± ${(spread * 100).toFixed(0)} %`;

/** Beyond this many standard deviations a slip in measuring is likelier than another hand. */
export const SURPRISING = 2.5;
