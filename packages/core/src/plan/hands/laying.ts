import { carriedOut, layoutOf, memoize, type Tying } from '@coiled-strand/rope';
import { timesOf, type Action, type CordId, type End } from '../../base/action/action.js';
import { tiedAt, type Step, type Tied } from '../../base/kind/step.js';
import { say } from '../../base/measure/saying.js';
import { tyingIn } from '../../piece/tyings.js';
import { each, open, type Need } from './need.js';
import { cordCalled, refuse } from './refusal.js';
import type { Table } from './table.js';

/** Ends that an action ties with; null for what is no knot. */
const tiedWith = (action: Action): readonly End[] | null =>
  action.do === 'tie' ? action.by : action.do === 'plait' ? action.bundles.flat() : null;

/** Cords that some actions tie with, by number and by name: worked out once for the actions of a step. */
const cordsTying = memoize(
  (actions: readonly Action[]): ReadonlySet<CordId> =>
    new Set(actions.flatMap((one) => (tiedWith(one) ?? []).map(({ cord }) => cord))),
);

/** What some units of a step are tied by, each way once. */
function tiedIn(step: Pick<Step, 'tied' | 'tiedBy'>, from: number, units: number): Set<Tied> {
  const ways = new Set<Tied>();
  // Without a list of its own a step repeats its ways by turns.
  const last = step.tiedBy ? units : Math.min(units, step.tied?.length ?? 0);
  for (let unit = 0; unit < last; unit++) {
    const way = tiedAt(step, from + unit);
    if (way) ways.add(way);
  }
  return ways;
}

/** The cords that are led in a tying; 0 for one of its own. */
const ledIn = ({ strands }: Tying, tied: Tied): number[] =>
  strands.flatMap(({ end }, strand) => {
    const cord = tied.strands[strand];
    if (end === null || cord === null || cord === undefined) return [];
    return [cord, ...(tied.together?.[strand] ?? [])];
  });

/** Whether a cord is one of some; 0 stands for any with a name of its own. */
const isAmong = (cord: number, cords: ReadonlySet<CordId>): boolean =>
  cord === 0 ? [...cords].some((own) => typeof own === 'string') : cords.has(cord);

/**
 * Lays open, by the moves of its tying, the knot that an action of a step is to draw up: with ends that the step ties
 * with, and that are still there.
 *
 * @param unit that the action begins with
 */
export function layKnots(
  table: Table,
  step: Pick<Step, 'tied' | 'tiedBy' | 'actions'>,
  action: Action,
  unit: number,
): Need {
  const by = tiedWith(action);
  if (!by || !step.tied) return null;
  // Where each of several cords has the same knot, one of them shows how.
  const all = cordsTying(step.actions ?? [action]);
  return each([...tiedIn(step, unit, timesOf(action))], (tied) => {
    const tying = tyingIn(table.piece, tied);
    if (!tying) return refuse('not-there', 'The knot is not in the piece any more.');
    if (!carriedOut(layoutOf(tying))) {
      return refuse('out-of-order', say`${tying.name}: what an end goes past does not lie there.`);
    }
    const other = ledIn(tying, tied).find((cord) => !isAmong(cord, all));
    if (other !== undefined) {
      return refuse(
        'not-planned',
        say`${tying.name} is told with ${cordCalled(table, other)}, which does not tie it.`,
      );
    }
    return each(by, (end) => open(table, end));
  });
}
