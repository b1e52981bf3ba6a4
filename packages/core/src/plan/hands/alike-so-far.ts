import { refuse } from './refusal.js';
import type { Need } from './need.js';
import type { Table } from './table.js';
import { NEAR } from './worked.js';

/** A hand does not repeat itself nearer than this share, and a part is eased to its length by less. Assumed. */
const SHARE = 0.05;

/** Whether two lengths in mm are one to a hand. */
const same = (a: number, b: number): boolean =>
  Math.abs(a - b) <= NEAR + SHARE * Math.max(Math.abs(a), Math.abs(b));

interface Stretch {
  readonly of: string;
  mm: number;
}

/** What lies along a half: of what follows its like, one stretch. */
function stretches(table: Table, leg: string): readonly Stretch[] {
  const told: Stretch[] = [];
  for (const { what, bead, rank, mm } of table.along.get(leg) ?? []) {
    const of = `${rank} ${what} ${bead ?? ''}`;
    const last = told.at(-1);
    if (last?.of === of) last.mm += mm;
    else told.push({ of, mm });
  }
  return told;
}

/** Whether the work on one table is the very beginning of the piece on another: the same lies along every cord. */
export function alikeSoFar(own: Table, other: Table): Need {
  for (const leg of own.along.keys()) {
    const [one, two] = [stretches(own, leg), stretches(other, leg)];
    const alike =
      one.length === two.length &&
      one.every(({ of, mm }, i) => of === two[i]!.of && same(mm, two[i]!.mm));
    if (!alike) return refuse('differs', 'What lies there does not begin the changed piece.');
  }
  return own.waiting.join() === other.waiting.join()
    ? null
    : refuse('differs', 'Other beads wait on the cord than the changed piece needs.');
}

/** What is not of the work itself is as hands left it: whether the board holds it, and what is in clips. */
export function letGoAs(own: Table, other: Table): void {
  other.held = own.held;
  other.taut.clear();
  for (const [key, end] of own.clipped) other.clipped.set(key, end);
}
