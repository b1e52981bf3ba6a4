import { TIME_SPREAD, type Random } from '@coiled-strand/core';
import { layOut, type Pins } from './lay-out.js';
import { ranksOf } from './plan-week.js';
import type { Job } from './task.js';
import type { Sitting } from './week.js';

/** Minutes that a make was thought to take, and took. */
export interface Took {
  readonly forecast: number;
  readonly actual: number;
}

/** What logged makes tell of how much longer or shorter work takes than it was thought to: logarithms of the ratio. */
export interface Pace {
  /** 0 before anything is logged. */
  readonly mean: number;
  /** Standard deviation of the sample; of fewer than two, that of all makes of all hands. */
  readonly sd: number;
  /** Makes it rests on. */
  readonly rests: number;
}

/** What logged makes tell of the forecasts. */
export function paceOf(took: readonly Took[]): Pace {
  const logs = took
    .filter(({ forecast, actual }) => forecast > 0 && actual > 0)
    .map(({ forecast, actual }) => Math.log(actual / forecast));
  const rests = logs.length;
  const mean = logs.reduce((sum, x) => sum + x, 0) / Math.max(1, rests);
  if (rests < 2) return { mean, sd: TIME_SPREAD, rests };
  const squares = logs.reduce((sum, x) => sum + (x - mean) ** 2, 0);
  return { mean, sd: Math.sqrt(squares / (rests - 1)), rests };
}

/** How far the usual pace of one hand lies from that of all: standard deviation of its logarithm. Assumed. */
const BETWEEN_HANDS = 0.26;

/**
 * How far makes of one hand lie apart, likewise: log-normal from hand to hand about this median. Assumed; with what lies
 * between hands it makes up the spread of all makes, TIME_SPREAD.
 */
const WITHIN_HAND = { median: 0.19, spread: 0.45 };

/** Steps of the spread within a hand that are told apart, over four standard deviations either way. */
const STEPS = 61;

/**
 * How likely each spread within a hand is after so many makes, the hand's own pace left open: the likelihood of a normal
 * sample, integrated over its mean, times the prior.
 *
 * Source: A. Gelman et al., Bayesian Data Analysis, sections 3.2 and 5.4, from memory.
 */
function spreads({
  mean,
  sd,
  rests,
}: Pace): { readonly within: number; readonly weight: number }[] {
  const squares = sd ** 2 * Math.max(0, rests - 1);
  const logs = Array.from({ length: STEPS }, (_, i) => {
    const z = (8 * i) / (STEPS - 1) - 4;
    const within = WITHIN_HAND.median * Math.exp(WITHIN_HAND.spread * z);
    if (rests === 0) return { within, log: -(z ** 2) / 2 };
    const ofMean = BETWEEN_HANDS ** 2 + within ** 2 / rests;
    const sample = -(rests - 1) * Math.log(within) - squares / (2 * within ** 2);
    return {
      within,
      log: -(z ** 2) / 2 + sample - Math.log(ofMean) / 2 - mean ** 2 / (2 * ofMean),
    };
  });
  // Of hundreds of makes the likelihood itself is too small a number: only how it compares is asked.
  const most = Math.max(...logs.map(({ log }) => log));
  return logs.map(({ within, log }) => ({ within, weight: Math.exp(log - most) }));
}

/**
 * Worlds that the logs allow: in each, how long every job takes over its forecast. The pace of a hand is one, whatever it
 * makes: who is slower than thought is slower at every job of the queue, and each job differs from that by itself. Before
 * anything is logged both come from what hands are like, and every make moves them towards this hand.
 *
 * @returns a function that draws a world, which draws a factor for each job
 */
export function factorsOf(pace: Pace): (random: Random) => () => number {
  const all = spreads(pace);
  const total = all.reduce((sum, { weight }) => sum + weight, 0);
  return ({ normal, uniform }) => {
    let left = uniform() * total;
    const { within } = all.find(({ weight }) => (left -= weight) <= 0) ?? all.at(-1)!;
    const precision = 1 / BETWEEN_HANDS ** 2 + pace.rests / within ** 2;
    const usual = (pace.rests * pace.mean) / within ** 2 / precision;
    const own = usual + normal() / Math.sqrt(precision);
    return () => Math.exp(own + within * normal());
  };
}

/** When a piece can be ready, in ms since 1970; Infinity where the sittings do not reach so far. */
export interface ReadyBy {
  /** In half of all worlds it is ready by then. */
  readonly half: number;
  readonly eighty: number;
  readonly ninetyFive: number;
  readonly pace: Pace;
}

/** So many worlds are tried. */
export const WORLDS = 399;

/**
 * When some jobs can be ready, all of them, with the week as it is planned: the plan is carried out in many worlds, in each of which
 * work takes as long as the logs of this maker allow.
 *
 * @param order of the tasks, as planned
 * @param worlds one less than a round number gives exact shares: of 399 the 320th is kept in 320 of 400
 */
export function promiseFor(
  wishes: readonly string[],
  {
    jobs,
    sittings,
    order,
    pins,
  }: { jobs: readonly Job[]; sittings: readonly Sitting[]; order: readonly string[]; pins?: Pins },
  pace: Pace,
  random: Random,
  worlds = WORLDS,
): ReadyBy {
  const rank = ranksOf(order);
  const found: number[] = [];
  const draw = factorsOf(pace);
  for (let world = 0; world < worlds; world++) {
    const factor = draw(random);
    const slower = jobs.map((job): Job => {
      const times = factor();
      return {
        ...job,
        tasks: job.tasks.map((task) => ({ ...task, minutes: task.minutes * times })),
      };
    });
    const { ready } = layOut(slower, sittings, rank, pins);
    found.push(Math.max(...wishes.map((wish) => ready.get(wish)!)));
  }
  found.sort((a, b) => (a === b ? 0 : a - b));
  const kept = (share: number): number =>
    found[Math.min(worlds, Math.ceil(share * (worlds + 1))) - 1]!;
  return { half: kept(0.5), eighty: kept(0.8), ninetyFive: kept(0.95), pace };
}
