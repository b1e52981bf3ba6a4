import type { Learnt } from './belief.js';
import { normalCdf } from './normal-cdf.js';

/** How an end was for the fingers that tied with it. */
export const ENDS_WERE = ['plenty', 'enough', 'short'] as const;
export type EndsWere = (typeof ENDS_WERE)[number];

/** An end that a knot was tied with, and how it was. */
export interface EndTried {
  /** Its length over what practised hands are given, > 0. */
  readonly ratio: number;
  readonly was: EndsWere;
}

/** Spread of what hands need of an end, and of how sharply they feel it. Assumed. */
export const ENDS_SPREAD = 0.3;
const FEELS = 0.15;

/** Logarithms of the factors that are looked at: from a fifth to five times. */
const STEP = 0.01;
const FACTORS: readonly number[] = Array.from({ length: 323 }, (_, i) => (i - 161) * STEP);

/** Logarithm of how likely an end of a length seems so to hands that need another. Both as logarithms. */
function likely(need: number, { ratio, was }: EndTried): number {
  const over = (Math.log(ratio) - need) / FEELS;
  if (was === 'enough') return -0.5 * over * over;
  // Far off the distribution is nought in numbers: any of it is kept.
  return Math.log(normalCdf(was === 'plenty' ? over : -over) + 1e-300);
}

/** The factor that a share of the belief lies below, between the points that were looked at. */
function quantile(shares: readonly number[], p: number): number {
  let below = 0;
  for (let i = 0; i < shares.length; i++) {
    const share = shares[i]!;
    if (below + share >= p) return FACTORS[i]! + STEP * ((p - below) / share - 0.5);
    below += share;
  }
  return FACTORS.at(-1)!;
}

/**
 * What these fingers need of an end, over what practised ones are given: a log-normal prior, and what was said
 * of each end. One that was just enough is what they need; one with plenty left says that they need no more, one
 * that was too short that they do; so ends that were long for some other reason do not make them longer.
 *
 * @returns the median of the belief, and half of the width of its middle two thirds on the logarithm
 * @example learnEnds([{ ratio: 3, was: 'plenty' }]).factor // 1
 */
export function learnEnds(tried: readonly EndTried[]): Learnt {
  const logs = FACTORS.map((need) =>
    tried.reduce(
      (sum, one) => sum + likely(need, one),
      -0.5 * (need / ENDS_SPREAD) * (need / ENDS_SPREAD),
    ),
  );
  const most = Math.max(...logs);
  const weights = logs.map((log) => Math.exp(log - most));
  const sum = weights.reduce((total, one) => total + one, 0);
  const shares = weights.map((one) => one / sum);
  return {
    factor: Math.exp(quantile(shares, 0.5)),
    spread: (quantile(shares, 0.8413) - quantile(shares, 0.1587)) / 2,
    rests: tried.length,
  };
}
