import { describe, expect, it } from '@jest/globals';
import { deep } from '../../../../scripts/lib/deep.mjs';
import { random } from '@coiled-strand/core/testing';
import { TIME_SPREAD } from '@coiled-strand/core';
import { layOut } from './lay-out.js';
import { drawFactors, paceOf, promiseFor, type Took } from './promise.js';
import { byDueDate, ranksOf } from './plan-week.js';
import type { Job, Task } from './task.js';
import type { Sitting } from './week.js';

const MINUTE = 60_000;
const DAY = 24 * 60 * MINUTE;

const job = (id: string, minutes: number, wait = 0): Job => {
  const task = (n: number, more: Partial<Task>): Task => ({
    id: `${id} ${n}`,
    job: id,
    what: 'tie',
    minutes,
    splits: true,
    wait: 0,
    batch: null,
    ...more,
  });
  return {
    id,
    tasks: [task(1, { wait }), task(2, { minutes: minutes / 4, what: 'finish' })],
    due: null,
    release: 0,
  };
};

/** A workshop with its own true pace, what it has logged, and what becomes of its next pieces. */
function workshop(seed: number) {
  const { uniform, normal } = random(seed * 7919);
  const mean = 0.25 * normal();
  const spread = 0.05 + 0.3 * uniform();
  const factor = (): number => Math.exp(mean + spread * normal());
  const made = 5 + Math.floor(uniform() * 8);
  const took = Array.from({ length: made }, (): Took => ({ forecast: 60, actual: 60 * factor() }));
  return { took, factor };
}

const WORKSHOPS = deep(2000, 200);

/** In how many workshops the 80 and the 95 in 100 date of the last of some pieces was kept. */
function kept(
  jobs: readonly Job[],
  sittings: readonly Sitting[],
): { eighty: number; ninetyFive: number } {
  const order = byDueDate(jobs).map(({ id }) => id);
  const wish = jobs.at(-1)!.id;
  let eighty = 0;
  let ninetyFive = 0;
  for (let seed = 1; seed <= WORKSHOPS; seed++) {
    const { took, factor } = workshop(seed);
    const said = promiseFor([wish], { jobs, sittings, order }, paceOf(took), random(seed), 99);
    const true_ = jobs.map((one): Job => {
      const times = factor();
      return { ...one, tasks: one.tasks.map((t) => ({ ...t, minutes: t.minutes * times })) };
    });
    const ready = layOut(true_, sittings, ranksOf(order)).ready.get(wish)!;
    if (ready <= said.eighty) eighty += 1;
    if (ready <= said.ninetyFive) ninetyFive += 1;
  }
  return { eighty: eighty / WORKSHOPS, ninetyFive: ninetyFive / WORKSHOPS };
}

/** Three standard deviations of a share of so many. */
const give = (share: number): number => 3 * Math.sqrt((share * (1 - share)) / WORKSHOPS);

describe('a promise', () => {
  it('of 80 in 100 is kept in 80 of 100 workshops', () => {
    const found = kept([job('wish', 60)], [{ start: 0, end: 60 * DAY }]);
    expect(Math.abs(found.eighty - 0.8)).toBeLessThan(give(0.8));
    expect(Math.abs(found.ninetyFive - 0.95)).toBeLessThan(give(0.95));
  });
  it('that falls between evenings is kept at least as often', () => {
    const evenings = Array.from({ length: 120 }, (_, n) => ({
      start: n * DAY,
      end: n * DAY + 90 * MINUTE,
    }));
    const found = kept([job('a', 80), job('wish', 60, 600)], evenings);
    expect(found.eighty).toBeGreaterThan(0.8 - give(0.8));
  });
  it('rests on forecasts alone until five makes are logged', () => {
    const took: Took[] = [1, 2, 3, 4].map((n) => ({ forecast: 50, actual: 50 * n }));
    expect(paceOf(took)).toEqual({ mean: 0, sd: TIME_SPREAD, rests: 0 });
    const pace = paceOf([...took, { forecast: 50, actual: 250 }, { forecast: 0, actual: 9 }]);
    expect(pace.rests).toBe(5);
    expect(pace.mean).toBeCloseTo(Math.log(120) / 5, 9);
  });
  it('is the same each time, since it is seeded', () => {
    const jobs = [job('a', 80), job('wish', 60)];
    const week = { jobs, sittings: [{ start: 0, end: 60 * DAY }], order: [] };
    const once = promiseFor(['wish'], week, paceOf([]), random(3));
    expect(promiseFor(['wish'], week, paceOf([]), random(3))).toEqual(once);
    expect(once.half).toBeLessThan(once.eighty);
    expect(once.eighty).toBeLessThan(once.ninetyFive);
    const short = { ...week, sittings: [{ start: 0, end: 90 * MINUTE }] };
    expect(promiseFor(['wish'], short, paceOf([]), random(3)).ninetyFive).toBe(Infinity);
  });
  it('of several pieces is that of the last of them, and does not wait for each in turn', () => {
    const jobs = ['a', 'b', 'c'].map((id) => job(id, 30, 24 * 60));
    const week = { jobs, sittings: [{ start: 0, end: 60 * DAY }], order: [] };
    const of = (ids: readonly string[]) => promiseFor(ids, week, paceOf([]), random(3)).eighty;
    const all = of(['a', 'b', 'c']);
    expect(all).toBeGreaterThanOrEqual(Math.max(of(['a']), of(['b']), of(['c'])));
    // While one cures the others are tied: a day, not three.
    expect(all).toBeLessThan(2 * DAY);
  });
  it('draws factors with the spread that the logs tell', () => {
    const pace = { mean: 0.2, sd: 0.1, rests: 40 };
    const source = random(5);
    const logs = Array.from({ length: 4000 }, () => Math.log(drawFactors(pace, source)()));
    const mean = logs.reduce((sum, x) => sum + x, 0) / logs.length;
    const sd = Math.sqrt(logs.reduce((sum, x) => sum + (x - mean) ** 2, 0) / logs.length);
    expect(mean).toBeCloseTo(0.2, 1);
    // Student’s distribution with 39 degrees of freedom: variance 39 / 37 (1 + 1/40).
    expect(sd / 0.1).toBeCloseTo(Math.sqrt((39 / 37) * (1 + 1 / 40)), 1);
  });
});
