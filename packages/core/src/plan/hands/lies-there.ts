import {
  AT_END,
  AT_START,
  type Action,
  type End,
  type Leg,
  type Place,
} from '../../base/action/action.js';
import { CORD_KIND_FACTS } from '../../base/material/cord.js';
import { say } from '../../base/measure/saying.js';
import type { Run } from '../../base/kind/run.js';
import { legsOf, outerEnds, startEnds } from '../../craft/part/ends.js';
import { placedClosure } from '../placed-parts.js';
import { each, onClosure, type Need } from './need.js';
import { cordCalled, endCalled, refuse } from './refusal.js';
import { endKey, endsOfCord, legKey, type Table } from './table.js';

/** Runs that lie at a place: of a part those that it has, of the closure those that reach it. */
export const runsAt = (table: Table, place: Place): readonly Run[] =>
  table.parts.find(({ id }) => id === place)?.site.runs ??
  placedClosure(table.piece, table.plan).runs;

/** The ends of both sides that meet where the piece is closed. */
export function tailsOf(table: Table): End[] {
  const { runs } = placedClosure(table.piece, table.plan);
  return [...startEnds(runs), ...outerEnds(runs)];
}

/** The halves of all cords that the work begins with. */
export const laidFirst = (table: Table): Leg[] =>
  [...table.cords.values()]
    .filter(({ id, laidIn }) => typeof id === 'number' && !laidIn)
    .flatMap(halvesOf);

/** The halves of all cords of leather that stay in the piece. */
export const leatherOf = (table: Table): Leg[] =>
  [...table.cords.values()]
    .filter(
      ({ id, cord }) =>
        typeof id === 'number' && cord !== null && CORD_KIND_FACTS[cord.kind].ends === 'leather',
    )
    .flatMap(halvesOf);

const halvesOf = ({ id, legs }: { readonly id: End['cord']; readonly legs: 1 | 2 }): Leg[] =>
  endsOfCord({ id, legs }).map(({ cord, half }) => ({ cord, half }));

/** Whether some legs or ends are exactly these, in whatever order. */
function areAll<T extends Leg>(
  given: readonly T[],
  wanted: readonly T[],
  key: (one: T) => string,
): boolean {
  const all = new Set(wanted.map(key));
  return new Set(given.map(key)).size === all.size && given.every((one) => all.has(key(one)));
}

/** What is done to all of some things is done to each of them, and to no other. */
export const toAll = <T extends Leg>(
  given: readonly T[],
  wanted: readonly T[],
  key: (one: T) => string = legKey,
): Need =>
  areAll(given, wanted, key)
    ? null
    : refuse('differs', 'It is to be done with all cords that lie there, and with no others.');

/** The core that a half knot of a part is tied over: all that lies there and does not tie. */
export const coreAt = (table: Table, place: Place): Leg[] =>
  legsOf(runsAt(table, place).filter(({ role }) => onClosure(table, place) || role !== 'working'));

/**
 * The core that an action ties over, where nothing holds its far end; none where it is taut, or runs from bar to bar.
 */
export function slackCore(table: Table, action: Action): readonly Leg[] {
  if (action.do !== 'tie' || action.knot.form !== 'half-knot') return [];
  if (onClosure(table, action.place) || table.core !== 'free') return [];
  const core = coreAt(table, action.place);
  return core.every((leg) => table.taut.has(legKey(leg))) ? [] : core;
}

/** What a knot or a wrap goes round is all that lies there and does not tie it. */
export function goesRound(table: Table, action: Action): Need {
  if (action.do === 'wind') return toAll(action.round, legsOf(runsAt(table, action.place)));
  if (action.do !== 'tie') return null;
  const { knot, by, place, round } = action;
  if (knot.form !== 'half-knot' && knot.form !== 'hitch' && knot.form !== 'sliding') return null;
  const ties = new Set(by.map(legKey));
  if (knot.form === 'half-knot') return toAll(round ?? [], coreAt(table, place));
  const core = runsAt(table, place).filter(
    (run) => knot.form === 'sliding' || !ties.has(legKey({ cord: run.strand, half: run.half })),
  );
  return toAll(round ?? [], legsOf(core));
}

/** Whether a part is begun in the middle of its cord, or lies before one that is. */
function fromMiddle({ parts }: Table, place: Place): boolean {
  const middle = parts.findIndex(({ kind }) => kind.entry.fromMiddle);
  return middle >= 0 && parts.findIndex(({ id }) => id === place) <= middle;
}

/** Whether a cord has an end of its own at the start: it is not folded there, nor joined to another. */
const endsAtStart = (table: Table, { cord, half }: Leg): boolean => {
  const start = table.ends.get(endKey({ cord, half, side: 'start' }));
  return start !== undefined && start.lies !== 'joined';
};

/**
 * The ends that an action works with are those of the side where it is done: the parts grow towards the end, the
 * closure is made with the ends that lie on its side. Where both tails go through one thing they come from both.
 */
export function fromItsSide(table: Table, action: Action): Need {
  if (!('place' in action)) return null;
  const { place } = action;
  const own: readonly (End | Leg)[] =
    action.do === 'tie'
      ? action.by
      : action.do === 'plait'
        ? action.bundles.flat()
        : action.do === 'lay' || action.do === 'string' || action.do === 'put-on'
          ? action.on
          : action.do === 'chain'
            ? [action.on]
            : [];
  const meet =
    action.do === 'put-on' &&
    ((action.share ?? 1) < 1 || new Set(action.on.map(({ side }) => side)).size > 1);
  return each(own as readonly End[], (end) => {
    if (typeof end.cord === 'string') return null;
    const wanted = onClosure(table, place)
      ? place === AT_START && endsAtStart(table, end)
        ? 'start'
        : 'end'
      : 'end';
    const either =
      (place === AT_END && meet) ||
      (!onClosure(table, place) &&
        fromMiddle(table, place) &&
        (action.do === 'lay' || action.do === 'string')) ||
      // Single cords are caught by their starts in the knot of folds.
      (action.do === 'tie' &&
        action.knot.form === 'loop' &&
        !onClosure(table, place) &&
        !folded(table, end));
    return either || end.side === wanted
      ? null
      : refuse(
          'out-of-order',
          say`${endCalled(table, end)} does not lie at this side of the work.`,
        );
  });
}

const folded = (table: Table, { cord }: Leg): boolean => table.cords.get(cord)?.legs === 2;

/** What hangs by both of its tails has its bead on both. */
export function onBothTails(
  table: Table,
  { place, on }: { readonly place: Place; readonly on: readonly End[] },
): Need {
  const part = table.parts.find(({ id }) => id === place);
  if (!part?.kind.entry.fromMiddle) return null;
  const lone = on.find(
    (end) => !on.some((own) => own.cord === end.cord && endKey(own) !== endKey(end)),
  );
  return lone
    ? refuse('differs', say`Both tails of ${cordCalled(table, lone.cord)} go through it.`)
    : null;
}
