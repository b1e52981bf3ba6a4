import { type ActionOf } from '../../base/action/action.js';
import { say } from '../../base/measure/saying.js';
import {
  advanced,
  each,
  firstOf,
  goesThrough,
  held,
  onClosure,
  open,
  putDown,
  type Need,
} from './need.js';
import { onBothTails } from './lies-there.js';
import { refuse } from './refusal.js';
import { legKey, type Table } from './table.js';
import { notSpanned, rankOf, together, work } from './rules-work.js';

/** How near in mm a bead has to lie to its place; or, where it shares it with cord, in its lengths. */
const NEAR = 1;
const ABOUT = 0.6;

/** Whether the plan has this bead at this place, and not all of them are strung yet. */
function planned(table: Table, { bead, place, on }: ActionOf<'string'>): Need {
  if (on.length === 0) return refuse('not-planned', 'No cord goes through this bead.');
  const part = table.plan.parts.find(({ id }) => id === place);
  if (!part) return null;
  const wanted = part.layout.beads.filter((own) => own.id === bead);
  const there = table.strung.filter((own) => own.bead === bead && own.place === place);
  return wanted.length <= there.length
    ? refuse('not-planned', 'No more of these beads were planned there.')
    : null;
}

export function string(table: Table, action: ActionOf<'string'>): Need {
  const { bead: id, on, help, place, around = [], beside = [] } = action;
  const stock = table.beads.get(id);
  if (!stock) return refuse('not-planned', say`There is no bead “${id}” on the table.`);
  if (stock.left === 0) return refuse('not-there', say`All of ${stock.bead.name} are used.`);
  // A bead that is as long as its stretch of work is where it is; of others only about.
  const { length } = stock.bead;
  const before = on[0] ? advanced(table, on[0], place) : 0;
  // Over a knot in both of its tails it lies where the knot does. What is only caught has no knot yet.
  const below = on[0] ? table.along.get(legKey(on[0]))?.at(-1) : undefined;
  const overKnot =
    action.mm === 0 &&
    below?.what === 'knot' &&
    below.mm > 0 &&
    below.rank === rankOf(table, place);
  const { inKnot } = action;
  const at = overKnot ? before / 2 : before + (inKnot ?? length) / 2;
  const within =
    inKnot !== undefined
      ? inKnot / 2 + NEAR
      : action.mm > 0 && Math.abs(action.mm - length) < 1e-6
        ? NEAR
        : ABOUT * length;
  return firstOf(
    () => planned(table, action),
    () => notSpanned(table, on),
    () => onBothTails(table, action),
    () =>
      action.mm === 0 &&
      !overKnot &&
      table.parts.some((p) => p.id === place && p.kind.entry.fromMiddle)
        ? refuse(
            'out-of-order',
            'The loop is not closed yet: the bead would slide down to the stone.',
          )
        : null,
    () =>
      action.loose && action.mm > 0
        ? refuse('differs', 'A bead that lies loose makes no length yet.')
        : null,
    () => (onClosure(table, place) || action.loose ? null : held(table)),
    () => goesThrough(table, stock.bead.hole, on, help),
    () =>
      work(table, action, action.loose ? [] : on, [...around, ...beside], {
        what: 'bead',
        bead: id,
      }),
    () => {
      if (action.loose) {
        const missing = each(on, (end) => open(table, end));
        if (missing) return missing;
        table.waiting.push(`${id}|${legKey(on[0]!)}`);
      }
      stock.left--;
      if (help) table.threadUsed = true;
      if (!action.loose) {
        table.strung.push({
          bead: id,
          place,
          legs: [...new Set(on.map(legKey))].sort(),
          at,
          within,
        });
      }
      together(table, on);
      return null;
    },
  );
}

export function slide(table: Table, { bead, on, place }: ActionOf<'slide'>): Need {
  if (table.waiting.at(-1) !== `${bead}|${legKey(on)}`) {
    return refuse('not-there', 'The bead that comes next on the cord is another one, or none.');
  }
  table.waiting.pop();
  const length = table.beads.get(bead)?.bead.length ?? 0;
  const at = advanced(table, on, place) + length / 2;
  table.strung.push({ bead, place, legs: [legKey(on)], at, within: ABOUT * length });
  putDown(
    table,
    { ...on, side: 'end' },
    {
      what: 'bead',
      bead,
      mm: 0,
      rank: rankOf(table, place),
    },
  );
  return null;
}
