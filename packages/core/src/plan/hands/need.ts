import {
  AT_END,
  AT_START,
  type Action,
  type End,
  type Leg,
  type Place,
} from '../../base/action/action.js';
import { CORD_KIND_FACTS, type Cord } from '../../base/material/cord.js';
import { goesBluntly } from '../../base/material/ends.js';
import { passage, withFold } from '../../base/material/passage.js';
import type { Side } from '../../base/measure/side.js';
import { say, type Saying } from '../../base/measure/saying.js';
import { lookalikes } from '../alike.js';
import { cordCalled, endCalled, refuse, type Refusal } from './refusal.js';
import { endKey, legKey, THREAD, type EndState, type Item, type Table } from './table.js';

/** Conditions that several actions share. Each gives the reason it is not met, or null. */
export type Need = Refusal | null;

/** The first that is not met. */
export function firstOf(...needs: readonly (Need | (() => Need))[]): Need {
  for (const need of needs) {
    const found = typeof need === 'function' ? need() : need;
    if (found) return found;
  }
  return null;
}
/** The first of some things that does not meet a condition. */
export function each<T>(things: readonly T[], need: (thing: T) => Need): Need {
  for (const thing of things) {
    const found = need(thing);
    if (found) return found;
  }
  return null;
}

export const endState = (table: Table, end: End): EndState => table.ends.get(endKey(end))!;

/** The cord is there and cut, folded where it is to be, and told from others by its number. */
export function prepared(table: Table, { cord }: Leg): Need {
  const own = table.cords.get(cord);
  if (!own) return refuse('not-there', say`There is no ${cordCalled(table, cord)}.`);
  if (!own.cut) return refuse('not-ready', say`${own.called} is not cut yet.`);
  if (own.legs === 2 && !own.folded) {
    return refuse('not-folded', say`${own.called} is not folded at its mark yet.`);
  }
  if (!own.labelled && typeof cord === 'number' && lookalikes(table.plan).has(cord)) {
    return refuse('not-ready', say`${own.called} looks like another, and has no number on it.`);
  }
  return null;
}

/** The same, and its ends do not come apart any more. */
export function ready(table: Table, leg: Leg): Need {
  const missing = prepared(table, leg);
  if (missing) return missing;
  const { frays, called } = table.cords.get(leg.cord)!;
  return frays ? refuse('not-ready', say`${called} frays: its ends are not singed yet.`) : null;
}

/** The end can still be worked with: nothing covers it, and it is not trimmed. */
export function open(table: Table, end: End): Need {
  const missing = ready(table, end);
  if (missing) return missing;
  const own = table.ends.get(endKey(end));
  const name = endCalled(table, end);
  if (!own) return refuse('not-there', say`There is no ${name}: it is a fold.`);
  if (own.lies !== 'free') return refuse('closed-end', say`${name} is not free any more.`);
  if (own.trimmed) return refuse('closed-end', say`${name} is trimmed already.`);
  const cord = table.cords.get(end.cord)!;
  if (cord.laidIn && !cord.joinedIn) {
    return refuse('not-ready', say`${cord.called} is not laid in yet.`);
  }
  return null;
}

/** Glue holds on no wax. */
export function freeOfWax(table: Table, end: End): Need {
  const kind = table.cords.get(end.cord)?.cord?.kind;
  return kind !== undefined && CORD_KIND_FACTS[kind].waxed && !endState(table, end).wiped
    ? refuse('harm', say`Glue does not hold on the wax of ${endCalled(table, end)}.`)
    : null;
}

/** Straight or plaited cord: nothing that stops or hangs on it. */
export const isBare = ({ what }: Item): boolean => what === 'length' || what === 'plait';

/** The last thing on a cord, seen from one of its ends. */
export function outermost(table: Table, end: End): Item | undefined {
  const items = table.along.get(legKey(end)) ?? [];
  return end.side === 'start' ? items[0] : items.at(-1);
}

/** The same, past straight cord. */
export function lastOn(table: Table, leg: string, side: End['side']): Item | undefined {
  const items = (table.along.get(leg) ?? []).filter(({ what }) => what !== 'length');
  return side === 'start' ? items[0] : items.at(-1);
}

/** What is done there can be reached from this end without going back past what is there already. */
export function reaches(table: Table, end: End, place: Place): Need {
  const rank = table.ranks.get(place);
  if (rank === undefined) return refuse('not-planned', `There is no place “${place}”.`);
  const last = outermost(table, end);
  const passed = last !== undefined && (end.side === 'start' ? last.rank < rank : last.rank > rank);
  return passed
    ? refuse(
        'out-of-order',
        say`What belongs there would have to go back past what is on ${cordCalled(table, end.cord)} already.`,
      )
    : null;
}

/** What is done at the end with ends of the start lies at the start: both tails meet there. */
export const placeOf = (end: End, place: Place): Place =>
  place === AT_END && end.side === 'start' ? AT_START : place;

/** The side from which cords beside an action are reached: that of its ends, where they have one. */
export function endBeside(table: Table, leg: Leg, side: End['side']): End {
  const folded = table.cords.get(leg.cord)?.legs === 2;
  return { cord: leg.cord, half: leg.half, side: folded ? 'end' : side };
}

export function putDown(table: Table, end: End, item: Item): void {
  const items = table.along.get(legKey(end));
  if (end.side === 'start') items?.unshift(item);
  else items?.push(item);
}

export function advance(table: Table, leg: Leg, place: Place, mm: number): void {
  if (onClosure(table, place)) return;
  const key = `${place}|${legKey(leg)}`;
  table.advanced.set(key, (table.advanced.get(key) ?? 0) + mm);
}

/** Work in mm that a leg has made at a place so far. */
export const advanced = (table: Table, leg: Leg, place: Place): number =>
  table.advanced.get(`${place}|${legKey(leg)}`) ?? 0;

/** A clip, tape, the clasp or a stone: something must hold the work while both hands tie. */
export const held = (table: Table): Need =>
  table.held === null ? refuse('not-held', 'Nothing holds the work yet.') : null;

export const offTheBoard = (table: Table): Need =>
  table.held === 'board' ? refuse('still-held', 'The work is still on the board.') : null;

/** Hands that begin on one side do so wherever it matters. */
export function begunFrom(table: Table, from: Side | undefined): Need {
  if (from === undefined) return refuse('differs', 'It is not told from which side.');
  table.begins ??= from;
  return from === table.begins
    ? null
    : refuse('out-of-order', 'These hands begin on the other side.');
}

/** Whether any part has been begun. */
export const begun = (table: Table): boolean => table.advanced.size > 0;

/** Whether a place belongs to the closure. */
export const onClosure = (table: Table, place: Place): boolean => {
  const rank = table.ranks.get(place) ?? 0;
  return rank < 0 || rank >= table.piece.parts.length;
};

/** What closes it is not begun before the work was tried on: its place sets the size. */
export const triedBeforeClosing = (table: Table, place: Place): Need =>
  onClosure(table, place) && begun(table) && !table.fitted
    ? refuse('not-tried', 'The work has not been tried on since its last part was made.')
    : null;

const cordsOf = (table: Table, ends: readonly End[]): Cord[] =>
  ends.flatMap(({ cord }) => table.cords.get(cord)?.cord ?? []);

/**
 * The ends go through the hole: by themselves, pointed, or pulled by a thread where there are several.
 *
 * @param ends all that lie in it then
 * @param fresh those that are led through now; all when left out
 */
export function goesThrough(
  table: Table,
  hole: number,
  ends: readonly End[],
  help: 'thread' | undefined,
  fresh: readonly End[] = ends,
): Need {
  const cords = cordsOf(table, ends);
  const { answer, loose } = passage(hole, cords);
  // What is too thick even when squeezed is told by the plan, which knows what to take instead.
  if (answer === 'no') return null;
  if (help === 'thread') {
    const thread = table.cords.get(THREAD);
    if (!thread?.cut) return refuse('not-ready', 'There is no thread to pull them through by.');
    return null;
  }
  if (answer === 'needle' && ends.length > 1) {
    return refuse(
      'not-through',
      'The cords go through only when squeezed, and nothing pulls them through together.',
    );
  }
  return each(fresh, (end) => {
    const cord = table.cords.get(end.cord)?.cord;
    const { point } = endState(table, end);
    if (!cord) return null;
    if (point === 'needle') {
      const others = ends.filter((own) => endKey(own) !== endKey(end));
      return passage(hole, withFold(cord, cordsOf(table, others))).answer === 'no'
        ? refuse(
            'not-through',
            say`The fold of ${endCalled(table, end)} in the needle’s eye does not go through.`,
          )
        : null;
    }
    return point !== null || (answer === 'goes' && goesBluntly(cord.kind, loose, hole))
      ? null
      : refuse(
          'not-through',
          say`${endCalled(table, end)} has no point and no needle to go through a hole with.`,
        );
  });
}

/** Everything that still dries has to be let lie. */
export function dry(table: Table, action: Action): Need {
  if (table.wet === null) return null;
  const goesOn =
    action.do === 'wait' ||
    action.do === 'press' ||
    (table.wet === 'glue' &&
      (action.do === 'glue' ||
        action.do === 'cap' ||
        // While it is held it can still be turned.
        (action.do === 'test' && action.what === 'faces'))) ||
    (table.wet === 'melt' && action.do === 'singe') ||
    (table.wet === 'dye' && action.do === 'dye') ||
    (table.wet === 'seal' && action.do === 'seal') ||
    (table.wet === 'oil' && action.do === 'oil');
  if (goesOn) return null;
  const what: Readonly<Record<typeof table.wet, Saying>> = {
    glue: 'The glue',
    dye: 'The dye',
    seal: 'The seal',
    oil: 'The oil',
    melt: 'A molten end',
  };
  return action.do === 'singe' && table.wet === 'glue'
    ? refuse('harm', 'A flame beside glue that is still wet sets it on fire.')
    : refuse('wet', say`${what[table.wet]} has not been let lie yet.`);
}
