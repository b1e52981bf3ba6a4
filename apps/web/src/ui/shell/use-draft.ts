import { sameDocument } from '@coiled-strand/core';
import { useState } from 'react';
import type { Seen } from '../../data/api/changes';
import { merge } from '../../data/api/merge';

/** What is typed over something stored, which others may change meanwhile. */
export interface Draft<T extends object> {
  readonly value: T;
  readonly set: (change: Partial<T>) => void;
  /** Whether it says anything else than what is stored. */
  readonly changed: boolean;
  /** What it was made on: a change of it is sent with that. */
  readonly seen: Seen<T>;
  /** Parts that others changed in another way than was typed, as they have them. */
  readonly theirs: Partial<T>;
  /** Parts that others changed and nobody typed in: they are as others have them. */
  readonly news: readonly (keyof T)[];
  readonly take: (part: keyof T) => void;
  readonly keep: (part: keyof T) => void;
  /** The news was read. */
  readonly read: () => void;
  /** As it is stored. */
  readonly revert: () => void;
}

interface State<T extends object> {
  readonly seen: Seen<T>;
  readonly value: T;
  readonly theirs: Partial<T>;
  readonly news: readonly (keyof T)[];
}

const without = <T extends object>(all: Partial<T>, part: keyof T): Partial<T> => {
  const { [part]: _, ...rest } = all;
  return rest as Partial<T>;
};

/** What was typed over what is stored now: untouched parts follow it, the others stay and are told. */
export function rebased<T extends object>(
  { seen, value, theirs, news }: State<T>,
  stored: Seen<T>,
): State<T> {
  const [base, now] = [seen.value, stored.value];
  const next = { ...value };
  let differ = theirs;
  const fresh = new Set(news);
  for (const part of new Set([...Object.keys(now), ...Object.keys(value)]) as Set<
    Extract<keyof T, string>
  >) {
    if (sameDocument(base[part], now[part])) continue;
    differ = without(differ, part);
    if (sameDocument(value[part], now[part])) continue;
    // In an object of its own, since a part alone may be nothing at all.
    const both = merge({ part: base[part] }, { part: value[part] }, { part: now[part] });
    if (both === null) differ = { ...differ, [part]: now[part] };
    else {
      next[part] = both.part;
      fresh.add(part);
    }
  }
  return { seen: stored, value: next, theirs: differ, news: [...fresh] };
}

/**
 * Keeps what is typed, whatever others do meanwhile.
 *
 * @param stored as it is known now
 */
export function useDraft<T extends object>(stored: Seen<T>): Draft<T> {
  const [kept, setKept] = useState<State<T>>({
    seen: stored,
    value: stored.value,
    theirs: {},
    news: [],
  });
  let state = kept;
  if (stored.etag !== kept.seen.etag) {
    const touched = !sameDocument(kept.value, kept.seen.value);
    const next = rebased(kept, stored);
    // Whoever typed nothing sees what is there, and needs no word about it.
    state = touched ? next : { ...next, news: [] };
    setKept(state);
  }
  const { seen, value, theirs, news } = state;
  return {
    value,
    seen,
    theirs,
    news,
    changed: !sameDocument(value, seen.value),
    set: (change) => setKept((now) => ({ ...now, value: { ...now.value, ...change } })),
    take: (part) =>
      setKept((now) => ({
        ...now,
        value: { ...now.value, [part]: now.theirs[part] },
        theirs: without(now.theirs, part),
      })),
    keep: (part) => setKept((now) => ({ ...now, theirs: without(now.theirs, part) })),
    read: () => setKept((now) => ({ ...now, news: [] })),
    revert: () => setKept((now) => ({ ...now, value: now.seen.value, theirs: {}, news: [] })),
  };
}
