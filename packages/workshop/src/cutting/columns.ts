import { fillExactly } from './filling.js';
import { Programming, type Solve } from './program.js';
import {
  lengthOf,
  openingCost,
  wasteOf,
  type Pattern,
  type StockProblem,
} from './stock-problem.js';

/** What is asked of a plan: that least is left uncut, or, where all can be cut, least waste and few whole lots. */
export type Aim = 'cut' | 'save';

/** A mixture of patterns, and the number that no plan is below. */
export interface Mixture {
  readonly patterns: readonly { readonly pattern: Pattern; readonly times: number }[];
  /** In mm, by the aim. */
  readonly bound: number;
  /** Everything that was looked at. */
  readonly columns: readonly Pattern[];
}

const EPSILON = 1e-7;
/** Nothing may be gained by leaving something uncut, where all can be cut. */
const DEAR = 20;

/** What a pattern counts for an aim, in mm. */
export const patternCost = (problem: StockProblem, aim: Aim, bar: number, cut: number): number => {
  if (aim === 'cut' || cut === 0) return 0;
  const { whole } = problem.bars[bar]!;
  return wasteOf(problem.bars[bar]!, cut) + (whole ? openingCost(problem) : 0);
};

const keyOf = ({ bar, take }: Pattern): string => `${bar}:${take.join()}`;

/**
 * The linear relaxation of the cutting-stock problem over all patterns there are, by column generation: a few
 * patterns are mixed at least cost; the prices that this gives the cuts tell, by a knapsack for each bar, whether
 * another pattern would pay; and so on until none does.
 *
 * Sources: P. C. Gilmore and R. E. Gomory, A linear programming approach to the cutting-stock problem, Operations
 * Research 9 (1961); a bound while it is not done yet after L. S. Lasdon, Optimization Theory for Large Systems
 * (1970), from memory: what pays at most on every bar is taken off.
 *
 * @param known patterns to begin with
 * @param stop asked now and then whether it is to end with what it has
 */
export function mixPatterns(
  problem: StockProblem,
  aim: Aim,
  known: readonly Pattern[],
  solve: Solve,
  stop: () => boolean = () => false,
): Mixture | null {
  const { sizes, bars } = problem;
  const lengths = sizes.map(({ length }) => length);
  const counts = sizes.map(({ count }) => count);
  const wanted = lengths.reduce((sum, length, i) => sum + length * counts[i]!, 0);
  const capacity = Math.min(wanted, Math.max(0, ...bars.map((b) => (b.count > 0 ? b.length : 0))));
  const columns = new Map(known.map((pattern) => [keyOf(pattern), pattern]));
  let bound = 0;
  for (;;) {
    const tried = [...columns.values()];
    const program = masterProgram(problem, aim, tried);
    const solved = solve(program);
    if (!('values' in solved)) return null;
    const prices = solved.duals.slice(0, sizes.length);
    const places = solved.duals.slice(sizes.length);
    const filling = fillExactly(lengths, counts, prices, capacity);
    let missing = 0;
    let found = 0;
    bars.forEach((bar, b) => {
      if (bar.count === 0) return;
      let best = -EPSILON;
      let cut = 0;
      for (let c = 1; c <= Math.min(capacity, bar.length); c++) {
        const gain = filling.gain[c]!;
        if (gain === -Infinity) continue;
        const reduced = patternCost(problem, aim, b, c) - gain - places[b]!;
        if (reduced < best) {
          best = reduced;
          cut = c;
        }
      }
      if (cut === 0) return;
      missing += best * bar.count;
      const pattern = { bar: b, take: filling.take(cut) };
      const key = keyOf(pattern);
      if (!columns.has(key)) {
        columns.set(key, pattern);
        found += 1;
      }
    });
    bound = Math.max(bound, solved.objective + missing);
    if (found === 0 || stop()) {
      return {
        patterns: tried.flatMap((pattern, i) => {
          const times = solved.values[i]!;
          return times > EPSILON ? [{ pattern, times }] : [];
        }),
        bound,
        columns: [...columns.values()],
      };
    }
  }
}

/** Columns: the patterns, then what stays uncut by size. Rows: the sizes, then the bars. */
export function masterProgram(
  problem: StockProblem,
  aim: Aim,
  patterns: readonly Pattern[],
  whole = false,
): Programming {
  const { sizes, bars } = problem;
  const program = new Programming();
  for (const pattern of patterns) {
    program.column({
      cost: patternCost(problem, aim, pattern.bar, lengthOf(problem, pattern)),
      low: 0,
      high: Infinity,
      integer: whole,
    });
  }
  sizes.forEach(({ length, count }, i) => {
    const uncut = program.column({
      cost: aim === 'cut' ? length : length * DEAR,
      low: 0,
      high: Infinity,
      integer: whole,
    });
    // Exactly so many: one cut too many would pass off a rest as used.
    program.row(count, count, [
      [uncut, 1],
      ...patterns.flatMap(({ take }, p): [number, number][] =>
        take[i]! > 0 ? [[p, take[i]!]] : [],
      ),
    ]);
  });
  bars.forEach(({ count }, b) => {
    program.row(
      -Infinity,
      count,
      patterns.flatMap(({ bar }, p): [number, number][] => (bar === b ? [[p, 1]] : [])),
    );
  });
  return program;
}
