import { AT_START, timesOf, type ActionOf, type End } from '../../base/action/action.js';
import { holdsItsEnds, takesBothHands } from '../../base/action/knot.js';
import { say } from '../../base/measure/saying.js';
import { otherSide } from '../../base/measure/side.js';
import {
  advance,
  begun,
  begunFrom,
  each,
  endBeside,
  endState,
  firstOf,
  held,
  offTheBoard,
  onClosure,
  outermost,
  type Need,
} from './need.js';
import { runsAt, slackCore, toAll } from './lies-there.js';
import { heldSomewhere } from './one-thing.js';
import { liesOutside, liesWithin, orderAfterBand, orderAfterPlait } from './order.js';
import { cordCalled, done, refuse } from './refusal.js';
import { spend, take } from './spend.js';
import { endKey, legKey, THREAD, type Table } from './table.js';
import { notStopped, together, work } from './rules-work.js';

function sides(table: Table, { place, knot, from, times = 1 }: ActionOf<'tie'>): Need {
  if (knot.form !== 'half-knot') return null;
  // A spiral is begun anew each time; the sides of a flat band go by turns.
  const last = knot.sinnet === 'flat' ? table.lastSide.get(place) : undefined;
  if (from === undefined || last === undefined) {
    const other = begunFrom(table, from);
    if (other || from === undefined) return other;
  }
  if (last === from) {
    return refuse('out-of-order', 'Twice from the same side: the band would begin to turn.');
  }
  table.lastSide.set(place, times % 2 === 1 ? from : otherSide(from));
  return null;
}

function coreIsTaut(table: Table, action: ActionOf<'tie'>): Need {
  const [slack] = slackCore(table, action);
  return slack
    ? refuse(
        'not-held',
        say`${cordCalled(table, slack.cord)} is the core, and nothing holds its far end.`,
      )
    : null;
}

function coreIsSet(table: Table, { knot, place }: ActionOf<'tie'>): Need {
  return knot.form === 'half-knot' && !onClosure(table, place) && table.core === 'through'
    ? refuse('not-ready', 'The core is not set to its length yet.')
    : null;
}

/** Both sides of the overlap are there for what goes over both tails. */
const laidOver = ({ knot, by }: ActionOf<'tie'>): boolean =>
  (knot.form === 'half-knot' && typeof by[0]?.cord === 'string') || knot.form === 'sliding';

/** Whether the last thing on a cord is one that hangs on it. */
function threaded(table: Table, end: End): boolean {
  return outermost(table, end)?.what === 'finding';
}

function knotNeeds(table: Table, action: ActionOf<'tie'>): Need {
  const { knot, place, by, help } = action;
  const early = !begun(table);
  if (takesBothHands(knot) && !onClosure(table, place)) {
    const loose = held(table);
    if (loose) return loose;
    const free = by.find(({ cord }) => !heldSomewhere(table, cord));
    if (free) {
      return refuse('not-held', say`${cordCalled(table, free.cord)} is fastened to nothing yet.`);
    }
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
  if (knot.form === 'bar-turn' && table.held !== 'clasp') {
    return refuse('not-held', 'Its start is not on the buckle yet.');
  }
  if (knot.form === 'loop' && knot.of === 'fold' && early) {
    const loose = held(table);
    if (loose) return loose;
  }
  if (laidOver(action) && !table.overlapped) {
    return refuse('not-ready', 'The tails do not lie over each other yet.');
  }
  const hung = action.to !== undefined || by.some((end) => threaded(table, end));
  if (knot.form === 'overhand-on-ring' && !hung) {
    return refuse('not-ready', 'Nothing hangs on the cord that it could be tied round.');
  }
  if (onClosure(table, place) && !early && knot.form !== 'turks-head') {
    const board = offTheBoard(table);
    if (board) return board;
  }
  if (knot.form === 'band') {
    const all = toAll(
      by,
      runsAt(table, place).map(({ strand, half }): End => ({ cord: strand, half, side: 'end' })),
      legKey,
    );
    if (all) return all;
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
  if (knot.form === 'slip') {
    const leg = legKey(by[0]!);
    if (table.slips.has(leg)) return refuse('idle', done);
    if (table.along.get(leg)?.some(({ rank }) => rank < 0)) {
      return refuse(
        'out-of-order',
        'Its start is tied already: bare cord would hang between that and the first stitch.',
      );
    }
  }
  if (knot.form === 'stopper') {
    const stopped = each(by, (end) => notStopped(table, end, place));
    if (stopped) return stopped;
  }
  return coreIsTaut(table, action) ?? sides(table, action) ?? coreIsSet(table, action);
}

export function tie(table: Table, action: ActionOf<'tie'>): Need {
  const { knot, by, beside = [], place, to, share = 1, help } = action;
  return firstOf(
    () => knotNeeds(table, action),
    () => work(table, action, by, beside, { what: 'knot' }),
    () => (to === undefined ? null : take(table, to, share)),
    () => {
      const fast = holdsItsEnds(knot);
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
      if (knot.form === 'catch') {
        table.held ??= 'clasp';
        if (knot.glued) table.wet = 'glue';
      }
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
      if (knot.form === 'loop') table.looped = true;
      if (knot.form === 'turks-head') table.cords.get(by[0]!.cord)!.slack = true;
      if (knot.form === 'sliding') for (const { side } of by) table.slidesAt.add(side);
      // Two knots that slide on each other's cords are one closure.
      if (table.slidesAt.size > 1 || (onClosure(table, place) && typeof by[0]!.cord === 'string')) {
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
    () =>
      action.after === (table.crossings.get(action.place) ?? 0)
        ? null
        : refuse('out-of-order', 'So many crossings have not been made there.'),
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
    () => work(table, action, ends, [], { what: 'plait' }),
    () => {
      table.crossings.set(action.place, action.after + timesOf(action));
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
