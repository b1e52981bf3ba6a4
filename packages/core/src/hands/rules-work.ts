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
} from '../action/action.js';
import type { Knot } from '../action/knot.js';
import { say } from '../measure/saying.js';
import { otherSide } from '../measure/side.js';
import {
  advance,
  advanced,
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
  placeOf,
  putDown,
  reaches,
  ready,
  triedBeforeClosing,
  type Need,
} from './need.js';
import { liesOutside, liesWithin, orderAfterBand, orderAfterPlait } from './order.js';
import { cordCalled, done, refuse } from './refusal.js';
import { spend, take } from './spend.js';
import { endKey, legKey, THREAD, type Item, type Table } from './table.js';

/** How near in mm a bead has to lie to its place; or, where it shares it with cord, in its lengths. */
const NEAR = 1;
const ABOUT = 0.6;

/** As many cords through one hole or in one knot come out in no order. */
const JUMBLED_FROM = 3;

const rankOf = (table: Table, place: Place): number => table.ranks.get(place) ?? 0;

/** The work is another than the one that was tried on. */
export function changes(table: Table, place: Place): void {
  table.changed = true;
  table.triedClosed = false;
  if (!onClosure(table, place)) table.fitted = false;
}

/** Cords that all went together through one thing are in no order any more; a bundle of them stays one. */
function together(table: Table, ends: readonly End[]): void {
  const legs = new Set(ends.map(legKey));
  table.sorted = false;
  if (ends.length >= JUMBLED_FROM && table.order.every((leg) => legs.has(leg))) table.order = [];
}

/** A core that is set between two bars lies there already: nothing has to be done with its end. */
const lies = (table: Table, action: Action, end: End): boolean =>
  action.do === 'lay' && table.spanned.has(legKey(end));

/** Nothing goes on to a cord that both of its ends are held of. */
const notSpanned = (table: Table, ends: readonly End[]): Need =>
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
function work(
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
function notStopped(table: Table, end: End, place: Place): Need {
  if (!onClosure(table, place)) return null;
  const items = table.along.get(legKey(end)) ?? [];
  const near = end.side === 'start' ? items[0] : items.at(-1);
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
  // Over a knot in both of its tails it lies where the knot does.
  const below = on[0] ? table.along.get(legKey(on[0]))?.at(-1) : undefined;
  const overKnot = action.mm === 0 && below?.what === 'knot' && below.rank === rankOf(table, place);
  const at = overKnot ? before / 2 : before + length / 2;
  const within = action.mm > 0 && Math.abs(action.mm - length) < 1e-6 ? NEAR : ABOUT * length;
  return firstOf(
    () => planned(table, action),
    () => notSpanned(table, on),
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

/** Knots that both hands tie, while something else holds the work. */
const NEEDS_HOLD: ReadonlySet<Knot['form']> = new Set([
  'half-knot',
  'hitch',
  'band',
  'two-cord',
  'own',
]);
/** Knots that hold their own ends: what is beyond them may go. Those of a band go on. */
const LETS_GO: ReadonlySet<Knot['form']> = new Set([
  'band',
  'slip',
  'catch',
  'larks-head',
  'bar-turn',
]);

function sides(table: Table, { place, knot, from, times = 1 }: ActionOf<'tie'>): Need {
  if (knot.form !== 'half-knot' || knot.sinnet !== 'flat' || from === undefined) return null;
  const last = table.lastSide.get(place);
  if (last !== undefined && last === from) {
    return refuse('out-of-order', 'Twice from the same side: the band would begin to turn.');
  }
  table.lastSide.set(place, times % 2 === 1 ? from : otherSide(from));
  return null;
}

function coreIsSet(table: Table, { knot, place }: ActionOf<'tie'>): Need {
  return knot.form === 'half-knot' && !onClosure(table, place) && table.core === 'through'
    ? refuse('not-ready', 'The core is not set to its length yet.')
    : null;
}

/** Both sides of the overlap are there for what goes over both tails. */
const laidOver = ({ knot, by }: ActionOf<'tie'>): boolean =>
  (knot.form === 'half-knot' && typeof by[0]?.cord === 'string') || knot.form === 'sliding';

function knotNeeds(table: Table, action: ActionOf<'tie'>): Need {
  const { knot, place, by, help } = action;
  const early = !begun(table);
  if (NEEDS_HOLD.has(knot.form) && !onClosure(table, place)) {
    const loose = held(table);
    if (loose) return loose;
  }
  if (knot.form === 'larks-head') {
    const flat = by.find(({ cord }) => {
      const own = table.cords.get(cord);
      return (
        own?.legs === 1 &&
        table.ends.get(endKey({ cord, half: 0, side: 'start' }))?.lies !== 'joined'
      );
    });
    if (flat)
      return refuse(
        'not-folded',
        say`${cordCalled(table, flat.cord)} has no fold to hitch on with.`,
      );
  }
  if (knot.form === 'loop' && knot.of === 'fold' && early) {
    const loose = held(table);
    if (loose) return loose;
  }
  if (laidOver(action) && !table.overlapped) {
    return refuse('not-ready', 'The tails do not lie over each other yet.');
  }
  if (onClosure(table, place) && !early && knot.form !== 'turks-head') {
    const board = offTheBoard(table);
    if (board) return board;
  }
  if (knot.form === 'band') {
    const order = by.map(legKey);
    const now = table.order.filter((leg) => order.includes(leg));
    if (knot.after === 0 && now.join() !== order.join()) {
      return refuse('out-of-order', 'The strands do not lie in the order of the pattern.');
    }
  }
  if (knot.form === 'catch') {
    const unmarked = by.find(({ cord }) => table.cords.get(cord)?.marks.length === 0);
    if (unmarked) {
      return refuse(
        'not-ready',
        say`The place that goes round it is not marked on ${cordCalled(table, unmarked.cord)}.`,
      );
    }
  }
  if (help) {
    const thread = table.cords.get(THREAD);
    if (!thread?.cut) return refuse('not-ready', 'There is no thread to pull them through by.');
  }
  if (knot.form === 'slip' && table.slips.has(legKey(by[0]!))) return refuse('idle', done);
  if (knot.form === 'stopper') {
    const stopped = each(by, (end) => notStopped(table, end, place));
    if (stopped) return stopped;
  }
  return sides(table, action) ?? coreIsSet(table, action);
}

export function tie(table: Table, action: ActionOf<'tie'>): Need {
  const { knot, by, beside = [], place, to, share = 1, help } = action;
  return firstOf(
    () => knotNeeds(table, action),
    () => work(table, action, by, beside, { what: 'knot' }),
    () => (to === undefined ? null : take(table, to, share)),
    () => {
      const fast = !LETS_GO.has(knot.form) && !(knot.form === 'loop' && knot.of === 'fold');
      for (const end of by) {
        const own = endState(table, end);
        // A single cord that is caught in the knot of folds ends there.
        if (fast || end.side === 'start') {
          own.fast = true;
          own.at = place;
        }
      }
      // Cords that were laid in end in the work that grips them.
      for (const leg of [...by, ...(action.round ?? [])]) {
        const cord = table.cords.get(leg.cord)!;
        if (!cord.laidIn || (knot.form !== 'hitch' && knot.form !== 'band')) continue;
        const own = endState(table, endBeside(table, leg, 'end'));
        own.fast = true;
        own.at = place;
      }
      if (help) table.threadUsed = true;
      if (knot.form === 'band') {
        table.order = orderAfterBand(table.order, by.map(legKey), knot, action.times ?? 1);
      } else if (knot.form !== 'hitch') together(table, by);
      if (knot.form === 'catch') table.held ??= 'clasp';
      if (place === AT_START && to !== undefined && table.held === null && rankFirst(table)) {
        table.held = 'clasp';
      }
      if (knot.form === 'bar-turn') {
        table.core = 'through';
        for (const end of by) table.spanned.add(legKey(end));
      }
      if (knot.form === 'slip') {
        table.slips.add(legKey(by[0]!));
        const begin = table.ends.get(endKey({ ...by[0]!, side: 'start' }));
        if (begin) begin.fast = true;
      }
      if (knot.form === 'turks-head') table.cords.get(by[0]!.cord)!.slack = true;
      if (knot.form === 'sliding' || (onClosure(table, place) && typeof by[0]!.cord === 'string')) {
        table.slides = true;
      }
      if (onClosure(table, place) && knot.form === 'stopper') table.stopped = true;
      return null;
    },
  );
}
const rankFirst = (table: Table): boolean => !begun(table);

export function plait(table: Table, action: ActionOf<'plait'>): Need {
  const ends = action.bundles.flat();
  const inPart = !onClosure(table, action.place);
  return firstOf(
    () => (inPart ? held(table) : null),
    () => {
      if (!inPart) return null;
      const legs = ends.map(legKey);
      const now = table.order.filter((leg) => legs.includes(leg));
      // A plait that goes on is told by what lay where when it began.
      const began = orderAfterPlait(legs, action.bundles, action.form, action.after, action.before);
      return now.join() === began.join()
        ? null
        : refuse('out-of-order', 'The strands do not lie in the order that the plait begins with.');
    },
    () => work(table, action, ends, [], { what: 'length' }),
    () => {
      if (!inPart) return null;
      table.crossed = true;
      table.order = orderAfterPlait(
        ends.map(legKey),
        action.bundles,
        action.form,
        action.after + timesOf(action),
        action.before,
      );
      return null;
    },
  );
}

export function petal(table: Table, action: ActionOf<'petal'>): Need {
  const wanted = new Set(action.legs.map(legKey));
  if (!liesOutside(table.order, wanted)) {
    return refuse('out-of-order', 'The strands that make petals are not the outermost ones.');
  }
  const { round = [], along = 0, place } = action;
  if (round.length > 0 && !liesWithin(table.order, wanted, new Set(round.map(legKey)))) {
    return refuse('out-of-order', 'A petal goes round a strand that does not lie beside it.');
  }
  if (!table.crossed) {
    return refuse('out-of-order', 'No crossing has come since the last petals, or before these.');
  }
  table.crossed = false;
  for (const leg of [...action.legs, ...round]) advance(table, leg, place, along);
  return spend(table, action);
}

export function putOn(table: Table, action: ActionOf<'put-on'>): Need {
  const { finding, on, share = 1, help, place } = action;
  const early = !begun(table);
  return firstOf(
    () => notSpanned(table, on),
    () => {
      const hole = table.plan.parts
        .flatMap(({ layout }) => layout.passages)
        .concat(table.plan.closure.passages)
        .find((own) => own.finding === finding)?.hole;
      return hole === undefined ? null : goesThrough(table, hole, on, help);
    },
    () => work(table, action, on, [], { what: 'finding' }),
    () => take(table, finding, share),
    () => {
      if (help) table.threadUsed = true;
      together(table, on);
      if (place === AT_START && early && table.held === null) table.held = 'clasp';
      // Both tails through one thing, from both sides: it slides on them.
      const starts = on.filter((end) => end.side === 'start').length;
      if (place === AT_END && starts > 0 && starts < on.length) {
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
    () => each(ends, (end) => open(table, end)),
    () => triedBeforeClosing(table, AT_END),
  );
  if (need) return need;
  table.overlapped = true;
  return null;
}

export function turnBack(table: Table, action: ActionOf<'turn-back'>): Need {
  return firstOf(
    () => each(action.ends, (end) => open(table, end)),
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
          putDown(table, end, { what: 'length', mm: mm * times, rank: rankOf(table, place) });
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

export function set(table: Table): Need {
  if (table.core === 'set') return refuse('idle', done);
  if (table.core === 'free')
    return refuse('not-ready', 'The core does not run through the second half yet.');
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

export function close(table: Table, { finding, count }: ActionOf<'close'>): Need {
  const own = table.findings.get(finding);
  if (!own || own.open <= 0) return refuse('idle', 'There is no open ring to close.');
  if (count > own.open) return refuse('not-there', 'There are not so many of them.');
  own.open = 0;
  own.used += count;
  return null;
}
