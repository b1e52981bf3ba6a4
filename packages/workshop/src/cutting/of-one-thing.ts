import { isProven, solveStock, type Means } from './solve.js';
import {
  costOf,
  wasteOf,
  type Bar,
  type Measure,
  type Pattern,
  type StockProblem,
} from './stock-problem.js';

/** A length of cord that is wanted. */
export interface WantedCut {
  readonly id: string;
  /** Which cord it is of: lots of the same `thing` can give it. */
  readonly thing: string;
  /** In mm. */
  readonly length: number;
  /** Cuts with the same name come from one dye lot. */
  readonly together?: string;
  /** Whether it is folded in use, so that two of half its length could stand for it. */
  readonly folded?: boolean;
}

/** A lot of cord that may be cut. */
export interface CordLot {
  readonly id: string;
  readonly thing: string;
  /** What is left of it, in mm. */
  readonly length: number;
  /** null where it was not noted: such a lot matches no other for sure. */
  readonly dyeLot: string | null;
  /** Whether nothing was cut from it yet. */
  readonly whole: boolean;
  /** A rest of at least this many mm is kept; a shorter one is waste. */
  readonly useful: number;
}

/** Whole millimetres: nobody cuts finer, and what is whole can be proven. Cuts are rounded up, lots down. */
export const asCut = (mm: number): number => Math.ceil(mm - 1e-6);
export const asLot = (mm: number): number => Math.floor(mm + 1e-6);

/** Lots and cuts of one cord. */
export interface OfOneThing {
  readonly cuts: readonly WantedCut[];
  readonly lots: readonly CordLot[];
}

/** A plan of one cord, and what no plan of it is below, in mm. */
export interface ThingPlan {
  readonly lots: ReadonlyMap<string, readonly WantedCut[]>;
  readonly measure: Measure;
  /** Waste and opened lots as one number. */
  readonly cost: number;
  readonly leastUncut: number;
  readonly leastCost: number;
}

const barOf = ({ length, useful, whole }: CordLot): Bar => ({
  length: asLot(length),
  useful: Math.max(1, asCut(useful)),
  whole,
  count: 1,
});

/** The problem of some cuts and lots, with the cuts behind its sizes and the lots behind its bars. */
export function problemOf({ cuts, lots }: OfOneThing): {
  readonly problem: StockProblem;
  readonly assign: (plan: readonly Pattern[]) => Map<string, WantedCut[]>;
} {
  const bySize = new Map<number, WantedCut[]>();
  for (const cut of cuts) {
    const length = asCut(cut.length);
    bySize.set(length, [...(bySize.get(length) ?? []), cut]);
  }
  const sizes = [...bySize.keys()].sort((a, b) => b - a);
  const byBar = new Map<string, { bar: Bar; lots: CordLot[] }>();
  for (const lot of lots) {
    const bar = barOf(lot);
    const key = `${bar.length} ${bar.useful} ${bar.whole}`;
    const alike = byBar.get(key)?.lots ?? [];
    byBar.set(key, { bar: { ...bar, count: alike.length + 1 }, lots: [...alike, lot] });
  }
  const bars = [...byBar.values()];
  return {
    problem: {
      sizes: sizes.map((length) => ({ length, count: bySize.get(length)!.length })),
      bars: bars.map(({ bar }) => bar),
    },
    assign(plan) {
      const left = sizes.map((size) => [...bySize.get(size)!]);
      const free = bars.map(({ lots: alike }) => [...alike]);
      return new Map(
        plan.map(({ bar, take }): [string, WantedCut[]] => [
          free[bar]!.shift()!.id,
          // Sizes go from the longest to the shortest, and so do the cuts.
          take.flatMap((count, i) => left[i]!.splice(0, count)),
        ]),
      );
    },
  };
}

/** Better and better plans of one cord where it does not matter which cuts come together. */
export function* plainly(one: OfOneThing, means: Means): Generator<ThingPlan> {
  const { problem, assign } = problemOf(one);
  for (const answer of solveStock(problem, means)) {
    const cost = costOf(problem, answer.measure);
    yield {
      lots: assign(answer.plan),
      measure: answer.measure,
      cost,
      leastUncut: Math.min(answer.measure.uncut, answer.uncut),
      leastCost: isProven(answer, problem) ? cost : Math.min(cost, answer.cost),
    };
  }
}

/** A plan as it is measured, whatever it was found by; nothing is known of better ones. */
export function measured(
  one: OfOneThing,
  lots: ReadonlyMap<string, readonly WantedCut[]>,
): ThingPlan {
  const { problem } = problemOf(one);
  const taken = new Set<string>();
  let waste = 0;
  let opened = 0;
  for (const lot of one.lots) {
    const cuts = lots.get(lot.id) ?? [];
    if (cuts.length === 0) continue;
    cuts.forEach(({ id }) => taken.add(id));
    const cut = cuts.reduce((sum, { length }) => sum + asCut(length), 0);
    waste += wasteOf(barOf(lot), cut);
    opened += lot.whole ? 1 : 0;
  }
  const uncut = one.cuts.reduce(
    (sum, { id, length }) => sum + (taken.has(id) ? 0 : asCut(length)),
    0,
  );
  const m: Measure = { uncut, waste, opened };
  return { lots, measure: m, cost: costOf(problem, m), leastUncut: 0, leastCost: 0 };
}
