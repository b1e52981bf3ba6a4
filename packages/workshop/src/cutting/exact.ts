import { Programming, type Solve } from './program.js';
import {
  costOf,
  lengthOf,
  measure,
  openingCost,
  raised,
  wasteOf,
  type Pattern,
  type StockProblem,
} from './stock-problem.js';
import type { Aim } from './columns.js';

export interface Found {
  readonly plan: readonly Pattern[];
  /** No plan is below it, in mm by the aim. */
  readonly bound: number;
}

/** How many unknowns the assignment of cuts to bars has. */
export const unknowns = ({ sizes, bars }: StockProblem): number =>
  sizes.filter(({ count }) => count > 0).length * bars.reduce((sum, { count }) => sum + count, 0);

/** A number of the solver as the whole one that it stands for. */
const whole = (value: number): number => Math.round(value);

/** Whether what is left of a bar is kept, where so much is cut from it. */
const isUseful = (length: number, useful: number, cut: number): number =>
  cut > 0 && length - cut >= useful ? 1 : 0;

/**
 * The assignment of cuts to bars as an integer program: x of a size from each single bar, whether the bar is cut
 * into, whether its rest is kept, and what is wasted of it.
 *
 * @param known a plan to begin with
 * @param seconds how long it may take at most
 * @param leaves to save: length in mm that may stay uncut, whichever cuts those are
 */
export function solveExactly(
  problem: StockProblem,
  aim: Aim,
  known: readonly Pattern[],
  solve: Solve,
  seconds: number,
  leaves = 0,
): Found {
  const { sizes, bars } = problem;
  const program = new Programming();
  const start: number[] = [];
  const column = (cost: number, high: number, value: number, integer = true): number => {
    start.push(value);
    return program.column({ cost, low: 0, high, integer });
  };
  const opening = openingCost(problem);
  const uses: { bar: number; x: number[] }[] = [];
  bars.forEach((bar, b) => {
    const plans = known
      .filter((pattern) => pattern.bar === b)
      .sort((p, q) => lengthOf(problem, q) - lengthOf(problem, p));
    let before: [number, number][] | null = null;
    for (let n = 0; n < bar.count; n++) {
      const plan = plans[n];
      const cut = plan ? lengthOf(problem, plan) : 0;
      const x = sizes.map(({ count, length }, i) =>
        column(0, Math.min(count, Math.floor(bar.length / length)), plan?.take[i] ?? 0),
      );
      const load = x.map((at, i): [number, number] => [at, sizes[i]!.length]);
      if (aim === 'cut') program.row(-Infinity, bar.length, load);
      else {
        const used = column(bar.whole ? opening : 0, 1, cut > 0 ? 1 : 0);
        const kept = column(0, 1, isUseful(bar.length, bar.useful, cut));
        const waste = column(1, bar.length, wasteOf(bar, cut), false);
        program.row(-Infinity, 0, [...load, [used, -bar.length]]);
        program.row(-Infinity, bar.length, [...load, [kept, Math.min(bar.useful, bar.length)]]);
        if (bar.useful > bar.length) program.row(0, 0, [[kept, 1]]);
        // waste >= length - load, where it is cut into and its rest is not kept
        program.row(0, Infinity, [...load, [waste, 1], [used, -bar.length], [kept, bar.length]]);
        program.row(-Infinity, 0, [
          [kept, 1],
          [used, -1],
        ]);
      }
      // Alike bars are told apart by how much is cut from them, so that no plan is looked at twice.
      if (before) {
        program.row(0, Infinity, [...before, ...load.map(([at, l]): [number, number] => [at, -l])]);
      }
      before = load;
      uses.push({ bar: b, x });
    }
  });
  const left = sizes.map(({ length, count }, i): [number, number] => {
    const given = uses.map(({ x }): [number, number] => [x[i]!, 1]);
    const cut = known.reduce((sum, { take }) => sum + take[i]!, 0);
    const most = aim === 'cut' || leaves >= length ? count : 0;
    const one = column(aim === 'cut' ? length : 0, most, count - cut);
    program.row(count, count, [...given, [one, 1]]);
    return [one, length];
  });
  if (aim === 'save' && leaves > 0) program.row(-Infinity, leaves, left);
  const solved = solve(program, { seconds, start });
  if (!('values' in solved)) return { plan: known, bound: 0 };
  const plan = uses.flatMap(({ bar, x }): Pattern[] => {
    const take = x.map((at) => whole(solved.values[at]!));
    return take.some((n) => n > 0) ? [{ bar, take }] : [];
  });
  const m = measure(problem, plan);
  const optimal = solved.status === 'optimal';
  if (aim === 'cut') return { plan, bound: optimal ? m.uncut : Math.ceil(solved.bound - 1e-6) };
  return { plan, bound: optimal ? costOf(problem, m) : raised(problem, solved.bound) };
}
