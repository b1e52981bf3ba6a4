/**
 * What is believed of a hand's factor (its take-up, pitch or time over the model's): normal on the
 * logarithm, with a known wobble from make to make.
 */
export interface Belief {
  /** Mean of the hand's own log factor. */
  readonly mean: number;
  /** How unsure that mean is: its standard deviation. */
  readonly sd: number;
  /** Standard deviation of the log factor from make to make of one hand. */
  readonly wobble: number;
  /** How many makes and swatches it rests on. */
  readonly rests: number;
}

/** What the next make is expected to take, in one factor. */
export interface Learnt {
  /** Median of the factor. */
  readonly factor: number;
  /** Standard deviation of its logarithm for the next make. */
  readonly spread: number;
  readonly rests: number;
}

/**
 * Share of a technique's spread that is one hand from make to make, the rest being hand from hand.
 * Assumed: a practised hand keeps its tension twice as well as hands agree with each other.
 */
const WOBBLE_SHARE = 0.5;

/**
 * Before anything was made: factor 1, and the spread of all hands in its two halves.
 *
 * @param spread standard deviation of the log factor over hands and makes, > 0
 * @example priorBelief(0.1) // { mean: 0, sd: 0.08660254, wobble: 0.05, rests: 0 }
 */
export const priorBelief = (spread: number): Belief => ({
  mean: 0,
  sd: spread * Math.sqrt(1 - WOBBLE_SHARE ** 2),
  wobble: spread * WOBBLE_SHARE,
  rests: 0,
});

/**
 * The belief after one more make: conjugate normal with known variance, on the logarithm.
 *
 *     1 / sd'^2 = 1 / sd^2 + 1 / wobble^2
 *     mean' = sd'^2 (mean / sd^2 + log(ratio) / wobble^2)
 *
 * Source: any textbook of Bayesian statistics (normal mean with known variance).
 *
 * @param ratio what was measured over what the model says, > 0
 * @throws RangeError for a ratio that is no positive number
 */
export function learnFrom(belief: Belief, ratio: number): Belief {
  if (!(ratio > 0 && Number.isFinite(ratio))) {
    throw new RangeError(`a factor must be a positive number, not ${ratio}`);
  }
  const [before, one] = [1 / belief.sd ** 2, 1 / belief.wobble ** 2];
  const precision = before + one;
  return {
    ...belief,
    mean: (belief.mean * before + Math.log(ratio) * one) / precision,
    sd: 1 / Math.sqrt(precision),
    rests: belief.rests + 1,
  };
}

/**
 * The belief as it was without one of the makes it rests on: the other way round from `learnFrom`.
 *
 * @throws RangeError when it rests on none
 */
export function forget(belief: Belief, ratio: number): Belief {
  if (belief.rests < 1) throw new RangeError('nothing was learnt yet');
  const [now, one] = [1 / belief.sd ** 2, 1 / belief.wobble ** 2];
  const precision = now - one;
  return {
    ...belief,
    mean: (belief.mean * now - Math.log(ratio) * one) / precision,
    sd: 1 / Math.sqrt(precision),
    rests: belief.rests - 1,
  };
}

/**
 * The next make: what is unsure of the hand and its wobble together.
 * @example nextMake(priorBelief(0.1)) // { factor: 1, spread: 0.1, rests: 0 }
 */
export const nextMake = ({ mean, sd, wobble, rests }: Belief): Learnt => ({
  factor: Math.exp(mean),
  spread: Math.hypot(sd, wobble),
  rests,
});

/**
 * How far off a measured ratio lies from what was believed before it, in standard deviations of the
 * next make. Beyond about 2.5 a slip in measuring is likelier than a hand that changed.
 *
 * @example surprise(priorBelief(0.1), Math.exp(0.3)) // 3
 */
export const surprise = (belief: Belief, ratio: number): number =>
  (Math.log(ratio) - belief.mean) / Math.hypot(belief.sd, belief.wobble);
