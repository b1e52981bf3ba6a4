import { fnv1a } from '@coiled-strand/core';
import { nanoid } from 'nanoid';

/** The server tells apart what it was asked within a day; a name is not used for so long, in ms. */
const LASTS = 20 * 3_600_000;

interface Kept {
  readonly key: string;
  readonly at: number;
}

function read(place: string): Kept | null {
  try {
    const kept = JSON.parse(sessionStorage.getItem(place) ?? 'null') as Kept | null;
    return kept && Date.now() - kept.at < LASTS ? kept : null;
  } catch {
    return null;
  }
}

/** A storage that is full or shut only forgets the name at a reload. */
function write(place: string, kept: Kept | null): void {
  try {
    if (kept) sessionStorage.setItem(place, JSON.stringify(kept));
    else sessionStorage.removeItem(place);
  } catch {
    // Said above.
  }
}

const waiting = new Map<string, Kept>();

/** The name of a request, for as long as it has no answer. */
export interface Named {
  readonly key: string;
  /** Whoever asks for the same from now on wants it once more. */
  readonly answered: () => void;
}

/**
 * What is asked for without an answer has the same name when it is asked for again, also after a reload: a double
 * press and one more try after a lost answer are one request, which the server carries out once.
 */
export function nameOf(path: string, text: string): Named {
  const place = `request ${path} ${fnv1a(text)}`;
  const kept = waiting.get(place) ?? read(place) ?? { key: nanoid(), at: Date.now() };
  waiting.set(place, kept);
  write(place, kept);
  return {
    key: kept.key,
    answered: () => {
      if (waiting.get(place) === kept) waiting.delete(place);
      if (read(place)?.key === kept.key) write(place, null);
    },
  };
}
