import { timesOf, type Action, type ActionOf, type Verb } from '../../base/action/action.js';
import type { Need } from './need.js';
import { refuse } from './refusal.js';
import { layTable, type Table } from './table.js';

/** What leaves the work as it is: it is not in the way of what is undone. */
const NEUTRAL: ReadonlySet<Verb> = new Set([
  'clip',
  'unclip',
  'tension',
  'order',
  'try-on',
  'test',
  'check',
  'anchor',
  'release',
]);

/** What tells the turns of one thing apart: how often it is done, and which of those that go on by turns it is. */
const TURNS = new Set(['times', 'from', 'after', 'share']);

/** An action but for its turns. */
const bare = (action: Action): string =>
  JSON.stringify(action, (key, value: unknown) => (TURNS.has(key) ? undefined : value));

/** What is left of all that was done when some of it is taken back; null where that was not done last. */
function withoutLast(done: readonly Action[], undone: readonly Action[]): Action[] | null {
  let i = done.length;
  for (const [nth, action] of [...undone].reverse().entries()) {
    i--;
    while (i >= 0 && NEUTRAL.has(done[i]!.do)) i--;
    const own = done[i];
    if (!own || bare(own) !== bare(action)) return null;
    const left = timesOf(own) - timesOf(action);
    const oldest = nth === undone.length - 1;
    if (left < 0 || (left > 0 && !oldest)) return null;
    if (left > 0) return [...done.slice(0, i), { ...own, times: left } as Action];
  }
  return done.slice(0, i);
}

/**
 * Takes back what was worked last, the last of it first: the cords are as they were before. Hands go there by doing
 * all that stays once more, on a table of their own.
 *
 * @param act does one action
 */
export function undo(
  table: Table,
  { actions }: ActionOf<'undo'>,
  act: (table: Table, action: Action) => Need,
): Need {
  const left = withoutLast(table.done, actions);
  if (!left) return refuse('out-of-order', 'What was made after it has to come off first.');
  const fresh = layTable(table.piece, table.plan, table.begins);
  for (const action of left) {
    const refused = act(fresh, action);
    if (refused) return refused;
  }
  const { held, taut, clipped } = table;
  Object.assign(table, fresh, { held, taut, clipped, changed: true, fitted: false });
  return null;
}
