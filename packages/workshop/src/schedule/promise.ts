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

/** How much longer or shorter work takes than it was thought to: the logarithm of the ratio. */
export interface Pace {
  readonly mean: number;
  /** Standard deviation. */
  readonly sd: number;
  /** Makes it rests on; 0 where it is assumed. */
  readonly rests: number;
}

/** Of fewer makes nothing is concluded. */
export const MIN_MAKES = 5;

/** What logged makes tell of the forecasts. Before there are enough, forecasts are taken at their word and wide. */
export function paceOf(took: readonly Took[]): Pace {
  const logs = took
    .filter(({ forecast, actual }) => forecast > 0 && actual > 0)
    .map(({ forecast, actual }) => Math.log(actual / forecast));
  if (logs.length < MIN_MAKES) return { mean: 0, sd: TIME_SPREAD, rests: 0 };
  const mean = logs.reduce((sum, x) => sum + x, 0) / logs.length;
  const squares = logs.reduce((sum, x) => sum + (x - mean) ** 2, 0);
  return { mean, sd: Math.sqrt(squares / (logs.length - 1)), rests: logs.length };
}

/**
 * One world that the logs allow: how long every job takes over its forecast. Mean and spread are themselves drawn,
 * as far as so few makes leave them open, so that over many worlds the next make follows Student's distribution.
 *
 * Source: the predictive distribution of a normal sample, A. Gelman et al., Bayesian Data Analysis, section 3.2,
 * from memory: variance s² (n - 1) / chi²(n - 1), mean normal about the sample's with variance / n.
 */
export function drawFactors({ mean, sd, rests }: Pace, { normal }: Random): () => number {
  if (rests < 2) return () => Math.exp(mean + sd * normal());
  let chi = 0;
  for (let i = 1; i < rests; i++) chi += normal() ** 2;
  const deviation = sd * Math.sqrt((rests - 1) / chi);
  const centre = mean + (deviation / Math.sqrt(rests)) * normal();
  return () => Math.exp(centre + deviation * normal());
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
  for (let world = 0; world < worlds; world++) {
    const factor = drawFactors(pace, random);
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
