import { isToLength } from '../../base/kind/part-kind.js';
import { laid, say, term, type Saying, type Segment } from '../../base/measure/saying.js';
import { pluralOf } from '../../base/measure/plural.js';
import { TERMS, type TermId } from '../../base/measure/terms.js';
import type { Piece } from '../../piece/piece.js';
import { placedParts, type PlacedPart } from '../placed-parts.js';
import type { Plan } from '../plan-types.js';

/**
 * The part whose length is still in the hands when the work is tried on: the last one from a place on that grows with
 * every unit, or that is left plain; null where nothing can change any more.
 *
 * @param from number of the first part of which something is still to be tied, from 0
 */
export function stillOpen(piece: Piece, plan: Plan, from: number): PlacedPart | null {
  const parts = placedParts(piece, plan).slice(from);
  return (
    parts.findLast(({ part, kind, layout }) => layout.units > 1 && isToLength(kind, part)) ??
    parts.findLast(({ part, kind, layout }) => kind.fills(part) && layout.units === 1) ??
    null
  );
}

/** The same when nothing is left to be tied: then also what lies under the last part can be gone back to. */
export const openAt = (piece: Piece, plan: Plan, from: number): PlacedPart | null =>
  stillOpen(piece, plan, from) ??
  (from >= piece.parts.length - 1 ? stillOpen(piece, plan, 0) : null);

/** What a unit is called, as a word of the trade where it is one. */
const named = (unit: string, as: string): Segment =>
  unit in TERMS ? term(unit as TermId, as) : as;

/** As little in mm as a rule tells. */
const SEEN = 2;

/** How long a unit of a part is; what a rule cannot tell of one it tells of ten. */
function tellUnit({ kind, layout }: PlacedPart): Saying {
  const { unitName } = kind.entry;
  const each = layout.length / layout.units;
  return each < SEEN
    ? say`ten ${named(unitName, pluralOf(unitName))} are ${laid(10 * each)}`
    : say`each ${named(unitName, unitName)} is ${laid(each)}`;
}

/** What is to be done when it does not fit: how much longer or shorter each unit makes it. */
export function tellMisfit(piece: Piece, plan: Plan, from: number): Saying {
  const open = openAt(piece, plan, from);
  if (open) {
    return open.layout.units > 1
      ? say`Too long: tie fewer. Too short: tie more; ${tellUnit(open)}.`
      : 'Too long: leave less plain cord. Too short: leave more.';
  }
  const fixed = placedParts(piece, plan).findLast(({ layout }) => layout.units > 1);
  return fixed
    ? say`Too long: leave some out. Too short: put more in; ${tellUnit(fixed)}.`
    : 'Too long: undo some of it. Too short: add some.';
}
