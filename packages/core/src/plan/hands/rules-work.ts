import {
  AT_END,
  AT_START,
  closureAt,
  sameLeg,
  timesOf,
  type Action,
  type ActionOf,
  type End,
  type Leg,
  type Place,
} from '../../base/action/action.js';
import { passage } from '../../base/material/passage.js';
import { laid, say } from '../../base/measure/saying.js';
import { cordsOf } from '../../craft/part/ends.js';
import {
  advance,
  begun,
  each,
  endBeside,
  endState,
  firstOf,
  goesThrough,
  held,
  offTheBoard,
  onClosure,
  open,
  outermost,
  placeOf,
  putDown,
  reaches,
  ready,
  triedBeforeClosing,
  type Need,
} from './need.js';
import { cordCalled, done, refuse } from './refusal.js';
import { spend, take } from './spend.js';
import { tailsOf, toAll } from './lies-there.js';
import { endKey, endsOfCord, legKey, type Item, type Table } from './table.js';

/** As many cords through one hole or in one knot come out in no order. */
const JUMBLED_FROM = 3;

export const rankOf = (table: Table, place: Place): number => table.ranks.get(place) ?? 0;

/** The work is another than the one that was tried on. */
export function changes(table: Table, place: Place): void {
  table.changed = true;
  table.triedClosed = false;
  if (!onClosure(table, place)) table.fitted = false;
}

/** Cords that all went together through one thing are in no order any more; a bundle of them stays one. */
export function together(table: Table, ends: readonly End[]): void {
  const legs = new Set(ends.map(legKey));
  table.sorted = false;
  if (ends.length >= JUMBLED_FROM && table.order.every((leg) => legs.has(leg))) table.order = [];
}

/** A core that is set between two bars lies there already: nothing has to be done with its end. */
const lies = (table: Table, action: Action, end: End): boolean =>
  action.do === 'lay' && table.spanned.has(legKey(end));

/** Nothing goes on to a cord that both of its ends are held of. */
export const notSpanned = (table: Table, ends: readonly End[]): Need =>
  each(ends, (end) =>
    table.spanned.has(legKey(end))
      ? refuse(
          'closed-end',
          say`${cordCalled(table, end.cord)} runs from bar to bar: nothing goes on to it any more.`,
        )
      : null,
  );

const grips = (action: Action, leg: Leg): boolean =>
  action.do === 'tie' && (action.round ?? []).some((own) => sameLeg(own, leg));

/** Everything that a length of work has alike: it is reached, paid for, and lies where it belongs. */
export function work(
  table: Table,
  action: ActionOf<'lay' | 'string' | 'tie' | 'plait' | 'put-on'>,
  ends: readonly End[],
  beside: readonly Leg[],
  item: Omit<Item, 'rank' | 'mm'>,
): Need {
  const { place, mm } = action;
  const side = ends[0]?.side ?? 'end';
  const others = beside.map((leg) => endBeside(table, leg, side));
  return firstOf(
    () => each(ends, (end) => (lies(table, action, end) ? null : open(table, end))),
    () => each(others, (end) => ready(table, end)),
    () => triedBeforeClosing(table, place),
    () => each([...ends, ...others], (end) => reaches(table, end, placeOf(end, place))),
    () => spend(table, action),
    () => {
      const rank = rankOf(table, place);
      const times = timesOf(action);
      for (const end of ends) {
        putDown(table, end, { ...item, mm: mm * times, rank: rankOf(table, placeOf(end, place)) });
        advance(table, end, place, mm * times);
      }
      for (const end of others) {
        // What is tied round a cord grips it: nothing slides past.
        putDown(table, end, {
          what: grips(action, end) ? 'knot' : 'length',
          mm: mm * times,
          rank,
        });
        advance(table, end, place, mm * times);
      }
      changes(table, place);
      return null;
    },
  );
}

/** Nothing of the closure comes beyond a knot that ends a cord there. */
export function notStopped(table: Table, end: End, place: Place): Need {
  if (!onClosure(table, place)) return null;
  const near = outermost(table, end);
  const rank = rankOf(table, placeOf(end, place));
  return near?.what === 'knot' && near.rank === rank
    ? refuse('closed-end', say`A knot ends ${cordCalled(table, end.cord)} there already.`)
    : null;
}

export const lay = (table: Table, action: ActionOf<'lay'>): Need =>
  firstOf(
    () => each(action.on, (end) => notStopped(table, end, action.place)),
    () => work(table, action, action.on, [], { what: 'length' }),
    () => {
      // Nothing slips out of an end that hangs free.
      for (const end of action.hangs ? action.on : []) {
        const hanging = table.ends.get(endKey({ ...end, side: action.hangs! }));
        if (hanging) hanging.fast = true;
      }
      return null;
    },
  );

export function putOn(table: Table, action: ActionOf<'put-on'>): Need {
  const { finding, on, share = 1, help, place } = action;
  const early = !begun(table);
  // What takes a share of one thing goes through it beside what is in it already.
  const within = share < 1 ? [...(table.within.get(finding) ?? []), ...on] : on;
  return firstOf(
    () => notSpanned(table, on),
    () =>
      new Set(on.map(({ side }) => side)).size > 1
        ? refuse('not-through', 'They come from opposite sides: each is drawn through by itself.')
        : null,
    () =>
      new Set(within.map(endKey)).size < within.length
        ? refuse('idle', 'This end lies in it already.')
        : null,
    () => {
      const planned = table.plan.parts
        .flatMap(({ layout }) => layout.passages)
        .concat(table.plan.closure.passages)
        .find((own) => own.finding === finding);
      // What is too thick for it in the end is told by the plan.
      return planned && passage(planned.hole, cordsOf(planned.runs)).answer !== 'no'
        ? goesThrough(table, planned.hole, within, help, on)
        : null;
    },
    () => work(table, action, on, [], { what: 'finding' }),
    () => take(table, finding, share),
    () => {
      if (help) table.threadUsed = true;
      together(table, on);
      if (place === AT_START && early && table.held === null) table.held = 'clasp';
      // Both tails through one thing, from both sides: it slides on them.
      if (share < 1) table.within.set(finding, within);
      const starts = within.filter((end) => end.side === 'start').length;
      if (place === AT_END && starts > 0 && starts < within.length) {
        table.slides = true;
        table.overlapped = true;
      }
      return null;
    },
  );
}

export function pass(table: Table, { ends, through }: ActionOf<'pass'>): Need {
  return firstOf(
    () => each(ends, (end) => open(table, end)),
    () => (through === 'knot' ? toAll(ends, tailsOf(table), endKey) : null),
    () => {
      const [end] = ends as [End];
      if (through === 'stitch') {
        if (table.shut.has(`${legKey(end)}/${end.side}`)) return refuse('idle', done);
        for (const own of ends) {
          table.shut.add(`${legKey(own)}/${own.side}`);
          endState(table, own).fast = true;
          endState(table, own).at = closureAt(own.side);
        }
        return null;
      }
      if (table.overlapped) return refuse('idle', done);
      const board = offTheBoard(table);
      if (board) return board;
      const untried = triedBeforeClosing(table, AT_END);
      if (untried) return untried;
      if (!table.slides) return refuse('not-ready', 'What they go through is not there yet.');
      table.overlapped = true;
      return null;
    },
  );
}

export function overlap(table: Table, { ends }: ActionOf<'overlap'>): Need {
  if (table.overlapped) return refuse('idle', done);
  const need = firstOf(
    offTheBoard(table),
    () => (begun(table) ? null : refuse('not-ready', 'There is nothing to close yet.')),
    () => each(ends, (end) => open(table, end)),
    () => toAll(ends, tailsOf(table), endKey),
    () => triedBeforeClosing(table, AT_END),
  );
  if (need) return need;
  table.overlapped = true;
  return null;
}

export function turnBack(table: Table, action: ActionOf<'turn-back'>): Need {
  return firstOf(
    () => each(action.ends, (end) => open(table, end)),
    () => toAll(action.along, action.ends),
    () => spend(table, action),
    () => {
      for (const end of action.ends) endState(table, end).lies = 'turned-back';
      return null;
    },
  );
}

export function wind(table: Table, action: ActionOf<'wind'>): Need {
  const { cord, place, round, mm, times } = action;
  const own: End[] = [
    { cord, half: 0, side: 'start' },
    { cord, half: 0, side: 'end' },
  ];
  const ends = round.map((leg) => endBeside(table, leg, 'end'));
  const inPart = !onClosure(table, place);
  return firstOf(
    () => each(own, (end) => open(table, end)),
    () =>
      inPart
        ? held(table)
        : table.overlapped
          ? null
          : refuse('not-ready', 'The tails do not lie over each other yet.'),
    () => triedBeforeClosing(table, place),
    () =>
      each(ends, (end) =>
        firstOf(ready(table, end), () => (inPart ? reaches(table, end, place) : null)),
      ),
    () => spend(table, action),
    () => {
      table.cords.get(cord)!.slack = true;
      if (inPart) {
        for (const end of ends) {
          putDown(table, end, { what: 'knot', mm: mm * times, rank: rankOf(table, place) });
          advance(table, end, place, mm * times);
        }
      } else table.slides = true;
      changes(table, place);
      return null;
    },
  );
}

export function drawUp(table: Table, { cord: id }: ActionOf<'draw-up'>): Need {
  const cord = table.cords.get(id);
  if (!cord?.slack) return refuse('idle', 'There is no slack to take up.');
  if (table.slides && !table.overlapped) {
    return refuse('not-ready', 'The tails do not lie in it yet.');
  }
  cord.slack = false;
  for (const side of ['start', 'end'] as const) {
    const end = endState(table, { cord: id, half: 0, side });
    end.fast = true;
    end.at = AT_END;
  }
  return null;
}

export function chain(table: Table, action: ActionOf<'chain'>): Need {
  const { on, place, mm } = action;
  const times = timesOf(action);
  return firstOf(
    () => open(table, on),
    () =>
      table.slips.has(legKey(on))
        ? null
        : refuse('not-ready', 'There is no slip knot to draw the first stitch through.'),
    () => reaches(table, on, place),
    () => spend(table, action),
    () => {
      putDown(table, on, { what: 'knot', mm: mm * times, rank: rankOf(table, place) });
      advance(table, on, place, mm * times);
      changes(table, place);
      return null;
    },
  );
}

export function set(table: Table, { legs, mm }: ActionOf<'set'>): Need {
  if (table.core === 'set') return refuse('idle', done);
  if (table.core === 'free')
    return refuse('not-ready', 'The core does not run through the second half yet.');
  const other = toAll(
    legs,
    [...table.cords.values()].flatMap(endsOfCord).filter((end) => table.spanned.has(legKey(end))),
  );
  if (other) return other;
  const { length } = table.plan.fit;
  if (Math.abs(mm - length) > 0.5) {
    return refuse('differs', say`From bar to bar it is planned ${laid(length)}.`);
  }
  table.core = 'set';
  return null;
}

export function openRing(table: Table, { finding }: ActionOf<'open'>): Need {
  const own = table.findings.get(finding);
  if (!own)
    return refuse('not-planned', say`“${finding}” is not among the things that were made ready.`);
  if (own.open > 0) return refuse('idle', done);
  own.open = own.count - own.used;
  if (own.open <= 0) return refuse('not-there', say`All of ${own.called} are used.`);
  return null;
}

export function hang(table: Table, { finding, in: ring, share = 1 }: ActionOf<'hang'>): Need {
  const own = table.findings.get(ring);
  if (!own || own.open <= 0) return refuse('not-ready', 'The ring that it hangs in is not open.');
  if (begun(table) && !table.fitted) {
    return refuse('not-tried', 'The work has not been tried on since its last part was made.');
  }
  table.changed = true;
  table.triedClosed = false;
  return take(table, finding, share);
}

export function close(table: Table, { finding, count, split }: ActionOf<'close'>): Need {
  const own = table.findings.get(finding);
  if (!own || own.open <= 0) return refuse('idle', 'There is no open ring to close.');
  if (count > own.open) return refuse('not-there', 'There are not so many of them.');
  if (split !== 'skin') {
    return refuse('harm', 'Its split would catch in sleeves: turn it to the side of the skin.');
  }
  own.open = 0;
  own.used += count;
  return null;
}
