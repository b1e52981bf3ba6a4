import type { Entry, Place } from './outbox-database';

const NOTE = 'coiled-strand.note.';
const keyOf = ({ owner, kind, id, part }: Place): string =>
  NOTE + JSON.stringify([owner, kind, id, part]);

/** The store takes a moment, and a window may be closed in that: a note is made at once, until the store has it. */
export function note(entry: Entry): void {
  try {
    localStorage.setItem(keyOf(entry), JSON.stringify(entry));
  } catch {
    // No room for the note: the store alone keeps it.
  }
}

/** Takes the note away, unless a later one stands there. */
export function strike(entry: Entry): void {
  const there = read(keyOf(entry));
  if (there && there.stamp <= entry.stamp) localStorage.removeItem(keyOf(entry));
}

function read(key: string): Entry | null {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null') as Entry | null;
  } catch {
    return null;
  }
}

/** What windows that were closed could only note. */
export const notes = (): Entry[] =>
  Object.keys(localStorage).flatMap((key) => {
    const entry = key.startsWith(NOTE) ? read(key) : null;
    return entry ? [entry] : [];
  });
