import { describe, expect, it } from '@jest/globals';
import { deep } from '../../../../scripts/lib/deep.mjs';
import { loadSolver } from '@coiled-strand/solver';
import fc from 'fast-check';
import { random } from '@coiled-strand/core/testing';
import { mixPatterns } from './columns.js';
import { solveExactly } from './exact.js';
import { fillExactly } from './filling.js';
import { firstFitDecreasing, quickPlan } from './first-fit.js';
import { isProven, solveStock, type Answer } from './solve.js';
import { costOf, leftUncut, lengthOf, measure, type StockProblem } from './stock-problem.js';

const solve = await loadSolver();
const means = { solve, left: () => Infinity };

function answered(problem: StockProblem, using = means): Answer {
  let last: Answer | null = null;
  for (const answer of solveStock(problem, using)) last = answer;
  return last!;
}

/** Cuts by their lengths, alike ones together. */
function sizesOf(lengths: readonly number[]): StockProblem['sizes'] {
  const counts = new Map<number, number>();
  for (const length of lengths) counts.set(length, (counts.get(length) ?? 0) + 1);
  return [...counts].map(([length, count]) => ({ length, count }));
}

/** Bars of 1000 cut into exactly fitting thirds between 250 and 500. */
function thirds(bars: number, seed: number): number[] {
  const { uniform } = random(seed);
  return Array.from({ length: bars }, () => {
    for (;;) {
      const a = 380 + Math.floor(uniform() * 120);
      const b = 250 + Math.floor(uniform() * ((1000 - a) / 2 - 250));
      const c = 1000 - a - b;
      if (b >= 250 && c >= 250 && c < 500) return [a, b, c];
    }
  }).flat();
}

/** Spools cut into so many pieces each, of 500 mm or more, without a rest. */
function filled(spools: number, length: number, each: number): number[] {
  const { uniform } = random(spools);
  return Array.from({ length: spools }, () => {
    const free = length - 500 * each;
    const marks = Array.from({ length: each - 1 }, () => Math.round(free * uniform()));
    const all = [0, ...marks.sort((a, b) => a - b), free];
    return all.slice(1).map((mark, i) => mark - all[i]! + 500);
  }).flat();
}

/** Some cuts and lots, begun and whole, of which not all need fit. */
function someProblem(seed: number, cuts: number, lots: number): StockProblem {
  const { uniform } = random(seed);
  const between = (low: number, high: number): number =>
    low + Math.floor(uniform() * (high - low + 1));
  return {
    sizes: sizesOf(Array.from({ length: cuts }, () => between(20, 90))),
    bars: Array.from({ length: lots }, () => ({
      length: between(60, 220),
      useful: 40,
      whole: uniform() < 0.5,
      count: 1,
    })),
  };
}

/** By trying every bar for every cut, one after the other: slow, and nothing else. */
function byTrying({ sizes, bars }: StockProblem): { uncut: number; cost: number } {
  const cuts = sizes.flatMap(({ length, count }) => Array.from({ length: count }, () => length));
  const rooms = bars.flatMap((bar) => Array.from({ length: bar.count }, () => bar));
  const used = rooms.map(() => 0);
  const problem = { sizes, bars };
  let best = { uncut: Infinity, cost: Infinity };
  const visit = (i: number, uncut: number): void => {
    if (uncut > best.uncut) return;
    if (i === cuts.length) {
      let waste = 0;
      let opened = 0;
      rooms.forEach((bar, b) => {
        if (used[b] === 0) return;
        const rest = bar.length - used[b]!;
        waste += rest < bar.useful ? rest : 0;
        opened += bar.whole ? 1 : 0;
      });
      const cost = costOf(problem, { uncut, waste, opened });
      if (uncut < best.uncut || cost < best.cost) best = { uncut, cost };
      return;
    }
    rooms.forEach((bar, b) => {
      if (used[b]! + cuts[i]! > bar.length) return;
      used[b]! += cuts[i]!;
      visit(i + 1, uncut);
      used[b]! -= cuts[i]!;
    });
    visit(i + 1, uncut + cuts[i]!);
  };
  visit(0, 0);
  return best;
}

describe('a length filled exactly', () => {
  it('gains what trying every number of each does', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            length: fc.integer({ min: 1, max: 9 }),
            count: fc.integer({ min: 0, max: 3 }),
            gain: fc.integer({ min: -3, max: 9 }),
          }),
          { minLength: 1, maxLength: 4 },
        ),
        fc.integer({ min: 0, max: 30 }),
        (items, capacity) => {
          const best = new Map([[0, 0]]);
          for (const { length, count, gain } of items) {
            for (const [sum, before] of [...best]) {
              for (let n = 1; n <= count; n++) {
                const to = sum + n * length;
                best.set(to, Math.max(best.get(to) ?? -Infinity, before + n * gain));
              }
            }
          }
          const filling = fillExactly(
            items.map((item) => item.length),
            items.map((item) => item.count),
            items.map((item) => item.gain),
            capacity,
          );
          for (let c = 0; c <= capacity; c++) {
            expect(filling.gain[c]).toBe(best.get(c) ?? -Infinity);
            if (!best.has(c)) continue;
            const take = filling.take(c);
            expect(take.reduce((sum, n, i) => sum + n * items[i]!.length, 0)).toBe(c);
            expect(take.every((n, i) => n <= items[i]!.count)).toBe(true);
            expect(take.reduce((sum, n, i) => sum + n * items[i]!.gain, 0)).toBe(filling.gain[c]);
          }
        },
      ),
    );
  });
});

describe('where something stays uncut', () => {
  it('the cuts that are left out are those that waste least', () => {
    const problem: StockProblem = {
      sizes: sizesOf([1500, 1500, 1200, 350, 500, 850, 1100]),
      bars: [2250, 2900].map((length) => ({ length, useful: 300, whole: false, count: 1 })),
    };
    const answer = answered(problem);
    expect(answer.measure.waste).toBe(50);
    expect({ uncut: answer.measure.uncut, cost: answer.cost }).toEqual(byTrying(problem));
    expect(isProven(answer, problem)).toBe(true);
  });
  it('nothing is called proven that is not the best of all', () => {
    let proven = 0;
    for (let seed = 1; seed <= 120; seed++) {
      // More cuts than the lots give.
      const problem = someProblem(seed, 6, 2);
      const best = byTrying(problem);
      if (best.uncut === 0) continue;
      const answer = answered(problem);
      if (!isProven(answer, problem)) continue;
      proven++;
      const { uncut } = answer.measure;
      expect([seed, uncut]).toEqual([seed, best.uncut]);
      expect(costOf(problem, answer.measure)).toBeCloseTo(best.cost, 6);
    }
    expect(proven).toBeGreaterThan(50);
  });
});

describe('bars cut into exactly fitting thirds', () => {
  // Instances made as E. Falkenauer's triplets, A hybrid grouping genetic algorithm for bin packing, Journal of
  // Heuristics 2 (1996): the fewest bars are known, since every bar is filled without a rest.
  it.each(deep([60, 120, 249], [60, 120]))('%i cuts are found to fit', (items) => {
    const problem: StockProblem = {
      sizes: sizesOf(thirds(items / 3, items)),
      bars: [{ length: 1000, useful: 300, whole: true, count: items / 3 }],
    };
    const answer = answered(problem);
    expect(answer.measure).toEqual({ uncut: 0, waste: 0, opened: items / 3 });
    expect(isProven(answer, problem)).toBe(true);
  });
  it.each([
    [10, 50_000, 12],
    [20, 30_000, 8],
  ])('so are %i spools of %i mm that %i cuts each fill without a rest', (spools, length, each) => {
    const problem: StockProblem = {
      sizes: sizesOf(filled(spools, length, each)),
      bars: [{ length, useful: 300, whole: true, count: spools }],
    };
    expect(measure(problem, firstFitDecreasing(problem)).uncut).toBeGreaterThan(0);
    const answer = answered(problem);
    expect(answer.measure).toEqual({ uncut: 0, waste: 0, opened: spools });
    expect(isProven(answer, problem)).toBe(true);
  });
  it('are not fitted by first fit decreasing, so that the test can tell', () => {
    const problem: StockProblem = {
      sizes: sizesOf(thirds(40, 120)),
      bars: [{ length: 1000, useful: 300, whole: true, count: 40 }],
    };
    expect(measure(problem, firstFitDecreasing(problem)).uncut).toBeGreaterThan(0);
  });
});

describe('small problems', () => {
  const seeds = Array.from({ length: deep(200, 40) }, (_, i) => i + 1);
  it('are solved as well as by trying everything, and say so', () => {
    for (const seed of seeds) {
      const problem = someProblem(seed, 3 + (seed % 4), 2 + (seed % 3));
      const answer = answered(problem);
      const best = byTrying(problem);
      expect([seed, answer.measure.uncut]).toEqual([seed, best.uncut]);
      expect([seed, costOf(problem, answer.measure)]).toEqual([seed, expect.closeTo(best.cost, 9)]);
      expect([seed, isProven(answer, problem)]).toEqual([seed, true]);
    }
  });
  it('have a bound from mixed patterns that no plan is below', () => {
    let tight = 0;
    for (const seed of seeds) {
      const problem = someProblem(seed, 5, 3);
      const known = quickPlan(problem);
      const best = byTrying(problem);
      const cut = mixPatterns(problem, 'cut', known, solve)!;
      expect([seed, cut.bound]).toEqual([seed, expect.any(Number)]);
      expect(cut.bound).toBeLessThanOrEqual(best.uncut + 1e-6);
      if (best.uncut > 0) continue;
      const save = mixPatterns(problem, 'save', known, solve)!;
      expect(save.bound).toBeLessThanOrEqual(best.cost + 1e-6);
      if (save.bound > best.cost - 1) tight += 1;
    }
    expect(tight).toBeGreaterThan(seeds.length / 4);
  });
  it('give back the plan that is known where time is up at once', () => {
    const problem = someProblem(7, 6, 4);
    const known = quickPlan(problem);
    const answer = answered(problem, { solve, left: () => 0 });
    expect(answer.plan).toEqual(known);
    const nothing = solveExactly(problem, 'cut', known, () => ({ status: 'nothing-found' }), 1);
    expect(nothing).toEqual({ plan: known, bound: 0 });
  });
});

describe('bars all of one length', () => {
  it('first fit decreasing never takes more than 11/9 of the fewest and 6/9', () => {
    // G. Dósa, The tight bound of first fit decreasing bin-packing algorithm is FFD(I) <= 11/9 OPT(I) + 6/9 (2007).
    let worse = 0;
    for (let seed = 1; seed <= deep(60, 15); seed++) {
      const { uniform } = random(seed);
      const lengths = Array.from({ length: 24 }, () => 120 + Math.floor(uniform() * 400));
      const problem: StockProblem = {
        sizes: sizesOf(lengths),
        // No rest is waste: what counts is how many are opened.
        bars: [{ length: 1000, useful: 1, whole: true, count: 24 }],
      };
      const answer = answered(problem);
      expect([seed, isProven(answer, problem)]).toEqual([seed, true]);
      const { opened } = answer.measure;
      const first = measure(problem, firstFitDecreasing(problem)).opened;
      expect(opened).toBeGreaterThanOrEqual(
        Math.ceil(lengths.reduce((sum, length) => sum + length, 0) / 1000),
      );
      expect(first).toBeGreaterThanOrEqual(opened);
      expect(first).toBeLessThanOrEqual((11 / 9) * opened + 6 / 9);
      if (first > opened) worse += 1;
    }
    expect(worse).toBeGreaterThan(0);
  });
});

describe('larger problems', () => {
  it.each(deep([11, 12, 13], [12]))('overdraw no bar and cut nothing twice (seed %i)', (seed) => {
    const problem = someProblem(seed, 60, 30);
    let before = Infinity;
    for (const answer of solveStock(problem, means)) {
      const { plan } = answer;
      for (const pattern of plan) {
        expect(lengthOf(problem, pattern)).toBeLessThanOrEqual(problem.bars[pattern.bar]!.length);
      }
      problem.bars.forEach(({ count }, b) =>
        expect(plan.filter(({ bar }) => bar === b).length).toBeLessThanOrEqual(count),
      );
      expect(leftUncut(problem, plan).every((n) => n >= 0)).toBe(true);
      const value = answer.measure.uncut * 1e6 + costOf(problem, answer.measure);
      expect(value).toBeLessThanOrEqual(before);
      before = value;
    }
  });
});
