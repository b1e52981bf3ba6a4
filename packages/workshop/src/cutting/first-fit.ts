import { fillExactly } from './filling.js';
import {
  compare,
  measure,
  totalOf,
  wasteOf,
  type Bar,
  type Pattern,
  type StockProblem,
} from './stock-problem.js';

/** Of longer bars no fuller filling than this is searched for: their rests are kept anyway, as long as there is cord enough. */
const FINE = 20_000;
/** Where all that is there is hardly more than what is wanted, whole spools are filled to the last millimetre. */
const SCARCE = { share: 0.9, fine: 120_000 };
/** A filling takes time by its length times the sizes: of many sizes shorter ones are as full. */
const WORK = 12_000_000;

/** How long a filling is searched for, in mm. */
const finestOf = ({ sizes, bars }: StockProblem): number =>
  totalOf(sizes) > SCARCE.share * totalOf(bars)
    ? Math.max(FINE, Math.min(SCARCE.fine, Math.floor(WORK / sizes.length)))
    : FINE;

/** Bars in an order, each by itself. */
const singly = ({ bars }: StockProblem, order: (a: Bar, b: Bar) => number): number[] =>
  bars
    .flatMap((bar, index) => Array.from({ length: bar.count }, () => ({ bar, index })))
    .sort((a, b) => order(a.bar, b.bar))
    .map(({ index }) => index);

/** What was begun comes before what is whole, the short before the long. */
const begunFirst = (a: Bar, b: Bar): number =>
  Number(a.whole) - Number(b.whole) || a.length - b.length;
const longFirst = (a: Bar, b: Bar): number =>
  Number(a.whole) - Number(b.whole) || b.length - a.length;

/**
 * First fit decreasing: the longest cut that is left goes into the first bar that has room for it. Of bars all
 * alike it never opens more than 11/9 of the fewest and 6/9 of one.
 *
 * Source of the bound: G. Dósa, The tight bound of first fit decreasing bin-packing algorithm (2007).
 */
export function firstFitDecreasing(problem: StockProblem, order = begunFirst): Pattern[] {
  const bins = singly(problem, order).map((bar) => ({
    bar,
    room: problem.bars[bar]!.length,
    take: problem.sizes.map(() => 0),
  }));
  const longest = problem.sizes.map((_, i) => i);
  longest.sort((a, b) => problem.sizes[b]!.length - problem.sizes[a]!.length);
  for (const i of longest) {
    const { length, count } = problem.sizes[i]!;
    let left = count;
    for (const bin of bins) {
      const fit = Math.min(left, Math.floor(bin.room / length));
      bin.take[i]! += fit;
      bin.room -= fit * length;
      left -= fit;
      if (left === 0) break;
    }
  }
  return bins.flatMap(({ bar, take }) => (take.some((n) => n > 0) ? [{ bar, take }] : []));
}

/** One bar after the other, each filled so that least is wasted of it, and most is cut where that is equal. */
export function fillOneByOne(problem: StockProblem, order = begunFirst): Pattern[] {
  const { sizes, bars } = problem;
  const left = sizes.map(({ count }) => count);
  const lengths = sizes.map(({ length }) => length);
  const plan: Pattern[] = [];
  const finest = finestOf(problem);
  for (const index of singly(problem, order)) {
    const bar = bars[index]!;
    const wanted = lengths.reduce((sum, length, i) => sum + length * left[i]!, 0);
    if (wanted === 0) break;
    const most = Math.min(bar.length, wanted, finest);
    const filling = fillExactly(lengths, left, lengths, most);
    let best = 0;
    for (let cut = 1; cut <= most; cut++) {
      const better = wasteOf(bar, cut) < wasteOf(bar, best) || wasteOf(bar, best) === 0;
      if (filling.gain[cut]! > -Infinity && (best === 0 || better)) {
        if (best === 0 || wasteOf(bar, cut) <= wasteOf(bar, best)) best = cut;
      }
    }
    if (best === 0) continue;
    const take = filling.take(best);
    take.forEach((n, i) => (left[i]! -= n));
    plan.push({ bar: index, take });
  }
  return plan;
}

/** The best of some quick ways. */
export function quickPlan(problem: StockProblem): Pattern[] {
  const plans = [
    firstFitDecreasing(problem),
    firstFitDecreasing(problem, longFirst),
    fillOneByOne(problem),
    fillOneByOne(problem, longFirst),
  ];
  return plans
    .map((plan) => ({ plan, measure: measure(problem, plan) }))
    .reduce((a, b) => (compare(b.measure, a.measure) < 0 ? b : a)).plan;
}
