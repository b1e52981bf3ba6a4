import type { CordKind } from '../material/cord.js';
import { learnEnds, type EndsWere } from './own-ends.js';
import {
  HANDS,
  learnFrom,
  nextMake,
  priorBelief,
  surprises,
  trendOf,
  type Learnt,
  type Trend,
  WITHIN,
} from './belief.js';

/**
 * What varies by hand:
 * - `take-up`: cord in a unit
 * - `pitch`: finished length of a unit
 * - `time`: what a unit takes
 * - `drift`: length of a unit in the rest of a make, over that in the stretch before
 * - `ends`: what fingers need of an end to tie with it, whatever the technique
 */
export const MEASURES = ['take-up', 'pitch', 'time', 'drift', 'ends'] as const;

/** What stands for the technique where ends are learnt, which are the same for all. */
export const ALL_TECHNIQUES = '';
export type Measure = (typeof MEASURES)[number];

/** What a hand's factor is kept for: one technique with one kind of cord. */
export interface HandKey {
  /** Kind of part; of ends, which are learnt for all of them, `ALL_TECHNIQUES`. */
  readonly technique: string;
  readonly cordKind: CordKind;
  readonly measure: Measure;
}

/** One factor as it was measured, in a make or on a swatch. */
export interface Observation extends HandKey {
  /** Measured over modelled, > 0. */
  readonly ratio: number;
  /** Spread of all hands in this: what is believed before anything is measured. */
  readonly spread: number;
  /** Of the ruler alone: standard deviation of the ratio's logarithm. 0 when left out. */
  readonly error?: number;
  /** Of an end: how it was. */
  readonly was?: EndsWere;
}

/**
 * Spread of the length that a unit makes: less than that of its cord, since units lie against each
 * other however they are pulled. Assumed.
 */
export const PITCH_SPREAD = 0.05;

/** Spread of the time that hands take. Assumed: the slow take twice as long as the quick. */
export const TIME_SPREAD = 0.35;

/**
 * Spread of what a unit's length changes by within a make, from a stretch to the one after it. Assumed: each
 * stretch is 2 % off the make, for itself.
 */
export const DRIFT_SPREAD = 0.02 * Math.SQRT2;

/** What was learnt of one technique with one kind of cord, ready for a plan. */
export interface HandFactor extends HandKey, Learnt {}

/** All that was learnt of a hand; empty for one that is not known yet. */
export type Hand = readonly HandFactor[];
export const ANY_HAND: Hand = [];

/** What was learnt of this, or undefined when nothing was. */
export const factorOf = (
  hand: Hand,
  technique: string,
  cordKind: CordKind,
  measure: Measure,
): HandFactor | undefined =>
  hand.find((f) => f.technique === technique && f.cordKind === cordKind && f.measure === measure);

/** What was learnt of the ends that fingers need, or undefined when nothing was. */
export const endsOfHand = (hand: Hand, cordKind: CordKind): HandFactor | undefined =>
  factorOf(hand, ALL_TECHNIQUES, cordKind, 'ends');

/** One thing that was learnt, with what it rests on. */
export interface Lesson<O extends Observation = Observation> extends HandKey {
  readonly before: Learnt;
  readonly after: Learnt;
  /** Where the hand changes one way from make to make; null where it does not. */
  readonly trend: Trend | null;
  readonly observations: readonly (O & {
    /** In standard deviations from what all others say; see `surprises`. */
    readonly surprise: number;
  })[];
}

/**
 * Everything observed, gathered by technique, cord kind and measure, in the order of their first
 * observation.
 *
 * @param observations in the order in which they were made: what came last counts most
 */
export function lessonsFrom<O extends Observation>(observations: readonly O[]): Lesson<O>[] {
  const groups = new Map<string, O[]>();
  for (const one of observations) {
    const key = `${one.technique} ${one.cordKind} ${one.measure}`;
    const group = groups.get(key);
    if (group) group.push(one);
    else groups.set(key, [one]);
  }
  return [...groups.values()].map((group) => {
    const { technique, cordKind, measure, spread } = group[0]!;
    const before: Learnt = { factor: 1, spread, rests: 0 };
    const key = { technique, cordKind, measure };
    if (measure === 'ends') {
      const tried = group.map(({ ratio, was = 'enough' }) => ({ ratio, was }));
      return {
        ...key,
        before,
        after: learnEnds(tried),
        trend: null,
        observations: group.map((one) => ({ ...one, surprise: 0 })),
      };
    }
    const ratios = group.map(({ ratio }) => ratio);
    const belief = group.reduce(
      (believed, { ratio, error }) => learnFrom(believed, ratio, error),
      priorBelief(spread, measure === 'drift' ? WITHIN : HANDS),
    );
    const surprise = surprises(spread, ratios);
    return {
      ...key,
      // Of a hand that is not known a plan takes the spread of all hands.
      before,
      after: nextMake(belief),
      trend: trendOf(belief),
      observations: group.map((one, i) => ({ ...one, surprise: surprise[i]! })),
    };
  });
}

/** What a plan needs of the lessons. */
export const handOf = (lessons: readonly (HandKey & Pick<Lesson, 'after'>)[]): Hand =>
  lessons.map(({ technique, cordKind, measure, after }) => ({
    technique,
    cordKind,
    measure,
    ...after,
  }));
