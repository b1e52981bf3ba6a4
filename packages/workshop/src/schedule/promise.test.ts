import { describe, expect, it } from '@jest/globals';
import { deep } from '../../../../scripts/lib/deep.mjs';
import { random } from '@coiled-strand/core/testing';
import { TIME_SPREAD } from '@coiled-strand/core';
import { layOut } from './lay-out.js';
import { factorsOf, paceOf, promiseFor, type Took } from './promise.js';
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

/** A maker with a pace of their own, what they have logged, and what becomes of their next pieces. */
function maker(seed: number, made: number) {
  const { uniform, normal } = random(seed * 7919);
  const mean = 0.25 * normal();
  const spread = 0.05 + 0.3 * uniform();
  const factor = (): number => Math.exp(mean + spread * normal());
  const took = Array.from({ length: made }, (): Took => ({ forecast: 60, actual: 60 * factor() }));
  return { took, factor };
}

const MAKERS = deep(1000, 400);

/** Of how many makers the 80 and the 95 in 100 date of the last of some pieces was kept, after so many logged makes. */
function kept(
  jobs: readonly Job[],
  sittings: readonly Sitting[],
  made: number,
): { eighty: number; ninetyFive: number } {
  const order = byDueDate(jobs).map(({ id }) => id);
  const wish = jobs.at(-1)!.id;
  let eighty = 0;
  let ninetyFive = 0;
  for (let seed = 1; seed <= MAKERS; seed++) {
    const { took, factor } = maker(seed, made);
    const said = promiseFor([wish], { jobs, sittings, order }, paceOf(took), random(seed), 99);
    const true_ = jobs.map((one): Job => {
      const times = factor();
      return { ...one, tasks: one.tasks.map((t) => ({ ...t, minutes: t.minutes * times })) };
    });
    const ready = layOut(true_, sittings, ranksOf(order)).ready.get(wish)!;
    if (ready <= said.eighty) eighty += 1;
    if (ready <= said.ninetyFive) ninetyFive += 1;
  }
  return { eighty: eighty / MAKERS, ninetyFive: ninetyFive / MAKERS };
}

/** What is asked for, and in a sample of makers three standard deviations of a share of so many. */
const give = (asked: number, share: number): number =>
  deep(asked, Math.max(asked, 3 * Math.sqrt((share * (1 - share)) / MAKERS)));

describe('a promise', () => {
  describe.each(deep([0, 2, 4, 5, 10, 30], [0, 4, 30]))('after %i logged makes', (made) => {
    it.each(deep([1, 3, 6], [1, 3]))(
      'of 80 and of 95 in 100 is kept as often, for the last of %i works',
      (works) => {
        const jobs = Array.from({ length: works }, (_, n) => job(`${n}`, 40 + 10 * n));
        const found = kept(jobs, [{ start: 0, end: 60 * DAY }], made);
        expect(Math.abs(found.eighty - 0.8)).toBeLessThan(give(0.04, 0.8));
        expect(Math.abs(found.ninetyFive - 0.95)).toBeLessThan(give(0.03, 0.95));
      },
    );
  });
  it('that falls between evenings is kept at least as often', () => {
    const evenings = Array.from({ length: 120 }, (_, n) => ({
      start: n * DAY,
      end: n * DAY + 90 * MINUTE,
    }));
    const found = kept([job('a', 80), job('wish', 60, 600)], evenings, 8);
    expect(found.eighty).toBeGreaterThan(0.8 - give(0.04, 0.8));
  });
  it('begins with what hands are like, and goes by this hand more with every make', () => {
    const took = (ratios: readonly number[]): Took[] =>
      ratios.map((n) => ({ forecast: 50, actual: 50 * n }));
    expect(paceOf([])).toEqual({ mean: 0, sd: TIME_SPREAD, rests: 0 });
    expect(paceOf([...took([2]), { forecast: 0, actual: 9 }]).rests).toBe(1);
    expect(paceOf(took([1, 2, 4])).mean).toBeCloseTo(Math.log(8) / 3, 9);
    expect(paceOf(took([1, 2, 4])).sd).toBeCloseTo(Math.log(2), 9);
    const week = { jobs: [job('wish', 60)], sittings: [{ start: 0, end: 60 * DAY }], order: [] };
    const halves = [0, 1, 4, 20].map(
      (n) => promiseFor(['wish'], week, paceOf(took(Array(n).fill(1.5))), random(3)).half / MINUTE,
    );
    expect(halves).toEqual([...halves].sort((a, b) => a - b));
    // An hour and a quarter of work, by one who always takes half as long again.
    expect(Math.abs(halves[0]! - 75)).toBeLessThan(8);
    expect(Math.abs(halves[3]! - 112.5)).toBeLessThan(6);
  });
  it('takes the pace of a hand as one: a long queue of an unknown hand is no safer than a single work', () => {
    const over = (works: number): number => {
      const jobs = Array.from({ length: works }, (_, n) => job(`${n}`, 60));
      const week = {
        jobs,
        sittings: [{ start: 0, end: 60 * DAY }],
        order: jobs.map(({ id }) => id),
      };
      const { half, ninetyFive } = promiseFor([jobs.at(-1)!.id], week, paceOf([]), random(3));
      return ninetyFive / half;
    };
    // Were each job slow by itself, twenty would even out to within a sixth.
    expect(over(20)).toBeGreaterThan(1.4);
    expect(over(20)).toBeLessThan(over(1));
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
    const draw = factorsOf(pace);
    const logs = Array.from({ length: 4000 }, () => Math.log(draw(source)()));
    const mean = logs.reduce((sum, x) => sum + x, 0) / logs.length;
    const sd = Math.sqrt(logs.reduce((sum, x) => sum + (x - mean) ** 2, 0) / logs.length);
    expect(mean).toBeCloseTo(0.2, 1);
    // Student’s distribution with 39 degrees of freedom: variance 39 / 37 (1 + 1/40).
    expect(sd / 0.1).toBeCloseTo(Math.sqrt((39 / 37) * (1 + 1 / 40)), 1);
  });
});
