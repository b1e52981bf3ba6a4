import { masterProgram, mixPatterns, type Aim, type Mixture } from './columns.js';
import { solveExactly, unknowns } from './exact.js';
import { quickPlan } from './first-fit.js';
import type { Solve } from './program.js';
import {
  compare,
  costOf,
  leftUncut,
  measure,
  openingCost,
  raised,
  totalOf,
  without,
  type Measure,
  type Pattern,
  type StockProblem,
} from './stock-problem.js';

/** A plan, and what no plan can do better than. */
export interface Answer {
  readonly plan: readonly Pattern[];
  readonly measure: Measure;
  /** Least length that every plan leaves uncut. */
  readonly uncut: number;
  /** Least waste, with opened lots as parts of a millimetre, of every plan that cuts the same. */
  readonly cost: number;
}

/** What a search may use: a solver, and so much time. */
export interface Means {
  readonly solve: Solve;
  /** Seconds that are left; with none, the best so far is the answer. */
  readonly left: () => number;
}

/** What one integer program may take of the time that is left: others come after it. */
const share = ({ left }: Means, most: number): number => Math.max(0.1, Math.min(most, left() / 5));

/** Of so many unknowns an integer program says the last word at once. */
const SMALL = 120;
/** What is left of a larger one after some bars were settled. */
const REST = 60;
/** Of the time, so much is kept for what cannot be cut. */
const REST_FOR_CUTTING = 0.35;
const SECONDS = { small: 8, rest: 1.5, columns: 2 } as const;

export const isProven = ({ measure: m, uncut, cost }: Answer, problem: StockProblem): boolean =>
  m.uncut <= uncut && costOf(problem, m) <= cost + openingCost(problem) / 2;

/**
 * Cutting stock: which cuts from which lots. First as much as possible is cut, then least is wasted, then fewest
 * whole lots are cut into. Quick plans first; small problems then as an integer program, larger ones by column
 * generation, diving into its mixtures, and an integer program over the patterns found.
 *
 * @returns better and better answers; the last one is proven, or as good as time allowed
 */
export function* solveStock(problem: StockProblem, means: Means): Generator<Answer> {
  let plan = quickPlan(problem);
  let uncut = 0;
  const answer = (cost: number): Answer => ({
    plan,
    measure: measure(problem, plan),
    uncut,
    cost,
  });
  yield answer(0);
  // Patterns that were found for one aim are a beginning for the other.
  const pool: Pattern[] = [];
  const bySaving = measure(problem, plan).uncut > 0 && holdsAll(problem);
  if (bySaving) {
    // Where all can be cut after all, that is found on the way to wasting least.
    const kept = means.left() < Infinity ? means.left() * REST_FOR_CUTTING : 0;
    const first = { ...means, left: () => means.left() - kept };
    for (const found of search(problem, 'save', plan, pool, first)) {
      plan = [...found.plan];
      yield answer(measure(problem, plan).uncut > 0 ? 0 : found.bound);
    }
  }
  if (measure(problem, plan).uncut > 0) {
    for (const found of search(problem, 'cut', plan, pool, means)) {
      plan = [...found.plan];
      uncut = Math.max(uncut, found.bound);
      yield answer(0);
    }
  }
  const leaves = measure(problem, plan).uncut;
  if (leaves > 0 && unknowns(problem) <= SMALL) {
    // Which cuts are left out is chosen by what is wasted as well.
    const exact = solveExactly(
      problem,
      'save',
      plan,
      means.solve,
      share(means, SECONDS.small),
      leaves,
    );
    plan = [...exact.plan];
    yield answer(exact.bound);
    return;
  }
  // What cannot be cut is left out; the rest is cut as sparingly as may be. Of another choice no bound is known.
  const left = leftUncut(problem, plan);
  const rest: StockProblem = {
    ...problem,
    sizes: problem.sizes.map(({ length, count }, i) => ({ length, count: count - left[i]! })),
  };
  for (const found of search(rest, 'save', plan, pool, means)) {
    plan = [...found.plan];
    yield answer(leaves > 0 ? 0 : found.bound);
  }
}

interface Step {
  readonly plan: readonly Pattern[];
  readonly bound: number;
}

function* search(
  problem: StockProblem,
  aim: Aim,
  known: readonly Pattern[],
  pool: Pattern[],
  means: Means,
): Generator<Step> {
  const { solve, left } = means;
  const enough = (): boolean => left() <= 0;
  let best = known;
  let bound = leastOpened(problem, aim);
  const value = (plan: readonly Pattern[]): number => valueOf(problem, aim, plan);
  const done = (): boolean => value(best) <= bound + openingCost(problem) / 2;
  const take = (plan: readonly Pattern[]): void => {
    if (compare(measure(problem, plan), measure(problem, best)) < 0) best = plan;
  };
  yield { plan: best, bound };
  if (done() || enough()) return;
  if (unknowns(problem) <= SMALL) {
    const exact = solveExactly(problem, aim, best, solve, share(means, SECONDS.small));
    take(exact.plan);
    yield { plan: best, bound: Math.max(bound, exact.bound) };
    return;
  }
  const mixed = mixPatterns(problem, aim, [...best, ...fitting(problem, pool)], solve, enough);
  if (!mixed) return;
  bound = Math.max(
    bound,
    aim === 'cut' ? Math.ceil(mixed.bound - 1e-6) : raised(problem, mixed.bound),
  );
  yield { plan: best, bound };
  if (done() || enough()) return;
  const columns = pool;
  columns.push(...mixed.columns);
  for (const dived of dive(problem, aim, mixed, columns, means)) {
    take(dived);
    yield { plan: best, bound };
    if (done() || enough()) return;
  }
  take(overColumns(problem, aim, distinct(columns), best, means));
  yield { plan: best, bound };
}

const valueOf = (problem: StockProblem, aim: Aim, plan: readonly Pattern[]): number => {
  const m = measure(problem, plan);
  // A plan that leaves something uncut is no answer where all can be cut.
  return aim === 'cut' ? m.uncut : m.uncut > 0 ? Infinity : costOf(problem, m);
};

/** Whether the bars together are as long as the cuts. */
const holdsAll = ({ sizes, bars }: StockProblem): boolean => totalOf(sizes) <= totalOf(bars);

/** Even without any waste: what the begun lots together cannot give comes from the longest whole ones. */
function leastOpened(problem: StockProblem, aim: Aim): number {
  const { sizes, bars } = problem;
  const wanted = totalOf(sizes);
  const sum = (whole: boolean): number =>
    bars.reduce((all, bar) => all + (bar.whole === whole ? bar.length * bar.count : 0), 0);
  if (aim === 'cut') return Math.max(0, wanted - sum(true) - sum(false));
  let left = wanted - sum(false);
  let opened = 0;
  for (const { length, count } of bars
    .filter(({ whole }) => whole)
    .sort((a, b) => b.length - a.length)) {
    const more = Math.min(count, Math.max(0, Math.ceil(left / length)));
    opened += more;
    left -= more * length;
  }
  return opened * openingCost(problem);
}

/**
 * Settles the pattern that the mixture holds most of, mixes what is left anew, and so on; what is left at last is
 * small enough to be solved exactly. Where that ends worse than the bound, another is settled first.
 */
function* dive(
  problem: StockProblem,
  aim: Aim,
  first: Mixture,
  columns: Pattern[],
  means: Means,
): Generator<readonly Pattern[]> {
  const TRIES = 6;
  for (let turn = 0; turn < TRIES && means.left() > 0; turn++) {
    const settled: Pattern[] = [];
    let mixture: Mixture | null = first;
    let left = problem;
    while (mixture && unknowns(left) > REST && means.left() > 0) {
      const next = settle(mixture, settled.length === 0 ? turn : 0);
      if (next.length === 0) break;
      settled.push(...next);
      left = without(problem, settled);
      const fits = distinct(fitting(left, columns));
      mixture = mixPatterns(left, aim, fits, means.solve, () => means.left() <= 0);
      columns.push(...(mixture?.columns.slice(fits.length) ?? []));
    }
    const quick = quickPlan(left);
    const rest =
      unknowns(left) > 0 && unknowns(left) <= 2 * REST
        ? solveExactly(left, aim, quick, means.solve, share(means, SECONDS.rest)).plan
        : quick;
    yield [...settled, ...rest];
  }
}

/** Patterns that a problem has the bars and the cuts for. */
const fitting = ({ bars, sizes }: StockProblem, patterns: readonly Pattern[]): Pattern[] =>
  patterns.filter(
    ({ bar, take }) => bars[bar]!.count > 0 && take.every((n, i) => n <= sizes[i]!.count),
  );

/** Each pattern once. */
const distinct = (patterns: readonly Pattern[]): Pattern[] => [
  ...new Map(
    patterns.map((pattern) => [`${pattern.bar}:${pattern.take.join()}`, pattern]),
  ).values(),
];

/** Everything that the mixture holds whole times, or else the one that it holds most of. */
function settle({ patterns }: Mixture, turn: number): Pattern[] {
  const whole = patterns.flatMap(({ pattern, times }) =>
    Array.from({ length: Math.floor(times + 1e-6) }, () => pattern),
  );
  if (whole.length > 0 && turn === 0) return whole;
  const most = [...patterns].sort((a, b) => b.times - a.times);
  const one = most[Math.min(turn, most.length - 1)];
  return one ? [one.pattern] : [];
}

/** The best plan of patterns that are known. */
function overColumns(
  problem: StockProblem,
  aim: Aim,
  columns: readonly Pattern[],
  known: readonly Pattern[],
  means: Means,
): readonly Pattern[] {
  const program = masterProgram(problem, aim, columns, true);
  const solved = means.solve(program, { seconds: share(means, SECONDS.columns) });
  if (!('values' in solved)) return known;
  return columns.flatMap((pattern, i) =>
    Array.from({ length: Math.round(solved.values[i]!) }, () => pattern),
  );
}
