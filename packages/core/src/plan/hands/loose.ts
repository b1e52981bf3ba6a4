import type { ActionOf, End } from '../../base/action/action.js';
import { say } from '../../base/measure/saying.js';
import { each, endState, type Need } from './need.js';
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

/** The last thing on a cord, seen from one of its ends, that is no straight cord. */
function lastOn(table: Table, leg: string, side: End['side']): Item | undefined {
  const items = (table.along.get(leg) ?? []).filter(({ what }) => what !== 'length');
  return side === 'start' ? items[0] : items.at(-1);
}

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
export function secured(table: Table): Need {
  const [first] = looseEnds(table);
  return first
    ? refuse('not-fast', say`${WHY[first.loose]} ${endCalled(table, first.end)}.`)
    : null;
}

/** An end that is to be worked with is in no clip. */
export const unclipped = (table: Table, end: End): Need =>
  table.clipped.has(endKey(end))
    ? refuse('still-held', say`${endCalled(table, end)} is in its clip.`)
    : null;

/** A stitch that the next is drawn through is in no clip. */
export const stitchFree = (table: Table, end: End): Need =>
  table.clipped.has(clipKey(end, 'stitch'))
    ? refuse('still-held', 'The last stitch is in its clip.')
    : null;

export const clip = (table: Table, { ends, on }: ActionOf<'clip'>): Need =>
  each(ends, (end) => {
    const key = clipKey(end, on);
    if (table.clipped.has(key)) return refuse('idle', done);
    const needed = looseEnds(table).some(
      (own) => own.loose === on && endKey(own.end) === endKey(end),
    );
    if (!needed) return refuse('idle', say`Nothing comes off at ${endCalled(table, end)}.`);
    table.clipped.set(key, { end, loose: on });
    return null;
  });

export const unclip = (table: Table, { ends, on }: ActionOf<'unclip'>): Need =>
  each(ends, (end) =>
    table.clipped.delete(clipKey(end, on))
      ? null
      : refuse('idle', say`There is no clip at ${endCalled(table, end)}.`),
  );
