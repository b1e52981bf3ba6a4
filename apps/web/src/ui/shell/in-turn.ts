/** Several things done one after the other, each in a task of its own. */
export interface Turns<T> {
  /** Begins with a value. One that still waits gives way to it; one that was begun is done first. */
  readonly take: (value: T) => void;
  /** Does at once what is left to do. */
  readonly finish: () => void;
}

/**
 * Spreads what has to be done for a value over several tasks, so that a page is never held for the sum of
 * them: pointers move, and what was drawn is painted, in between. Values that come faster than they are
 * worked through are left out, all but the last.
 *
 * @param steps what is done in order; each is given what the step before came to
 */
export function inTurn<T, A, B>(
  ...steps: readonly [(value: T) => A, (value: A) => B, (value: B) => void]
): Turns<T> {
  const run = steps as readonly ((value: unknown) => unknown)[];
  let waiting: { readonly value: T } | null = null;
  let begun: { readonly value: unknown; readonly step: number } | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;

  const step = (): void => {
    const from = begun ?? (waiting && { value: waiting.value as unknown, step: 0 });
    if (!from) return;
    if (!begun) waiting = null;
    const next = from.step + 1;
    // Taken off first: whatever fails is not tried again.
    begun = null;
    const value = run[from.step]!(from.value);
    if (next < run.length) begun = { value, step: next };
  };
  const go = (): void => {
    timer = undefined;
    step();
    later();
  };
  const later = (): void => {
    if (timer === undefined && (begun || waiting)) timer = setTimeout(go);
  };
  const stop = (): void => {
    clearTimeout(timer);
    timer = undefined;
  };
  return {
    take(value) {
      waiting = { value };
      later();
    },
    finish() {
      stop();
      // What was begun gives way as well: nobody would see it.
      if (waiting) begun = null;
      while (begun || waiting) step();
    },
  };
}
