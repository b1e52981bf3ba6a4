import {
  legOf,
  type Action,
  type ActionOf,
  type End,
  type Leg,
  type Place,
} from '../../base/action/action.js';
import { say } from '../../base/measure/saying.js';
import { each, endState, firstOf, lastOn, type Need } from './need.js';
import { done, endCalled, refuse } from './refusal.js';
import {
  endKey,
  endsOfCord,
  legKey,
  type Item,
  type Loose,
  type LooseEnd,
  type Table,
} from './table.js';

/** Whether nothing stops a bead on any of the cords that go through it. */
function runsOff(table: Table, leg: string, side: End['side'], { bead, rank }: Item): boolean {
  // Where the tails of one cord part, a bead on both goes no further.
  const part = table.parts.find((own) => table.ranks.get(own.id) === rank);
  if (part?.kind.entry.fromMiddle) return false;
  const own = table.strung.filter(
    (strung) =>
      strung.bead === bead && table.ranks.get(strung.place) === rank && strung.legs.includes(leg),
  );
  const legs = (side === 'start' ? own[0] : own.at(-1))?.legs ?? [leg];
  return legs.every((other) => lastOn(table, other, side)?.what === 'bead');
}

function looseAt(table: Table, end: End): Loose[] {
  const leg = legKey(end);
  const last = lastOn(table, leg, end.side);
  const far = end.side === 'end';
  const waits = far && table.waiting.some((own) => own.endsWith(`|${leg}`));
  const chained = far && table.slips.has(leg) && !table.shut.has(`${leg}/end`);
  return [
    ...(waits || (last?.what === 'bead' && runsOff(table, leg, end.side, last))
      ? (['bead'] as const)
      : []),
    ...(last?.what === 'plait' ? (['plait'] as const) : []),
    ...(chained ? (['stitch'] as const) : []),
  ];
}

/** A clip on a stitch is not on the end of the cord. */
const clipKey = (end: End, loose: Loose): string =>
  loose === 'stitch' ? `${endKey(end)}/stitch` : endKey(end);

/** All that comes off as soon as the work is let go of. */
export const looseEnds = (table: Table): LooseEnd[] =>
  [...table.cords.values()]
    .filter(
      ({ id, cut, given, laidIn, joinedIn }) =>
        typeof id === 'number' && cut && !given && (!laidIn || joinedIn),
    )
    .flatMap((cord) => endsOfCord(cord))
    .flatMap((end) => {
      const { lies, trimmed } = endState(table, end);
      if (lies !== 'free' || trimmed) return [];
      return looseAt(table, end)
        .filter((loose) => !table.clipped.has(clipKey(end, loose)))
        .map((loose) => ({ end, loose }));
    });

const WHY: Readonly<Record<Loose, string>> = {
  bead: 'Nothing keeps the beads on at',
  plait: 'Nothing keeps the plait together at',
  stitch: 'Nothing keeps the last stitch from ravelling at',
};

/** Nothing comes off when hands let go: on each open side is a knot, a thing that is too large, or a clip. */
function secured(table: Table): Need {
  const [first] = looseEnds(table);
  return first
    ? refuse('not-fast', say`${WHY[first.loose]} ${endCalled(table, first.end)}.`)
    : null;
}

/** A slip knot begins a chain: it is tied at the other side of the beads that wait on its cord. */
export const isSlip = (action: Action): boolean =>
  action.do === 'tie' && action.knot.form === 'slip';

/** Whether hands let go of the work in an action, so that what is open comes off. */
export const letsGo = (action: Action): boolean =>
  action.do === 'release' ||
  action.do === 'try-on' ||
  action.do === 'overlap' ||
  action.do === 'wait' ||
  isSlip(action);

/** Ends of the cords that a part is worked over. */
const over = (place: Place, ...legs: readonly (readonly Leg[] | undefined)[]): End[] =>
  place.startsWith('closure:')
    ? []
    : legs.flatMap((own = []) => own.map((leg): End => ({ ...legOf(leg), side: 'end' })));

/** The ends that an action works with or over, so that no clip may be on them. */
export function workedWith(action: Action): readonly End[] {
  switch (action.do) {
    case 'tie':
      return isSlip(action)
        ? []
        : [...action.by, ...over(action.place, action.round, action.beside)];
    case 'wind':
      return over(action.place, action.round);
    case 'plait':
      return action.bundles.flat();
    case 'string':
      return [...action.on, ...over(action.place, action.around, action.beside)];
    case 'lay':
    case 'put-on':
      return action.on;
    case 'undo':
      return action.actions.flatMap(workedWith);
    case 'pass':
    case 'trim':
    case 'turn-back':
    case 'join':
      return action.ends;
    default:
      return [];
  }
}

/** The last stitch that an action draws the cord through. */
export const drawnThrough = (action: Action): readonly End[] =>
  action.do === 'chain' ? [action.on] : action.do === 'pass' ? action.ends : [];

/** Hands let go only of what is held. */
export const letGo = (table: Table, action: Action): Need =>
  letsGo(action) ? secured(table) : null;

/** They work with no end or stitch that is in a clip. */
export const outOfClips = (table: Table, action: Action): Need =>
  firstOf(
    () =>
      each(workedWith(action), (end) =>
        table.clipped.has(endKey(end))
          ? refuse('still-held', say`${endCalled(table, end)} is in its clip.`)
          : null,
      ),
    () =>
      each(drawnThrough(action), (end) =>
        table.clipped.has(clipKey(end, 'stitch'))
          ? refuse('still-held', 'The last stitch is in its clip.')
          : null,
      ),
  );

export function clip(table: Table, { ends, on }: ActionOf<'clip'>): Need {
  const loose = new Set(
    looseEnds(table).flatMap((own) => (own.loose === on ? [clipKey(own.end, on)] : [])),
  );
  return each(ends, (end) => {
    const key = clipKey(end, on);
    if (table.clipped.has(key)) return refuse('idle', done);
    if (!loose.has(key)) return refuse('idle', say`Nothing comes off at ${endCalled(table, end)}.`);
    table.clipped.set(key, { end, loose: on });
    return null;
  });
}

export const unclip = (table: Table, { ends, on }: ActionOf<'unclip'>): Need =>
  each(ends, (end) =>
    table.clipped.delete(clipKey(end, on))
      ? null
      : refuse('idle', say`There is no clip at ${endCalled(table, end)}.`),
  );
