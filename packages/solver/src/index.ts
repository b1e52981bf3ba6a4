import type { Program, Solve, Solved } from '@coiled-strand/workshop';
import * as module from 'highs';
import type { Highs, InitOptions, ModelData } from 'highs';

// What the package exports by default is its loader; its types say so of a module of the older kind.
const loadHighs = module.default as unknown as (options?: InitOptions) => Promise<Highs>;

const SECONDS_OF_AN_LP = 60;

/** Nothing better may be left by rounding: what is optimal is optimal to this, in units of the objective. */
const EXACT = 1e-6;

/** Codes of HiGHS for how a run ended. */
const OPTIMAL = 7;
const INFEASIBLE = 8;
/** And for what it found. */
const FEASIBLE = 2;

function modelOf({ columns, rows, entries }: Program): ModelData {
  // By rows: the entries of each behind those of the one before.
  const byRow: [number, number][][] = rows.map(() => []);
  for (const [row, column, value] of entries) byRow[row]!.push([column, value]);
  const starts = [0];
  for (const row of byRow) starts.push(starts.at(-1)! + row.length);
  const flat = byRow.flat();
  return {
    numCols: columns.length,
    numRows: rows.length,
    colCost: columns.map(({ cost }) => cost),
    colLower: columns.map(({ low }) => low),
    colUpper: columns.map(({ high }) => high),
    rowLower: rows.map(({ low }) => low),
    rowUpper: rows.map(({ high }) => high),
    matrix: {
      format: 'csr',
      numRows: rows.length,
      numCols: columns.length,
      starts: Int32Array.from(starts),
      indices: Int32Array.from(flat.map(([column]) => column)),
      values: Float64Array.from(flat.map(([, value]) => value)),
    },
    ...(columns.some(({ integer }) => integer)
      ? { integrality: Int32Array.from(columns, ({ integer }) => (integer ? 1 : 0)) }
      : {}),
  };
}

/**
 * A solver of linear and integer programs: HiGHS, compiled to WebAssembly. It is loaded once; solving blocks the
 * thread, so that it belongs into a worker.
 *
 * @param options where its file lies, in a browser
 */
export async function loadSolver(options?: InitOptions): Promise<Solve> {
  const highs = await loadHighs(options);
  return (program, { seconds = SECONDS_OF_AN_LP, start } = {}) =>
    highs.withModel(modelOf(program), (model): Solved => {
      const whole = program.columns.some(({ integer }) => integer);
      model.options.set({
        output_flag: false,
        time_limit: seconds,
        mip_rel_gap: 0,
        mip_abs_gap: EXACT,
        // A linear program of this size is solved before it could be made smaller.
        ...(whole ? {} : { presolve: 'off' }),
      });
      if (start) model.setSolution({ colValue: start });
      const { modelStatus } = model.run();
      if (modelStatus === INFEASIBLE) return { status: 'infeasible' };
      if (Number(model.info.get('primal_solution_status')) !== FEASIBLE) {
        return { status: 'nothing-found' };
      }
      const solution = model.getSolution();
      const objective = model.getObjectiveValue();
      return {
        status: modelStatus === OPTIMAL ? 'optimal' : 'stopped',
        values: [...solution.colValue],
        duals: whole ? [] : [...solution.rowDual],
        objective,
        bound: whole ? Number(model.info.get('mip_dual_bound')) : objective,
      };
    });
}
