import { bundleOf, bundleShape } from '@coiled-strand/rope';
import type { Action, ActionOf, End, Leg } from '../../base/action/action.js';
import { timesOf } from '../../base/action/action.js';
import type { Knot } from '../../base/action/knot.js';
import { endKnotSize } from '../../craft/knot/end-knots.js';
import { doubleHitch, spiralHitch } from '../../craft/knot/hitch.js';

import { loopCord } from '../../craft/knot/loop.js';
import { asOneCord, grip, stopper } from '../../craft/knot/stopper.js';
import { coresOfTails } from '../../craft/closure/tails.js';
import { turksHeadCord } from '../../craft/knot/turks-head.js';
import { TWO_CORD_KNOT } from '../../craft/knot/two-cord.js';
import { coilCord } from '../../craft/knot/wraps.js';
import { effectiveDiameter } from '../../base/material/cord.js';
import { bundleDiameter } from '../../base/material/passage.js';
import { larksHeadCord, turnCord } from '../../craft/closure/side-release-buckle/model.js';
import { dealt } from '../../craft/knot/dealt.js';
import { besideCore, roundBeads } from '../../craft/part/beads/round.js';
import { tiedInOrder, workedOut } from '../../craft/part/floss/model.js';
import { halfKnotCord } from '../../craft/part/square-knot-sinnet/model.js';
import { placedClosure } from '../placed-parts.js';
import { onClosure } from './need.js';
import type { Table } from './table.js';

/** Cord in mm that goes of one leg. */
export interface Taken {
  readonly leg: Leg;
  readonly mm: number;
}

const widthOf = (table: Table, leg: Leg): number => {
  const cord = table.cords.get(leg.cord)?.cord;
  return cord ? effectiveDiameter(cord) : 0;
};
const widths = (table: Table, legs: readonly Leg[]): number[] =>
  legs.map((leg) => widthOf(table, leg));
const bundle = (table: Table, legs: readonly Leg[]): number => bundleDiameter(widths(table, legs));

/** Cord in mm of one end that ties, for one knot; its way along the work is part of it. */
function knotCord(table: Table, knot: Knot, by: readonly End[], end: End, mm: number): number {
  const d = widthOf(table, end);
  switch (knot.form) {
    case 'half-knot': {
      const cores = knot.overEnds ? 'two-by-two' : bundleOf(knot.cores);
      const each = widthOf(table, by[0] ?? end);
      const ratio = knot.coreWidth / each;
      const packed = knot.packed / each;
      return (halfKnotCord(knot.sinnet, cores, ratio, mm / each, knot.cores, packed) * each) / 2;
    }
    case 'stopper':
      return knot.within ? 0 : stopper(knot.stopper, widths(table, by)).uses + mm;
    case 'catch':
      return loopCord(knot.girth, d) + 2 * knot.rise;
    case 'catch-knot':
      return 2 * stopper('overhand', [d, d]).inKnot;
    case 'sliding':
      return grip(knot.stopper, widths(table, by)).inKnot;
    case 'larks-head':
      return larksHeadCord(knot.bar, d) / 2;
    case 'bar-turn':
      return turnCord(knot.bar, d);
    case 'ring-knot': {
      return (
        stopper('overhand', widths(table, by)).inKnot + Math.PI * (bundle(table, by) + knot.bar)
      );
    }
    case 'overhand-on-ring':
      return stopper('overhand', widths(table, by)).inKnot;
    case 'loop': {
      const turned = knot.of === 'turned-end';
      const all = widths(table, turned ? [...by, ...by] : by);
      // A single cord beside folds is caught in their knot and goes no way round.
      const caught = knot.of === 'fold' && end.side === 'start';
      const round = caught ? 0 : loopCord(knot.perimeter, d) * (turned ? 1 : 0.5);
      return knot.loops * round + knot.knots * stopper('overhand', all).inKnot * (turned ? 2 : 1);
    }
    case 'two-cord': {
      const half = Math.ceil(by.length / 2);
      const across = (bundle(table, by.slice(0, half)) + bundle(table, by.slice(half))) / 2;
      return (TWO_CORD_KNOT.bothCords / 2 - TWO_CORD_KNOT.pitch) * across + mm;
    }
    case 'drawn': {
      const cord = dealt(by.length, knot.uses.length);
      const which = cord[by.indexOf(end)];
      const across = widths(
        table,
        by.filter((_, i) => cord[i] === which),
      );
      return (knot.uses[which ?? -1] ?? 0) * asOneCord(across) + mm;
    }
    case 'bulky':
      return Math.max(mm, endKnotSize(knot.knot, knot.ends).inKnot * d);
    case 'hitch':
      return spiralHitch(knot.bundle / d) * d;
    case 'turks-head':
      return turksHeadCord(knot, knot.bundle / d) * d;
    case 'slip':
    case 'band':
      return 0;
    case 'own':
      return knot.takes;
  }
}

/** Perimeter in mm of the bare bundle that a wrap goes round: the cords that lie there, or both tails. */
function hullOf(table: Table, { place, round }: ActionOf<'wind'>): number {
  if (onClosure(table, place)) {
    const { closure } = table.piece;
    const tailForm = 'tailForm' in closure ? closure.tailForm : undefined;
    const { count, d } = coresOfTails(placedClosure(table.piece, table.plan), tailForm);
    return bundleShape(bundleOf(count), d, count).perimeter;
  }
  return bundleShape(bundleOf(round.length), widthOf(table, round[0]!), round.length).perimeter;
}

/** Of a knotted band: each knot takes of the strand that ties and of the one that it is tied over. */
function bandCord(
  table: Table,
  knot: Extract<Knot, { form: 'band' }>,
  by: readonly End[],
  times: number,
): Taken[] {
  const sim = workedOut(knot.rows, knot.lay, by.length, knot.total);
  const d = by.reduce((sum, end) => sum + widthOf(table, end), 0) / by.length;
  const tied = tiedInOrder(sim).slice(knot.after, knot.after + times);
  // Where no knot is in its way a strand runs bare; it is told with the last of them.
  const atLast = knot.after + times >= sim.knots.length;
  const of = by.map((leg) => ({ leg, ties: 0, carried: 0 }));
  for (const { worker, carried } of tied) {
    const [over, under] = [of[worker], of[carried]];
    if (over) over.ties += 1;
    if (under) under.carried += 1;
  }
  return of.map(({ leg, ties, carried }, strand) => {
    const own = widthOf(table, leg);
    const bare = atLast ? (sim.bareIn[strand] ?? 0) * knot.along : 0;
    const hitches = ties * doubleHitch(d / own, knot.tension) * own;
    return { leg, mm: hitches + carried * knot.height + bare };
  });
}

const each = (legs: readonly Leg[] | undefined, mm: number): Taken[] =>
  (legs ?? []).map((leg) => ({ leg, mm }));

function tied(table: Table, action: ActionOf<'tie'>): Taken[] {
  const times = timesOf(action);
  const { knot, by, mm, beside } = action;
  const straight = each(beside, mm * times);
  if (knot.form === 'band') return [...bandCord(table, knot, by, times), ...straight];
  const own = by.map((end) => ({ leg: end, mm: times * knotCord(table, knot, by, end, mm) }));
  return [...own, ...straight];
}

/**
 * What an action takes of every cord, worked out from the knot models and the sizes of the things that
 * are on the table: the hands keep books of their own.
 */
export function takenBy(table: Table, action: Action): Taken[] {
  switch (action.do) {
    case 'lay':
      return each(action.on, action.mm);
    case 'string': {
      const { beads, at, gap } = action.row ?? { beads: [action.bead], at: 0, gap: 0 };
      const row = beads.flatMap((id) => table.beads.get(id)?.bead ?? []);
      const within = [...action.on, ...(action.beside ?? [])];
      const core = within.reduce((sum, leg) => sum + widthOf(table, leg), 0);
      const round = (leg: Leg): number => {
        const d = widthOf(table, leg);
        return roundBeads(row, gap, d, besideCore(core, d)).shares[at] ?? 0;
      };
      return [
        ...(action.loose ? [] : each(action.on, action.mm)),
        ...each(action.beside, action.mm),
        ...(action.around ?? []).map((leg) => ({ leg, mm: round(leg) })),
      ];
    }
    case 'tie':
      return tied(table, action);
    case 'plait': {
      const { mm, aside, pitch } = action;
      return each(action.bundles.flat(), timesOf(action) * mm * Math.hypot(1, aside / pitch));
    }
    case 'petal':
      return [...each(action.legs, action.mm), ...each(action.round, action.roundMm ?? 0)];
    case 'put-on':
      return each(action.on, action.takes ?? action.mm);
    case 'turn-back':
    case 'join':
    case 'crimp':
    case 'cap':
      return each(action.ends, action.mm);
    case 'wind': {
      const d = widthOf(table, { cord: action.cord, half: 0 });
      const { times } = action;
      return [
        { leg: { cord: action.cord, half: 0 }, mm: coilCord(times, hullOf(table, action), d) },
        ...each(action.round, action.mm * times),
      ];
    }
    case 'chain':
      return [{ leg: action.on, mm: timesOf(action) * action.perStitch }];
    default:
      return [];
  }
}
