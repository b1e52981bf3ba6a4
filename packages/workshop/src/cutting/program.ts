/** A linear program, or an integer one: the least sum of costs within the rows. The core has no solver of its own. */
export interface Program {
  readonly columns: readonly Column[];
  readonly rows: readonly { readonly low: number; readonly high: number }[];
  /** Row, column and value of what is not 0. */
  readonly entries: readonly (readonly [row: number, column: number, value: number])[];
}

export interface Column {
  readonly cost: number;
  readonly low: number;
  readonly high: number;
  readonly integer?: boolean;
}

export type Solved =
  | { readonly status: 'infeasible' | 'nothing-found' }
  | {
      /** `stopped`: found, but not known to be the best. */
      readonly status: 'optimal' | 'stopped';
      /** By column. */
      readonly values: readonly number[];
      /** By row, of a linear program: what one more of its limit would cost. None of an integer one. */
      readonly duals: readonly number[];
      readonly objective: number;
      /** No answer is below it. */
      readonly bound: number;
    };

/** A solver that is given from outside. It may begin with an answer that is known. */
export type Solve = (
  program: Program,
  options?: { readonly seconds?: number; readonly start?: readonly number[] },
) => Solved;

/** Builds a program column by column and row by row. */
export class Programming implements Program {
  readonly columns: Column[] = [];
  readonly rows: { low: number; high: number }[] = [];
  readonly entries: [number, number, number][] = [];

  /** @returns its index */
  column(column: Column): number {
    return this.columns.push(column) - 1;
  }

  /** low <= sum of value * column <= high. @returns its index */
  row(
    low: number,
    high: number,
    terms: readonly (readonly [column: number, value: number])[],
  ): number {
    const row = this.rows.push({ low, high }) - 1;
    for (const [column, value] of terms) this.entries.push([row, column, value]);
    return row;
  }
}
