/** Cuts of one length. Whole millimetres. */
export interface Size {
  readonly length: number;
  readonly count: number;
}

/** Lots that are alike for the knife. Whole millimetres. */
export interface Bar {
  readonly length: number;
  /** A rest of at least this is kept; a shorter one is waste. */
  readonly useful: number;
  /** Whether nothing was cut from it yet. */
  readonly whole: boolean;
  readonly count: number;
}

/** Cuts of one cord and the lots of it, each once however many there are of it. */
export interface StockProblem {
  readonly sizes: readonly Size[];
  readonly bars: readonly Bar[];
}

/** Some cuts from one bar: how many of each size. */
export interface Pattern {
  readonly bar: number;
  readonly take: readonly number[];
}

/** What a plan is measured by; what comes first counts infinitely more than what comes after. */
export interface Measure {
  /** Length in mm that no lot gave. */
  readonly uncut: number;
  readonly waste: number;
  /** Whole lots that were cut into. */
  readonly opened: number;
}

export const lengthOf = ({ sizes }: StockProblem, { take }: Pick<Pattern, 'take'>): number =>
  take.reduce((sum, count, i) => sum + count * sizes[i]!.length, 0);

/** What is left of a bar and no use, where so much is cut from it. */
export const wasteOf = ({ length, useful }: Bar, cut: number): number =>
  cut > 0 && length - cut < useful ? length - cut : 0;

/** Length of all cuts, or of all bars. */
export const totalOf = (all: readonly Pick<Size, 'length' | 'count'>[]): number =>
  all.reduce((sum, { length, count }) => sum + length * count, 0);

/** How many of each size a plan leaves uncut. */
export const leftUncut = ({ sizes }: StockProblem, plan: readonly Pattern[]): number[] =>
  sizes.map(({ count }, i) => count - plan.reduce((sum, { take }) => sum + take[i]!, 0));

export function measure(problem: StockProblem, plan: readonly Pattern[]): Measure {
  const left = leftUncut(problem, plan);
  return {
    uncut: left.reduce((sum, count, i) => sum + count * problem.sizes[i]!.length, 0),
    waste: plan.reduce(
      (sum, pattern) => sum + wasteOf(problem.bars[pattern.bar]!, lengthOf(problem, pattern)),
      0,
    ),
    opened: plan.filter(({ bar, take }) => problem.bars[bar]!.whole && take.some((n) => n > 0))
      .length,
  };
}

/** Below 0 where the first is better. */
export const compare = (a: Measure, b: Measure): number =>
  a.uncut - b.uncut || a.waste - b.waste || a.opened - b.opened;

const wholes = ({ bars }: StockProblem): number =>
  bars.reduce((sum, { whole, count }) => sum + (whole ? count : 0), 0);

/** What opening a whole lot counts beside waste, in mm: all of them together less than one millimetre. */
export const openingCost = (problem: StockProblem): number => 1 / (wholes(problem) + 1);

/** Waste and opened lots as one number, in mm. */
export const costOf = (problem: StockProblem, { waste, opened }: Measure): number =>
  waste + opened * openingCost(problem);

/** A bound on that number, raised to the next value that it can take: all are multiples of the opening cost. */
export function raised(problem: StockProblem, bound: number): number {
  const step = openingCost(problem);
  return Math.max(0, Math.ceil(bound / step - 1e-6)) * step;
}

/** What is left of a problem when some bars are cut. */
export function without(problem: StockProblem, plan: readonly Pattern[]): StockProblem {
  const left = leftUncut(problem, plan);
  return {
    sizes: problem.sizes.map(({ length }, i) => ({ length, count: left[i]! })),
    bars: problem.bars.map((bar, i) => ({
      ...bar,
      count: bar.count - plan.filter((pattern) => pattern.bar === i).length,
    })),
  };
}
