import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface Kept<T> {
  readonly kept: Readonly<Record<string, T>>;
  /** null forgets it. */
  readonly keep: (makeId: string, value: T | null) => void;
}

/**
 * One thing for each make that is kept in this browser: it outlives a closed tab, and belongs to the work on this
 * table.
 *
 * @param name under which it lies in the browser
 */
export function storeByMake<T>(name: string) {
  const key = `coiled-strand.${name}`;
  const store = create<Kept<T>>()(
    persist(
      (set) => ({
        kept: {},
        keep: (makeId, value) =>
          set(({ kept }) => {
            const others = Object.entries(kept).filter(([id]) => id !== makeId);
            return { kept: Object.fromEntries(value ? [...others, [makeId, value]] : others) };
          }),
      }),
      {
        name: key,
        version: 1,
        // Older versions left the same under an older number.
        migrate: (old) => old,
      },
    ),
  );
  // What another window of this browser keeps is known here at once, and is not overwritten by what was before.
  window.addEventListener('storage', (event) => {
    if (event.key === key) void store.persist.rehydrate();
  });
  return store;
}
