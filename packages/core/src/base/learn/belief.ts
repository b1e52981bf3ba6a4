import { normalCdf } from './normal-cdf.js';
import { normalQuantile } from './normal-quantile.js';

/**
 * One account of a hand, on the logarithm of its factor (its take-up, pitch or time over the model's): a level
 * that drifts from make to make, perhaps with a trend, and a wobble of each make about it. Given these, what is
 * believed of level and trend is normal, and a make that was measured updates it exactly (Kalman filter).
 */
export interface Account {
  /** Logarithm of how likely this account is, beside the others. */
  readonly weight: number;
  /** Variance of one make about the level, and what the level gains from make to make. */
  readonly wobble: number;
  readonly drift: number;
  /** Level at the next make, and how much it rises from make to make. */
  readonly level: number;
  readonly trend: number;
  /** Their variances, and their covariance. */
  readonly levelVar: number;
  readonly trendVar: number;
  readonly both: number;
}

/** What is believed of a hand's factor: several accounts of it, each as likely as what was measured makes it. */
export interface Belief {
  readonly accounts: readonly Account[];
  /** How many makes and swatches it rests on. */
  readonly rests: number;
}

/** What the next make is expected to take, in one factor. */
export interface Learnt {
  /** Median of the factor. */
  readonly factor: number;
  /**
   * Standard deviation of its logarithm for the next make: that of the normal whose quantile at 95 in 100 is
   * the one believed.
   */
  readonly spread: number;
  readonly rests: number;
}

type Likely = readonly (readonly [value: number, share: number])[];

/** Ways in which hands may be, before anything was made. */
export interface Ways {
  /** How far hands lie apart, and how much one hand wobbles: in shares of the spread of all hands. */
  readonly apart: Likely;
  readonly wobbles: Likely;
  /** Change with every make: standard deviation of the logarithm. */
  readonly trends: Likely;
  /** Drift from make to make without direction: standard deviation of the logarithm. */
  readonly drift: number;
}

/** See HANDS.drift; also what a make is held against. Assumed. */
const DRIFT = 0.02;

/**
 * How hands are from make to make. Most keep their tension better than hands agree with each other; some do
 * not, and a few are like none. Assumed; chosen so that in simulation cuts at 95 in 100 last 93 to 97 times
 * where hands are as assumed, and more than 90 from the third make on where they spread or wobble nearly twice
 * as much, drift by 3 % or change by 2 % with every make.
 */
export const HANDS: Ways = {
  apart: [
    [0.68, 0.91],
    [1.45, 0.09],
  ],
  wobbles: [
    [0.26, 0.51],
    [0.65, 0.37],
    [1.1, 0.12],
  ],
  trends: [
    [0, 0.78],
    [0.03, 0.22],
  ],
  drift: DRIFT,
};

/**
 * How hands change within a make, from its first stretch to the rest: some hardly, some by far more than most.
 * Assumed; chosen so that in simulation a band of nine in ten holds 88 to 93 where hands are as assumed, and
 * where they change by two and a half times as much 83 after five makes and 88 after ten.
 */
export const WITHIN: Ways = {
  apart: [[0.3, 1]],
  wobbles: [
    [0.35, 0.36],
    [0.95, 0.5],
    [2.8, 0.14],
  ],
  trends: [[0, 1]],
  drift: 0.002,
};

/**
 * Before anything was made: factor 1, with about the spread of all hands.
 *
 * @param spread standard deviation of the log factor over hands and makes, > 0
 */
export const priorBelief = (
  spread: number,
  { apart: levels, wobbles, trends, drift }: Ways = HANDS,
): Belief => ({
  rests: 0,
  accounts: levels.flatMap(([apart, a]) =>
    wobbles.flatMap(([wobble, w]) =>
      trends.map(([trend, t]): Account => ({
        weight: Math.log(a * w * t),
        wobble: (wobble * spread) ** 2,
        drift: drift ** 2,
        level: 0,
        trend: 0,
        levelVar: (apart * spread) ** 2,
        trendVar: trend ** 2,
        both: 0,
      })),
    ),
  ),
});

/** One make measured, and the account of the next. */
function follow(account: Account, log: number, error: number): Account {
  const { wobble, drift, level, trend, levelVar, trendVar, both } = account;
  const variance = levelVar + wobble + error ** 2;
  const off = log - level;
  const [byLevel, byTrend] = [levelVar / variance, both / variance];
  const now = { levelVar: levelVar * (1 - byLevel), both: both * (1 - byLevel) };
  const trendLeft = trendVar - byTrend * both;
  const steeper = trend + byTrend * off;
  return {
    weight: account.weight - 0.5 * (Math.log(variance) + (off * off) / variance),
    wobble,
    drift,
    level: level + byLevel * off + steeper,
    trend: steeper,
    levelVar: now.levelVar + 2 * now.both + trendLeft + drift,
    trendVar: trendLeft,
    both: now.both + trendLeft,
  };
}

/**
 * The belief after one more make.
 *
 * Source: the Kalman filter of a level with a trend, for each account; the accounts are weighed by how likely
 * they made what was measured (any textbook of Bayesian statistics).
 *
 * @param ratio what was measured over what the model says, > 0
 * @param error of the measuring alone: standard deviation of the logarithm, which no make adds again
 * @throws RangeError for a ratio that is no positive number
 */
export function learnFrom({ accounts, rests }: Belief, ratio: number, error = 0): Belief {
  if (!(ratio > 0 && Number.isFinite(ratio))) {
    throw new RangeError(`a factor must be a positive number, not ${ratio}`);
  }
  const next = accounts.map((account) => follow(account, Math.log(ratio), error));
  // Only their differences count; kept about nought they never run out of the numbers there are.
  const most = Math.max(...next.map(({ weight }) => weight));
  return {
    rests: rests + 1,
    accounts: next.map((account) => ({ ...account, weight: account.weight - most })),
  };
}

const weightsOf = ({ accounts }: Belief): number[] => {
  const all = accounts.map(({ weight }) => Math.exp(weight));
  const sum = all.reduce((total, one) => total + one, 0);
  return all.map((one) => one / sum);
};

/** As near as a quantile is found, on the logarithm: a hundredth of a per cent of the cord. */
const NEAR = 1e-6;

/**
 * The log factor of the next make that is not exceeded with a probability: Newton's steps on the distribution,
 * kept between bounds that bisection would use.
 */
function quantileOf(belief: Belief, p: number): number {
  const weights = weightsOf(belief);
  const spreads = belief.accounts.map(({ levelVar, wobble }) => Math.sqrt(levelVar + wobble));
  const each = belief.accounts.map(({ level }, i) => level + normalQuantile(p) * spreads[i]!);
  // Of a mixture no quantile lies beyond those of its parts.
  let low = Math.min(...each);
  let high = Math.max(...each);
  let log = each.reduce((sum, own, i) => sum + weights[i]! * own, 0);
  while (high - low > NEAR) {
    let below = 0;
    let density = 0;
    belief.accounts.forEach(({ level }, i) => {
      const z = (log - level) / spreads[i]!;
      below += weights[i]! * normalCdf(z);
      density += (weights[i]! * Math.exp(-z * z * 0.5)) / (spreads[i]! * Math.sqrt(2 * Math.PI));
    });
    if (below < p) low = log;
    else high = log;
    const next = log + (p - below) / density;
    if (Math.abs(next - log) < NEAR) return next;
    log = next > low && next < high ? next : (low + high) / 2;
  }
  return (low + high) / 2;
}

/** The confidence at which the spread is told: most cuts are made at it. */
const SURE = 0.95;

/**
 * The next make: what is unsure of the hand, of its trend and its wobble together.
 * @example nextMake(priorBelief(0.1)).factor // 1
 */
export function nextMake(belief: Belief): Learnt {
  const median = quantileOf(belief, 0.5);
  return {
    factor: Math.exp(median),
    spread: (quantileOf(belief, SURE) - median) / normalQuantile(SURE),
    rests: belief.rests,
  };
}

/** A change that goes one way, from the first make to the last. */
export interface Trend {
  /** Factor at the last make over that at the first. */
  readonly change: number;
}

/** A trend is told from so many makes on, as likely as this, and when it has come to something. Assumed. */
const TREND = { from: 5, likely: 0.5, least: 0.03 } as const;

/** The trend of a hand, where there is one; null where it may as well be chance. */
export function trendOf(belief: Belief): Trend | null {
  if (belief.rests < TREND.from) return null;
  const weights = weightsOf(belief);
  const sum = (of: (account: Account) => number): number =>
    belief.accounts.reduce((total, account, i) => total + weights[i]! * of(account), 0);
  const per = sum(({ trend }) => trend);
  // How likely the hand changes at all, and goes the way it seems to go.
  const likely = sum(({ trend, trendVar }) =>
    trendVar > 0 ? normalCdf((Math.sign(per) * trend) / Math.sqrt(trendVar)) : 0,
  );
  const change = Math.exp(per * (belief.rests - 1));
  return likely >= TREND.likely && Math.abs(Math.log(change)) >= TREND.least ? { change } : null;
}

/** What a make is held against: hands as most are. See HANDS; the usual shares of the spread. */
const USUAL = { apart: Math.sqrt(0.75), wobble: 0.5 } as const;

interface Level {
  readonly mean: number;
  readonly variance: number;
}

/** Levels as the makes before each one tell them. */
function levels(logs: readonly number[], first: Level, wobble: number): Level[] {
  let now = first;
  return logs.map((log) => {
    const before = now;
    const by = now.variance / (now.variance + wobble);
    // Before anything is known the first make is all there is.
    now = Number.isFinite(now.variance)
      ? { mean: now.mean + by * (log - now.mean), variance: now.variance * (1 - by) + DRIFT ** 2 }
      : { mean: log, variance: wobble + DRIFT ** 2 };
    return before;
  });
}

/**
 * How far off each of some makes lies from what all others say, before and after it, in standard deviations:
 * beyond about 2.5 a slip in measuring is likelier than a hand that changed. What is held to be usual does not
 * give way to a slip.
 *
 * @param spread of all hands
 * @param ratios in the order in which they were made
 * @example surprises(0.1, [Math.exp(0.3)])[0] // 3
 */
export function surprises(spread: number, ratios: readonly number[]): number[] {
  const wobble = (USUAL.wobble * spread) ** 2;
  const logs = ratios.map(Math.log);
  const before = levels(logs, { mean: 0, variance: (USUAL.apart * spread) ** 2 }, wobble);
  const after = levels([...logs].reverse(), { mean: 0, variance: Infinity }, wobble).reverse();
  return logs.map((log, i) => {
    const [a, b] = [before[i]!, after[i]!];
    const precision = 1 / a.variance + 1 / b.variance;
    const mean =
      (a.mean / a.variance + (Number.isFinite(b.variance) ? b.mean / b.variance : 0)) / precision;
    return (log - mean) / Math.sqrt(1 / precision + wobble);
  });
}
