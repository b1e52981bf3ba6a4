import type { ActionOf } from '../../base/action/action.js';
import { say } from '../../base/measure/saying.js';
import { firstOf, offTheBoard, type Need } from './need.js';
import { done, endCalled, refuse } from './refusal.js';
import { unfinishedEnd } from './finished.js';
import { shareDone } from './share.js';
import { workedUp } from './worked.js';
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
  if (how === 'closed' && !workedUp(table)) {
    return refuse('not-ready', 'It cannot be closed yet: there is work still to be done.');
  }
  table.changed = false;
  table.fitted = true;
  if (how === 'closed') table.triedClosed = true;
  return null;
}

export function test(table: Table, { what }: ActionOf<'test'>): Need {
  if (table.tested.has(what)) return refuse('idle', done);
  const trimmed = [...table.ends.values()].some(({ trimmed: cut, lies }) => cut && lies === 'free');
  const need = firstOf(
    () =>
      trimmed
        ? refuse(
            'out-of-order',
            'It is tried too late: ends are trimmed already, and nothing can be put right.',
          )
        : null,
    () => {
      if (what !== 'slides') return null;
      const loose = [...table.cords.values()].some(({ slack }) => slack);
      if (!table.slides || !table.overlapped || loose) {
        return refuse('not-ready', 'There is nothing that slides yet.');
      }
      return table.stopped
        ? refuse('out-of-order', 'It is tried too late: the ends are stopped already.')
        : null;
    },
  );
  if (need) return need;
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
