import { random } from '@coiled-strand/core';
import {
  cutPlans,
  planWeek,
  promiseFor,
  type CordLot,
  type CutPlan,
  type Job,
  type Pace,
  type ReadyBy,
  type Sitting,
  type WantedCut,
  type WeekPlan,
} from '@coiled-strand/workshop';
import { loadSolver } from '@coiled-strand/solver';
import { expose } from 'comlink';
import runtime from 'highs/runtime?url';

/** Loaded when something is cut for the first time. */
let solver: ReturnType<typeof loadSolver> | null = null;

const worker = {
  /** Better and better cutting plans, each told as it is found; the last is the answer. */
  async cut(
    cuts: readonly WantedCut[],
    lots: readonly CordLot[],
    seconds: number,
    found: (plan: CutPlan) => void,
  ): Promise<CutPlan> {
    solver ??= loadSolver({ locateFile: () => runtime });
    const solve = await solver;
    const until = performance.now() + seconds * 1000;
    const left = (): number => (until - performance.now()) / 1000;
    let last: CutPlan | null = null;
    for (const plan of cutPlans(cuts, lots, { solve, left })) {
      last = plan;
      found(plan);
    }
    return last!;
  },
  /** The same of a week. */
  week(
    jobs: readonly Job[],
    sittings: readonly Sitting[],
    pins: ReadonlyMap<string, number>,
    tries: number,
    found: (plan: WeekPlan) => void,
  ): void {
    const { uniform } = random(jobs.length + 1);
    for (const plan of planWeek(jobs, sittings, { pins, tries, uniform })) found(plan);
  },
  promise(wishes: readonly string[], week: Parameters<typeof promiseFor>[1], pace: Pace): ReadyBy {
    return promiseFor(wishes, week, pace, random(week.jobs.length + 7));
  },
};
export type WeekWorker = typeof worker;

expose(worker);
