/** A document with its past and future, for undo and redo. Plain data, no clock. */
export interface History<T> {
  readonly now: T;
  readonly past: readonly T[];
  readonly future: readonly T[];
  /** Edits with the same key in a row (one drag) count as one. */
  readonly mergeKey: string | null;
}

const KEPT = 200;

export const begin = <T>(now: T): History<T> => ({ now, past: [], future: [], mergeKey: null });

/** A new state after an edit; the same object means that nothing changed. */
export function edit<T>(history: History<T>, next: T, mergeKey: string | null = null): History<T> {
  if (Object.is(next, history.now)) return history;
  const merges = mergeKey !== null && mergeKey === history.mergeKey;
  return {
    now: next,
    past: merges ? history.past : [...history.past, history.now].slice(-KEPT),
    future: [],
    mergeKey,
  };
}

export function undo<T>(history: History<T>): History<T> {
  const last = history.past.at(-1);
  if (last === undefined) return history;
  return {
    now: last,
    past: history.past.slice(0, -1),
    future: [history.now, ...history.future],
    mergeKey: null,
  };
}

export function redo<T>(history: History<T>): History<T> {
  const [next, ...rest] = history.future;
  if (next === undefined) return history;
  return { now: next, past: [...history.past, history.now], future: rest, mergeKey: null };
}
