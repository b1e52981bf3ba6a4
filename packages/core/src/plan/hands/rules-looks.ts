import type { ActionOf, Trial } from '../../base/action/action.js';
import { say } from '../../base/measure/saying.js';
import { offTheBoard, type Need } from './need.js';
import { done, endCalled, refuse } from './refusal.js';
import { unfinishedEnd } from './finished.js';
import { hangsTogether } from './one-thing.js';
import { shareDone } from './share.js';
import { NEAR, workedUp } from './worked.js';
import type { Table } from './table.js';

export function tryOn(table: Table, { how }: ActionOf<'try-on'>): Need {
  if (!table.changed) return refuse('idle', 'Nothing has changed since it was last tried on.');
  const board = offTheBoard(table);
  if (board) return board;
  if (how === 'laid') {
    const share = shareDone(table);
    if (table.core === 'set' && share > 0) {
      return refuse('out-of-order', 'The core is set and tied over: its length cannot change now.');
    }
    table.laidRound = share;
    table.changed = false;
    return null;
  }
  // Laid round in the midst of the work it is held by its begin; closed, all of it hangs on itself.
  const apart = hangsTogether(table);
  if (apart) return apart;
  if (how === 'closed' && !workedUp(table)) {
    return refuse('not-ready', 'It cannot be closed yet: there is work still to be done.');
  }
  if (how === 'closed' && [...table.findings.values()].some(({ open }) => open > 0)) {
    return refuse('not-ready', 'It cannot be closed yet: a ring is still open.');
  }
  table.changed = false;
  table.fitted = true;
  if (how === 'closed') table.triedClosed = true;
  return null;
}

/** Whether all that the closure is made of is on the piece. */
const allOn = ({ findings }: Table): boolean =>
  [...findings.values()].every(({ used, count }) => used > count - NEAR);

/** Whether two cords were joined end to end. */
export const joined = ({ ends }: Table): boolean =>
  [...ends.values()].some(({ lies }) => lies === 'joined');

/** What has to be there before something is tried: whether it is, and what is said when it is not. */
const TRIED_ON: Readonly<Record<Trial, readonly [(table: Table) => boolean, string]>> = {
  passes: [({ looped }) => looped, 'There is no loop yet for it to pass.'],
  faces: [
    ({ core, ends }) =>
      core !== 'free' || [...ends.values()].some(({ lies }) => lies === 'in-socket'),
    'Nothing is on yet that could face the wrong way.',
  ],
  turns: [allOn, 'The clasp is not all there yet.'],
  'gives-way': [allOn, 'The clasp is not all there yet.'],
  holds: [joined, 'Nothing is joined yet.'],
  slides: [
    ({ slides, overlapped, cords }) =>
      slides && overlapped && ![...cords.values()].some(({ slack }) => slack),
    'There is nothing that slides yet.',
  ],
};

export function test(table: Table, { what }: ActionOf<'test'>): Need {
  if (table.tested.has(what)) return refuse('idle', done);
  const trimmed = [...table.ends.values()].some(({ trimmed: cut, lies }) => cut && lies === 'free');
  if (trimmed) {
    return refuse(
      'out-of-order',
      'It is tried too late: ends are trimmed already, and nothing can be put right.',
    );
  }
  if (table.checked.size > 0) {
    return refuse('out-of-order', 'It is tried too late: it is looked over already.');
  }
  const [there, missing] = TRIED_ON[what];
  if (!there(table)) return refuse('not-ready', missing);
  if (what === 'slides' && table.stopped) {
    return refuse('out-of-order', 'It is tried too late: the ends are stopped already.');
  }
  table.tested.add(what);
  return null;
}

export function check(table: Table, { what }: ActionOf<'check'>): Need {
  if (table.checked.has(what)) return refuse('idle', done);
  const end = unfinishedEnd(table);
  if (end) return refuse('unfinished', say`${endCalled(table, end)} is not finished yet.`);
  table.checked.add(what);
  return null;
}
