import type { ActionOf, Drying, End } from '../../base/action/action.js';
import { closureKind } from '../../craft/closure/registry.js';
import { CORD_KIND_FACTS, type CordKind } from '../../base/material/cord.js';
import { glueFor } from '../../base/material/ends.js';
import { WAITS } from '../../base/kind/waits.js';
import { laid, say } from '../../base/measure/saying.js';
import { socketOf } from './asked.js';
import {
  each,
  endState,
  firstOf,
  freeOfWax,
  isBare,
  offTheBoard,
  outermost,
  ready,
  type Need,
} from './need.js';
import { leatherOf, toAll } from './lies-there.js';
import { done, endCalled, ONLY_CLIPPED, refuse } from './refusal.js';
import { endKey, endsOfCord, legKey, THREAD, type Table } from './table.js';
import { spend, take } from './spend.js';
import { NEAR } from './worked.js';

const kindOf = (table: Table, end: End): CordKind | null =>
  table.cords.get(end.cord)?.cord?.kind ?? null;

/** An end that goes into a socket is cut on plain cord, as far beyond the work as the socket is deep. */
function cutBeyond(socket: number, leaves: number): Need {
  if (leaves < socket - NEAR) {
    return refuse('harm', 'The cut would go through the work: it lies on plain cord, beyond it.');
  }
  return leaves > socket + NEAR
    ? refuse('differs', say`The end goes ${laid(socket)} in: it does not reach the bottom so.`)
    : null;
}

/**
 * Whether a knot stands between an end and all that could slip off it; in a piece that is worn open a cord
 * with nothing on it holds nothing either.
 */
function stopped(table: Table, end: End): boolean {
  const items = (table.along.get(legKey(end)) ?? []).filter((item) => !isBare(item));
  const near = end.side === 'start' ? items[0] : items.at(-1);
  if (near) return near.what === 'knot';
  return closureKind(table.piece.closure.type).open !== undefined;
}

/** A tail that is laid or plaited and has no knot after it comes undone; so does a chain that is not shut. */
function comesUndone(table: Table, end: End): Need {
  const leg = legKey(end);
  const last = outermost(table, end);
  const rank = end.side === 'start' ? -1 : table.piece.parts.length;
  if (last && isBare(last) && last.rank === rank) {
    return refuse('not-fast', say`No knot ends ${endCalled(table, end)} yet.`);
  }
  const chained = table.slips.has(leg) ? end.side === 'end' : table.cords.get(end.cord)!.given;
  return chained && !table.shut.has(`${leg}/${end.side}`)
    ? refuse('not-fast', 'The chain is not fastened off: it would ravel.')
    : null;
}

const tried = (table: Table): Need =>
  table.triedClosed
    ? null
    : refuse('not-tried', 'It has not been tried on since it was last changed.');

export function trim(table: Table, { ends, leaves = 0 }: ActionOf<'trim'>): Need {
  return each(ends, (end) => {
    const missing = ready(table, end);
    if (missing) return missing;
    const own = table.ends.get(endKey(end));
    if (!own) return refuse('not-there', 'There is no such end.');
    if (own.trimmed) return refuse('idle', say`${endCalled(table, end)} is trimmed already.`);
    const socket = own.lies === 'free' ? socketOf(table, end) : 0;
    const covered = own.lies === 'turned-back' || socket > 0;
    if (own.lies !== 'free' && own.lies !== 'turned-back') {
      return refuse('closed-end', say`${endCalled(table, end)} is not there to be trimmed.`);
    }
    const beyond = cutBeyond(socket, leaves);
    if (beyond) return beyond;
    if (socket > 0 && !table.fitted) {
      return refuse('not-tried', 'It has not been tried on: the ends are not cut to length yet.');
    }
    if (!covered) {
      if (!own.fast && !stopped(table, end)) {
        return refuse(
          'not-fast',
          say`Nothing holds ${endCalled(table, end)} yet: cut, it would slip out.`,
        );
      }
      const early = tried(table);
      if (early) return early;
    }
    const undone = comesUndone(table, end);
    if (undone) return undone;
    if (table.clipped.has(endKey(end))) return refuse('not-fast', ONLY_CLIPPED);
    own.trimmed = true;
    own.point = null;
    return null;
  });
}

/** An end is secured after the cut, or, where it is led under knots, before it. */
function treat(table: Table, end: End, how: 'singe' | 'glue' | 'tuck'): Need {
  const own = table.ends.get(endKey(end));
  if (!own) return refuse('not-there', 'There is no such end.');
  if (own.lies !== 'free') {
    return refuse(
      'closed-end',
      say`${endCalled(table, end)} is covered; nothing is to be done to it.`,
    );
  }
  if (own.treated) return refuse('idle', done);
  if (!own.fast && !stopped(table, end)) {
    return refuse('not-fast', say`Nothing holds ${endCalled(table, end)} yet.`);
  }
  const untried = tried(table);
  if (untried) return untried;
  if (how === 'tuck' ? own.trimmed : !own.trimmed) {
    return refuse(
      'out-of-order',
      how === 'tuck'
        ? say`${endCalled(table, end)} is too short to be led under the knots: it is trimmed.`
        : say`${endCalled(table, end)} is not trimmed yet.`,
    );
  }
  own.treated = how;
  return null;
}

export function singe(table: Table, { ends }: ActionOf<'singe'>): Need {
  const burns = each(ends, (end) => {
    const kind = kindOf(table, end);
    if (kind !== null && CORD_KIND_FACTS[kind].ends !== 'melts') {
      return refuse('harm', say`A flame burns ${endCalled(table, end)}; it does not melt.`);
    }
    return besideDelicate(table, end)
      ? refuse('harm', say`A flame at ${endCalled(table, end)} would harm the bead beside it.`)
      : null;
  });
  if (burns) return burns;
  const need = each(ends, (end) => treat(table, end, 'singe'));
  if (need) return need;
  wets(table, ends, 'melt');
  return null;
}

/** How far in mm from a flame a bead is safe that heat harms. Common practice, no source. */
const FLAME_REACHES = 30;

/** Whether what lies next to an end is harmed by heat: counted from its last knot, where it is cut. */
export function besideDelicate(table: Table, end: End): boolean {
  const items = table.along.get(legKey(end)) ?? [];
  const inwards = end.side === 'start' ? items : [...items].reverse();
  let away = 0;
  for (const item of inwards.slice(inwards.findIndex((own) => !isBare(own)))) {
    const { bead, mm } = item;
    if (bead !== undefined && table.beads.get(bead)?.bead.delicate) return true;
    if (isBare(item)) away += mm;
    if (away > FLAME_REACHES) return false;
  }
  return false;
}

function wets(table: Table, ends: readonly End[], what: Drying): void {
  table.wet = what;
  for (const end of ends) table.wetEnds.add(endKey(end));
}

/** Wax comes off where glue is to hold. */
export const wipe = (table: Table, { ends }: ActionOf<'wipe'>): Need =>
  each(ends, (end) => {
    const missing = ready(table, end);
    if (missing) return missing;
    const own = endState(table, end);
    const kind = kindOf(table, end);
    if (kind === null || !CORD_KIND_FACTS[kind].waxed) {
      return refuse('idle', say`There is no wax on ${endCalled(table, end)}.`);
    }
    if (own.wiped) return refuse('idle', done);
    if (own.lies !== 'free') return refuse('closed-end', say`${endCalled(table, end)} is covered.`);
    own.wiped = true;
    return null;
  });

export function glue(table: Table, { ends, with: by }: ActionOf<'glue'>): Need {
  const need = each(ends, (end) => {
    const kind = kindOf(table, end);
    if (kind !== null && glueFor(kind) !== by) {
      return refuse('harm', say`This glue does not hold ${endCalled(table, end)}.`);
    }
    return treat(table, end, 'glue') ?? freeOfWax(table, end);
  });
  if (need) return need;
  wets(table, ends, 'glue');
  return null;
}

export const tuck = (table: Table, { ends }: ActionOf<'tuck'>): Need =>
  each(ends, (end) => treat(table, end, 'tuck'));

export function press(table: Table, { ends }: ActionOf<'press'>): Need {
  return each(ends, (end) => {
    const own = table.ends.get(endKey(end));
    if (!own || !table.wetEnds.has(endKey(end))) {
      return refuse('idle', 'There is nothing soft to press.');
    }
    if (own.pressed) return refuse('idle', done);
    own.pressed = true;
    return null;
  });
}

export function dye(table: Table, { ends }: ActionOf<'dye'>): Need {
  const need = each(ends, (end) => {
    const own = table.ends.get(endKey(end));
    const kind = kindOf(table, end);
    if (!own || kind === null || CORD_KIND_FACTS[kind].ends !== 'leather') {
      return refuse('not-planned', say`${endCalled(table, end)} has no cut face to dye.`);
    }
    if (own.lies !== 'free') return refuse('closed-end', say`${endCalled(table, end)} is covered.`);
    if (!own.trimmed)
      return refuse('out-of-order', say`${endCalled(table, end)} is not trimmed yet.`);
    if (own.dyed) return refuse('idle', done);
    if (own.treated === 'glue' || own.sealed) {
      return refuse('harm', 'Dye does not take over glue or a seal.');
    }
    if (table.oiled) return refuse('harm', 'Dye does not take on oiled leather.');
    own.dyed = true;
    return null;
  });
  if (need) return need;
  wets(table, ends, 'dye');
  return null;
}

export function seal(table: Table, { ends }: ActionOf<'seal'>): Need {
  const need = each(ends, (end) => {
    const own = table.ends.get(endKey(end));
    if (!own?.dyed) return refuse('out-of-order', say`${endCalled(table, end)} is not dyed yet.`);
    if (own.sealed) return refuse('idle', done);
    if (!own.treated) return refuse('out-of-order', 'Glue does not hold over a seal.');
    own.sealed = true;
    return null;
  });
  if (need) return need;
  wets(table, ends, 'seal');
  return null;
}

export function oil(table: Table, { legs }: ActionOf<'oil'>): Need {
  if (table.oiled) return refuse('idle', done);
  const all = toAll(legs, leatherOf(table));
  if (all) return all;
  const need = each(legs, (leg) => {
    const cord = table.cords.get(leg.cord);
    if (cord?.cord?.kind !== 'leather') return refuse('not-planned', 'Only leather is oiled.');
    return each(endsOfCord(cord), (end) => {
      const own = endState(table, end);
      return own.lies === 'free' && !own.treated
        ? refuse('harm', 'Glue does not hold on oiled leather: oil it last.')
        : null;
    });
  });
  if (need) return need;
  table.oiled = true;
  table.wet = 'oil';
  return null;
}

export function wait(table: Table, { for: what, minutes }: ActionOf<'wait'>): Need {
  if (table.wet !== what) return refuse('idle', 'There is nothing to wait for.');
  if (minutes < WAITS[what].minutes) {
    return refuse('wet', 'It has not lain for as long as that takes.');
  }
  const soft = what === 'melt' || what === 'glue';
  for (const key of table.wetEnds) {
    const end = table.ends.get(key)!;
    if (soft && !end.pressed) {
      return refuse('not-ready', 'An end was not pressed while it was soft.');
    }
    // What is soft again later is pressed again.
    end.pressed = false;
  }
  table.wet = null;
  table.wetEnds.clear();
  return null;
}

/** An end is covered for good: pushed into a crimp or a glued cap. */
export function cover(table: Table, action: ActionOf<'crimp' | 'cap'>): Need {
  const { ends, finding, share = 1 } = action;
  return firstOf(
    () => offTheBoard(table),
    () =>
      table.fitted
        ? null
        : refuse(
            'not-tried',
            'It has not been tried on: the length is fixed once the ends are set.',
          ),
    () =>
      each(ends, (end) => {
        const missing = ready(table, end);
        if (missing) return missing;
        const own = table.ends.get(endKey(end));
        if (own?.lies !== 'free')
          return refuse('closed-end', say`${endCalled(table, end)} is not free any more.`);
        if (!own.trimmed)
          return refuse('out-of-order', say`${endCalled(table, end)} is not cut to length yet.`);
        return action.do === 'cap' ? freeOfWax(table, end) : null;
      }),
    () => spend(table, action),
    () => take(table, finding, share),
    () => {
      for (const end of ends) endState(table, end).lies = 'in-socket';
      if (action.do === 'cap') wets(table, ends, 'glue');
      table.changed = true;
      table.triedClosed = false;
      return null;
    },
  );
}

/** The thread that pulls others through is taken out again. */
export const isTool = (id: number | string): boolean => id === THREAD;
