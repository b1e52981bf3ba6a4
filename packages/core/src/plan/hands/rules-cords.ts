import type { ActionOf, PointWay } from '../../base/action/action.js';
import { CORD_KIND_FACTS, type CordKind } from '../../base/material/cord.js';
import { laid, say } from '../../base/measure/saying.js';
import type { Side } from '../../base/measure/side.js';
import { tiedSpan } from '../../piece/runs.js';
import { lookalikes } from '../alike.js';
import { catchMark } from '../catch-mark.js';
import { coreAt, laidFirst, toAll } from './lies-there.js';
import {
  advanced,
  begunFrom,
  each,
  endState,
  firstOf,
  freeOfWax,
  held,
  open,
  prepared,
  ready,
  type Need,
} from './need.js';
import { done, endCalled, refuse } from './refusal.js';
import { spend } from './spend.js';
import { endKey, endsOfCord, legKey, type CordState, type Table } from './table.js';

const NEAR = 0.5;
const near = (a: number, b: number): boolean => Math.abs(a - b) < NEAR;

const cordOf = (table: Table, id: CordState['id']): CordState | undefined => table.cords.get(id);
const unknown = () => refuse('not-there', 'There is no such cord.');

/** What gives is pulled out before it is measured. */
export function pullOut(table: Table, { cord: id }: ActionOf<'pull-out'>): Need {
  const cord = cordOf(table, id);
  if (!cord) return unknown();
  if (!cord.gives) return refuse('idle', say`${cord.called} does not give.`);
  cord.gives = false;
  return null;
}

export function measure(table: Table, { cord: id, mm }: ActionOf<'measure'>): Need {
  const cord = cordOf(table, id);
  if (!cord) return unknown();
  if (cord.cut || cord.measured) return refuse('idle', done);
  if (cord.gives) return refuse('not-ready', say`${cord.called} gives: it is not pulled out yet.`);
  if (!near(cord.length, mm)) {
    return refuse('differs', say`${cord.called} is planned ${laid(cord.length)} long.`);
  }
  cord.measured = true;
  return null;
}

export function cut(table: Table, { cord: id }: ActionOf<'cut'>): Need {
  const cord = cordOf(table, id);
  if (!cord) return unknown();
  if (cord.cut) return refuse('idle', say`${cord.called} is cut already.`);
  if (!cord.measured) return refuse('not-ready', say`${cord.called} is not measured yet.`);
  if (cord.given && cord.marks.length === 0) {
    return refuse(
      'not-ready',
      'The middle of the loop is not marked, which its cut lies opposite to.',
    );
  }
  cord.cut = true;
  return null;
}

/** What frays is singed as soon as it is cut. */
export function sear(table: Table, { cord: id }: ActionOf<'sear'>): Need {
  const own = cordOf(table, id);
  if (!own) return unknown();
  if (!own.cut) return refuse('not-ready', say`${own.called} is not cut yet.`);
  if (own.cord && CORD_KIND_FACTS[own.cord.kind].ends !== 'melts') {
    return refuse('harm', say`A flame burns ${own.called}; it does not melt.`);
  }
  if (!own.frays) return refuse('idle', done);
  own.frays = false;
  return null;
}

export function have(table: Table, { cord: id, beads, place }: ActionOf<'have'>): Need {
  const cord = cordOf(table, id);
  if (!cord?.given) return unknown();
  if (cord.measured) return refuse('idle', done);
  cord.measured = true;
  const leg = legKey({ cord: id, half: 0 });
  for (const bead of beads) {
    const stock = table.beads.get(bead);
    if (!stock || stock.left === 0)
      return refuse('not-planned', 'The loop has beads that were not planned.');
    stock.left--;
    table.strung.push({ bead, place, legs: [leg], at: 0, within: Infinity });
  }
  return null;
}

export function mark(table: Table, { cord: id, mm }: ActionOf<'mark'>): Need {
  const cord = cordOf(table, id);
  if (!cord) return unknown();
  if (!cord.measured) return refuse('not-ready', say`${cord.called} is not measured yet.`);
  if (cord.marks.some((own) => near(own, mm))) return refuse('idle', done);
  const wanted =
    cord.fold ?? (cord.given ? cord.length / 2 : catchMark(table.piece, table.plan, id));
  if (wanted === null) return refuse('not-planned', say`${cord.called} needs no mark.`);
  if (!near(wanted, mm)) {
    return refuse('differs', say`${cord.called} is marked at ${laid(wanted)}.`);
  }
  cord.marks.push(mm);
  return null;
}

export function fold(table: Table, { cord: id }: ActionOf<'fold'>): Need {
  const cord = cordOf(table, id);
  if (!cord) return unknown();
  if (cord.folded) return refuse('idle', done);
  if (!cord.cut) return refuse('not-ready', say`${cord.called} is not cut yet.`);
  if (cord.fold === null) return refuse('not-planned', say`${cord.called} is used single.`);
  const at = cord.fold;
  if (!cord.marks.some((own) => near(own, at))) {
    return refuse('not-ready', say`${cord.called} is not marked where it is folded.`);
  }
  cord.folded = true;
  return null;
}

export function join(table: Table, action: ActionOf<'join'>): Need {
  const { ends, by } = action;
  if (ends.length !== 2) return refuse('not-planned', 'Two ends are joined.');
  const missing = each(ends, (end) => open(table, end));
  if (missing) return missing;
  const cords = ends.map(({ cord }) => table.cords.get(cord)!);
  if (
    by === 'flame' &&
    cords.some(({ cord }) => cord && CORD_KIND_FACTS[cord.kind].ends !== 'melts')
  ) {
    return refuse('harm', 'A flame burns this cord; it does not melt.');
  }
  const waxed = by === 'glue' ? each(ends, (end) => freeOfWax(table, end)) : null;
  if (waxed) return waxed;
  const short = spend(table, action);
  if (short) return short;
  for (const end of ends) {
    endState(table, end).lies = 'joined';
    endState(table, end).pressed = true;
    table.wetEnds.add(endKey(end));
  }
  table.wet = by === 'flame' ? 'melt' : 'glue';
  return null;
}

/** A cord that a needle would be threaded with may be twisted to a point with wax as well. */
const pointsBy = (kind: CordKind, how: PointWay): boolean => {
  const { point } = CORD_KIND_FACTS[kind];
  return point === how || (point === 'needle' && how === 'wax');
};

export function stiffen(table: Table, { ends, how }: ActionOf<'stiffen'>): Need {
  return each(ends, (end) => {
    const missing = prepared(table, end);
    if (missing) return missing;
    const owner = table.cords.get(end.cord)!;
    const { cord } = owner;
    if (cord && !pointsBy(cord.kind, how)) {
      return refuse('differs', say`${endCalled(table, end)} gets its point in another way.`);
    }
    const own = table.ends.get(endKey(end));
    if (!own) return unknown();
    if (own.point !== null) return refuse('idle', done);
    if (own.trimmed || own.lies !== 'free')
      return refuse('closed-end', 'This end is not free any more.');
    own.point = how;
    // A cord with a point is worked as it is.
    owner.frays = false;
    return null;
  });
}

/** A band is told from the left, whichever hand ties it; all else from the side that these hands begin on. */
function orderedFrom(table: Table, from: Side | undefined): Need {
  const next = table.parts.find(
    ({ id, kind, site }) =>
      kind.entry.lateral &&
      site.runs.every((run) => advanced(table, { cord: run.strand, half: run.half }, id) === 0),
  );
  return next?.kind.order
    ? from === 'left'
      ? null
      : refuse('differs', 'The pattern is told from the left.')
    : begunFrom(table, from);
}

export function order(table: Table, { legs, from }: ActionOf<'order'>): Need {
  const missing = each(legs, (leg) => ready(table, leg));
  if (missing) return missing;
  const wanted = legs.map(legKey);
  if (new Set(wanted).size !== wanted.length) return refuse('differs', 'A cord is named twice.');
  if (table.sorted && wanted.join() === table.order.join()) return refuse('idle', done);
  const side = orderedFrom(table, from);
  if (side) return side;
  table.order = wanted;
  table.sorted = true;
  return null;
}

export function anchor(table: Table, { legs }: ActionOf<'anchor'>): Need {
  return firstOf(
    () => (table.held === 'board' ? refuse('idle', done) : null),
    () =>
      table.held === 'clasp'
        ? refuse('idle', 'Its clasp holds the work already; there is nothing to fix to the board.')
        : null,
    () => each(legs, (leg) => ready(table, leg)),
    () => toAll(legs, laidFirst(table)),
    () => {
      table.held = 'board';
      return null;
    },
  );
}

export function release(table: Table): Need {
  if (table.held !== 'board') return refuse('idle', 'The work is not on the board.');
  table.held = null;
  return null;
}

/** The far ends of a core are clipped down, while its near ones are held. */
export function tension(table: Table, { legs }: ActionOf<'tension'>): Need {
  return firstOf(
    () => held(table),
    () => each(legs, (leg) => ready(table, leg)),
    () => (legs.every((leg) => table.taut.has(legKey(leg))) ? refuse('idle', done) : null),
    () => {
      const cores = table.parts
        .filter(({ site }) => site.runs.some(({ role }) => role === 'working'))
        .map(({ id }) => toAll(legs, coreAt(table, id)));
      return cores.includes(null) ? null : (cores[0] ?? refuse('idle', done));
    },
    () => {
      for (const leg of legs) table.taut.add(legKey(leg));
      return null;
    },
  );
}

export function label(table: Table, { cord: id }: ActionOf<'label'>): Need {
  const cord = cordOf(table, id);
  if (!cord) return unknown();
  if (cord.labelled) return refuse('idle', done);
  if (!cord.cut) return refuse('not-ready', say`${cord.called} is not cut yet.`);
  if (typeof id !== 'number' || !lookalikes(table.plan).has(id)) {
    return refuse('idle', say`${cord.called} cannot be taken for another.`);
  }
  cord.labelled = true;
  return null;
}

export function layIn(table: Table, { cord: id, place }: ActionOf<'lay-in'>): Need {
  const cord = cordOf(table, id);
  if (!cord?.laidIn) return unknown();
  if (cord.joinedIn) return refuse('idle', done);
  const missing = firstOf(ready(table, { cord: id, half: 0 }), () =>
    place === table.piece.parts[tiedSpan(table.piece.parts)?.[0] ?? 0]?.id
      ? null
      : refuse('out-of-order', 'It is laid in where the first part is tied.'),
  );
  if (missing) return missing;
  cord.joinedIn = true;
  // A single cord begins under its own first knots.
  for (const end of endsOfCord(cord)) {
    if (end.side === 'start') endState(table, end).lies = 'buried';
  }
  return null;
}
