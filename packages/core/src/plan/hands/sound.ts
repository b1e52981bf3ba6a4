import type { Action, ActionOf, End, Leg, Verb } from '../../base/action/action.js';
import { say } from '../../base/measure/saying.js';
import { each, firstOf, type Need } from './need.js';
import { cordCalled, endCalled, refuse } from './refusal.js';
import { isTool } from './rules-ends.js';
import { endKey, legKey, type Table } from './table.js';

const isLeg = (value: object): value is Leg => 'cord' in value && 'half' in value;
const isEnd = (leg: Leg): leg is End => 'side' in leg;

/** What an action is told of: the halves and ends of cords, and every number that is no name of one. */
interface Told {
  readonly legs: Leg[];
  readonly numbers: number[];
}

/** Gathers what an action, or a part of one, is told of. */
function gather(value: unknown, told: Told): Told {
  if (typeof value === 'number') told.numbers.push(value);
  else if (typeof value === 'object' && value !== null) {
    if (isLeg(value)) told.legs.push(value);
    else {
      for (const [key, own] of Object.entries(value)) if (key !== 'cord') gather(own, told);
    }
  }
  return told;
}

/** The cords and ends that an action names are on the table, and none ties, holds or goes through twice. */
function named(table: Table, action: Action, legs: readonly Leg[]): Need {
  const own: readonly Leg[] =
    'by' in action && typeof action.by === 'object'
      ? action.by
      : 'ends' in action
        ? action.ends
        : 'on' in action && Array.isArray(action.on)
          ? action.on
          : [];
  const keys = own.map((leg) => (isEnd(leg) ? endKey(leg) : legKey(leg)));
  return firstOf(
    () =>
      each(legs, (leg) =>
        table.along.has(legKey(leg))
          ? null
          : refuse('not-there', say`${cordCalled(table, leg.cord)} has no such half.`),
      ),
    () =>
      each(legs.filter(isEnd), (end) =>
        table.ends.has(endKey(end))
          ? null
          : refuse('not-there', say`There is no ${endCalled(table, end)}: it is a fold.`),
      ),
    () =>
      each(legs, ({ cord }) =>
        isTool(cord) ? refuse('not-planned', 'The thread only pulls others through.') : null,
      ),
    () => (new Set(keys).size < keys.length ? refuse('differs', 'A cord is named twice.') : null),
  );
}

/** A field of an action by its name: what is told is plain data, and may come from a file. */
const fieldOf = (action: Action, key: string): unknown =>
  (action as unknown as Readonly<Record<string, unknown>>)[key];

/** What each action cannot be told without. */
const NEEDED: { readonly [V in Verb]: readonly (keyof ActionOf<V>)[] } = {
  'pull-out': ['cord'],
  measure: ['cord', 'mm'],
  cut: ['cord'],
  sear: ['cord'],
  have: ['cord', 'place', 'beads'],
  mark: ['cord', 'mm'],
  fold: ['cord'],
  join: ['ends', 'by', 'mm'],
  stiffen: ['ends', 'how'],
  order: ['legs', 'from'],
  label: ['cord'],
  anchor: ['legs'],
  release: [],
  tension: ['legs'],
  clip: ['ends', 'on'],
  unclip: ['ends', 'on'],
  'lay-in': ['cord', 'place'],
  lay: ['place', 'mm', 'on'],
  string: ['place', 'mm', 'bead', 'on'],
  slide: ['bead', 'on', 'place'],
  tie: ['place', 'mm', 'knot', 'by'],
  plait: ['place', 'mm', 'bundles', 'form', 'aside', 'pitch', 'after', 'before'],
  petal: ['place', 'legs', 'mm'],
  'put-on': ['place', 'mm', 'finding', 'on'],
  pass: ['ends', 'through'],
  'turn-back': ['ends', 'along', 'mm'],
  wind: ['place', 'mm', 'cord', 'round', 'times'],
  chain: ['place', 'mm', 'on', 'perStitch'],
  'draw-up': ['cord'],
  set: ['legs', 'mm'],
  overlap: ['ends'],
  undo: ['actions'],
  open: ['finding'],
  hang: ['finding', 'in'],
  close: ['finding', 'count', 'split'],
  crimp: ['ends', 'finding', 'mm'],
  cap: ['ends', 'finding', 'mm'],
  wipe: ['ends'],
  glue: ['ends', 'with'],
  singe: ['ends'],
  press: ['ends'],
  tuck: ['ends'],
  dye: ['ends'],
  seal: ['ends'],
  trim: ['ends'],
  oil: ['legs'],
  wait: ['for', 'minutes'],
  'try-on': ['how'],
  test: ['what'],
  check: ['what'],
};

/** Lists that nothing can be done with when they are empty. */
const LISTS = ['by', 'ends', 'legs', 'bundles', 'round'] as const;

/** Whether something that has to be done to something names nothing. */
const empty = (action: Action): boolean =>
  LISTS.some((key) => {
    const list = fieldOf(action, key);
    return Array.isArray(list) && list.every((own) => Array.isArray(own) && own.length === 0);
  });

/** An action is one at all: it names what is on the table, and its numbers are lengths and counts. */
export function sound(table: Table, action: Action): Need {
  const { legs, numbers } = gather(action, { legs: [], numbers: [] });
  return firstOf(
    () =>
      each(NEEDED[action.do] as readonly string[], (key) =>
        fieldOf(action, key) === undefined
          ? refuse('differs', `“${key}” is missing in what is told.`)
          : null,
      ),
    () => (empty(action) ? refuse('differs', 'It is not told what it is done to.') : null),
    () =>
      numbers.every((number) => Number.isFinite(number) && number >= 0)
        ? null
        : refuse('differs', 'A length or a count is not a number of 0 or more.'),
    () =>
      'times' in action && !(Number.isInteger(action.times) && action.times! >= 1)
        ? refuse('differs', 'It is done a whole number of times, once at least.')
        : null,
    () => named(table, action, legs),
    () =>
      'place' in action && !table.ranks.has(action.place)
        ? refuse('not-planned', `There is no place “${action.place}”.`)
        : null,
  );
}
