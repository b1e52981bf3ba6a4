import { beforeEach, describe, expect, it } from '@jest/globals';
import { IDBFactory } from 'fake-indexeddb';
import { openDB } from 'idb';
import { BroadcastChannel } from 'node:worker_threads';
import {
  allEntries,
  drop,
  entriesOf,
  keep,
  openOutbox,
  replace,
  useOutbox,
  workAs,
} from './outbox';
import { closeOutbox, readAll, writeEntries, type Entry } from './outbox-database';
import { emptyOutbox, reopenOutbox } from './testing';

const values = (id = 'm'): unknown[] => entriesOf('progress', id).map(({ value }) => value);
const stored = async (): Promise<unknown[]> => (await readAll()).map(({ value }) => value);
const until = async (holds: () => boolean): Promise<void> => {
  while (!holds()) await new Promise((resolve) => setTimeout(resolve, 5));
};
/** As another window of this browser does. */
async function elsewhere(entry: Partial<Entry>): Promise<void> {
  const whole = { owner: 'ida here', kind: 'progress', id: 'm', part: 'b', stamp: 1, value: 'b' };
  await writeEntries([{ ...whole, ...entry } as Entry]);
  const other = new BroadcastChannel('coiled-strand');
  const what = { owner: 'ida here', kind: 'progress', id: 'm' };
  other.postMessage({ about: 'outbox', what });
  other.close();
}

beforeEach(async () => {
  await closeOutbox();
  globalThis.indexedDB = new IDBFactory();
  emptyOutbox();
  workAs('ida here');
});

describe('what waits to be sent', () => {
  it('is known at once, on the disk when it is said, and there after a reload', async () => {
    const writing = keep('progress', 'm', 'a', 1);
    expect([values(), useOutbox.getState().writing]).toEqual([[1], 1]);
    await writing;
    expect([await stored(), useOutbox.getState().writing]).toEqual([[1], 0]);
    await reopenOutbox();
    expect(values()).toEqual([1]);
    await drop('progress', 'm', 'a');
    expect([values(), await stored(), localStorage.length]).toEqual([[], [], 0]);
  });

  it('is noted until the store has it, so that a window closed in that moment loses nothing', async () => {
    void keep('progress', 'm', 'a', 1);
    const notes = Object.entries({ ...localStorage });
    expect(notes).toHaveLength(1);
    await closeOutbox();
    globalThis.indexedDB = new IDBFactory();
    emptyOutbox();
    for (const [key, note] of notes) localStorage.setItem(key, note as string);
    await reopenOutbox();
    expect([values(), await stored(), localStorage.length]).toEqual([[1], [1], 0]);
  });

  it('is the last that was kept at a place, in whichever order the store comes to it', async () => {
    await Promise.all([1, 2, 3].map((value) => keep('progress', 'm', 'a', value)));
    expect(await stored()).toEqual([3]);
    const [entry] = await readAll();
    await writeEntries([{ ...entry!, stamp: entry!.stamp - 1, value: 'older' }]);
    expect(await stored()).toEqual([3]);
    // Let go of is what was seen, not what came after it.
    await writeEntries([], [{ ...entry!, stamp: entry!.stamp - 1 }]);
    expect(await stored()).toEqual([3]);
  });

  it('of several windows stands side by side, and one follows the other', async () => {
    await keep('progress', 'm', 'a', 'a');
    await elsewhere({});
    await until(() => values().length === 2);
    expect(values().sort()).toEqual(['a', 'b']);
    await replace('progress', 'm', [['c', 'both']]);
    expect([values(), await stored()]).toEqual([['both'], ['both']]);
  });

  it('belongs to who did it, where they did it: nobody else sees it', async () => {
    await keep('progress', 'm', 'a', 1);
    workAs('otto here');
    expect([values(), allEntries('progress')]).toEqual([[], []]);
    await keep('progress', 'm', 'a', 2);
    await drop('progress', 'm', 'a');
    workAs('ida elsewhere');
    expect(values()).toEqual([]);
    workAs('ida here');
    expect([values(), await stored()]).toEqual([[1], [1]]);
  });

  it('goes on in this window where the browser has no room, and says so', async () => {
    globalThis.indexedDB = {
      open: () => {
        throw new DOMException('full', 'QuotaExceededError');
      },
    } as unknown as IDBFactory;
    await keep('progress', 'm', 'a', 1);
    expect([values(), useOutbox.getState().keeping]).toEqual([[1], false]);
    globalThis.indexedDB = new IDBFactory();
    await keep('progress', 'm', 'a', 2);
    expect([values(), useOutbox.getState().keeping]).toEqual([[2], true]);
  });

  it('of an earlier page is found also where something was done before all of it was read', async () => {
    await keep('progress', 'm', 'a', 'old');
    await keep('progress', 'm', 'b', 'old');
    emptyOutbox();
    const opening = openOutbox();
    void keep('progress', 'm', 'b', 'new');
    await opening;
    expect(values().sort()).toEqual(['new', 'old']);
  });

  it('that version 1.0.0 left is taken up once, by whoever is here', async () => {
    const before = await openDB('coiled-strand', 1, {
      upgrade: (made) =>
        void made.createObjectStore('told', { keyPath: ['makeId', 'device', 'order'] }),
    });
    const report = { makeId: 'm', device: 'd', order: 1, at: { step: 'tie', unit: 4 } };
    await before.put('told', report);
    before.close();
    localStorage.setItem('coiled-strand.draft.p1.w', JSON.stringify({ version: 3 }));
    const kept = { m: { record: { length: 170 }, refused: null } };
    localStorage.setItem('coiled-strand.logs-to-send', JSON.stringify({ state: { kept } }));
    for (let times = 0; times < 2; times++) await openOutbox();
    expect(values()).toEqual([report]);
    expect(entriesOf('draft', 'p1')).toMatchObject([{ part: 'w', value: { version: 3 } }]);
    expect(entriesOf('log', 'm')).toMatchObject([{ value: kept.m }]);
    expect(localStorage.length).toBe(0);
    expect((await indexedDB.databases()).map(({ name }) => name)).toEqual(['coiled-strand-outbox']);
    expect(new Set((await readAll()).map(({ owner }) => owner))).toEqual(new Set(['ida here']));
  });
});
