import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** What something that was done here is: progress of a make, edits of a piece, a log, a form half filled in. */
export type Kind = 'progress' | 'draft' | 'log' | 'form';

/** Something that was done here and that the server does not have yet. */
export interface Entry<T = unknown> {
  /** Who did it, and in which workshop; empty where nobody could say so yet. */
  readonly owner: string;
  readonly kind: Kind;
  /** What it is about: a make, a piece, a form. */
  readonly id: string;
  /** Which of several about one thing, as of several windows. */
  readonly part: string;
  /** Of two at one place the one with the higher stamp is the later. */
  readonly stamp: number;
  readonly value: T;
}

/** Where an entry lies. */
export type Place = Pick<Entry, 'owner' | 'kind' | 'id' | 'part'>;
type Key = [string, Kind, string, string];

interface Schema extends DBSchema {
  entries: { key: Key; value: Entry };
}

const NAME = 'coiled-strand-outbox';
let opened: Promise<IDBPDatabase<Schema>> | null = null;

/** @throws where this browser has no such store, or no room for it */
function database(): Promise<IDBPDatabase<Schema>> {
  opened ??= openDB<Schema>(NAME, 1, {
    upgrade: (made) =>
      void made.createObjectStore('entries', { keyPath: ['owner', 'kind', 'id', 'part'] }),
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

const keyOf = ({ owner, kind, id, part }: Place): Key => [owner, kind, id, part];
/** All keys about one thing: lists come after words in the order of keys. */
const about = ({ owner, kind, id }: Omit<Place, 'part'>): IDBKeyRange =>
  IDBKeyRange.bound([owner, kind, id], [owner, kind, id, []]);

/** @throws where there is no such store */
export const readAll = async (): Promise<Entry[]> => (await database()).getAll('entries');

/** @throws where there is no such store */
export const readThing = async (thing: Omit<Place, 'part'>): Promise<Entry[]> =>
  (await database()).getAll('entries', about(thing));

/**
 * One change of what is kept: all of it, or nothing. When this is done it is on the disk, also for a browser that is
 * killed in the next moment.
 *
 * @param put unless something later lies there already
 * @param drop unless something later was put there meanwhile
 * @throws where there is no room
 */
export async function writeEntries(
  put: readonly Entry[],
  drop: readonly Entry[] = [],
): Promise<void> {
  const change = (await database()).transaction('entries', 'readwrite', { durability: 'strict' });
  const stampAt = async (place: Place): Promise<number> =>
    (await change.store.get(keyOf(place)))?.stamp ?? -Infinity;
  for (const entry of drop) {
    if ((await stampAt(entry)) <= entry.stamp) await change.store.delete(keyOf(entry));
  }
  for (const entry of put) {
    if ((await stampAt(entry)) <= entry.stamp) await change.store.put(entry);
  }
  await change.done;
}

/** For tests: a window that is closed keeps nothing open. */
export async function closeOutbox(): Promise<void> {
  const before = opened;
  opened = null;
  (await before?.catch(() => null))?.close();
}
