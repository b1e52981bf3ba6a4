import type { StageSecondsDto } from '@coiled-strand/contract';
import type { HalfWay, StepPlace } from '@coiled-strand/core';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** What one window did at a make, as long as the server does not have it. */
export interface ProgressReport {
  readonly makeId: string;
  /** The window, among all that a make is followed on. */
  readonly device: string;
  /** Its place among what is kept of this make in this browser, from 1. */
  readonly order: number;
  /** How many changes this window has made to this make: the server takes none twice. */
  readonly said: number;
  /** Where the make stands; null where only time or timers are told. */
  readonly at: StepPlace | null;
  /** Where it stood before, as far as this window knew. */
  readonly from: StepPlace | null;
  /** Instead of `at` where an old version kept no more than the number of actions. */
  readonly count?: number;
  /** Waits begun or stopped here, by step. */
  readonly timers: Readonly<Record<string, string | null>>;
  /** What was measured half way here, null where that was taken back; left out where nothing was. */
  readonly measured?: HalfWay | null;
  /** All time that this window has counted. */
  readonly seconds: Readonly<StageSecondsDto>;
}

interface Schema extends DBSchema {
  told: {
    key: [string, string, number];
    value: ProgressReport;
    indexes: { make: string };
  };
}

const DATABASE = 'coiled-strand';
let opened: Promise<IDBPDatabase<Schema>> | null = null;

/** @throws where this browser has no such store, or no room for it */
function database(): Promise<IDBPDatabase<Schema>> {
  opened ??= openDB<Schema>(DATABASE, 1, {
    upgrade: (made) =>
      void made
        .createObjectStore('told', { keyPath: ['makeId', 'device', 'order'] })
        .createIndex('make', 'makeId'),
    // Another window has a newer version: this one lets go, and opens again when it needs to.
    blocking: () => {
      void opened?.then((open) => open.close());
      opened = null;
    },
    terminated: () => {
      opened = null;
    },
  });
  opened.catch(() => {
    opened = null;
  });
  return opened;
}

const inOrder = (told: readonly ProgressReport[]): ProgressReport[] =>
  [...told].sort((a, b) => a.order - b.order);

/** Everything that any window of this browser has not told the server yet, of one make or of all. */
export async function storedReports(makeId?: string): Promise<ProgressReport[]> {
  const store = await database();
  return inOrder(
    makeId === undefined
      ? await store.getAll('told')
      : await store.getAllFromIndex('told', 'make', makeId),
  );
}

/**
 * Keeps it. The store takes a moment, and a window may be closed in that: a note of it is made at once, and taken
 * away when the store has it.
 */
export async function storeReport(told: ProgressReport): Promise<void> {
  const note = JSON.stringify(told);
  write(noteKey(told), note);
  const change = (await database()).transaction('told', 'readwrite');
  const kept = await change.store.get([told.makeId, told.device, told.order]);
  if (!kept || kept.said <= told.said) await change.store.put(told);
  await change.done;
  if (localStorage.getItem(noteKey(told)) === note) localStorage.removeItem(noteKey(told));
}

const NOTE = 'coiled-strand.note.';
const noteKey = ({ makeId, device, order }: ProgressReport): string =>
  `${NOTE}${makeId}.${device}.${order}`;

function write(key: string, note: string): void {
  try {
    localStorage.setItem(key, note);
  } catch {
    // No room for the note: the store alone keeps it.
  }
}

/** Puts what a window that was closed could only note where all is kept. */
export async function takeUpNotes(): Promise<void> {
  for (const key of Object.keys(localStorage)) {
    if (key.startsWith(NOTE))
      await storeReport(JSON.parse(localStorage.getItem(key)!) as ProgressReport);
  }
}

/** Lets go of what the server has, unless more was added to it meanwhile. */
export async function deleteReport({ makeId, device, order, said }: ProgressReport): Promise<void> {
  const change = (await database()).transaction('told', 'readwrite');
  const key: Schema['told']['key'] = [makeId, device, order];
  const kept = await change.store.get(key);
  if (kept && kept.said <= said) await change.store.delete(key);
  await change.done;
}

/** Puts these in place of all that is kept of a make, in one stroke. */
export async function replaceReports(makeId: string, by: readonly ProgressReport[]): Promise<void> {
  const change = (await database()).transaction('told', 'readwrite');
  for (const key of await change.store.index('make').getAllKeys(makeId)) {
    await change.store.delete(key);
  }
  for (const told of by) await change.store.put(told);
  await change.done;
}

/** For tests: a window that is closed keeps nothing open. */
export async function closeKept(): Promise<void> {
  const before = opened;
  opened = null;
  (await before?.catch(() => null))?.close();
}
