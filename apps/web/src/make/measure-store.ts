import type { HalfWay } from '@coiled-strand/core';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface Measures {
  /** What was measured last in each make. */
  readonly taken: Readonly<Record<string, HalfWay>>;
  readonly take: (makeId: string, half: HalfWay | null) => void;
}

/** What was measured half way, by make; it belongs to the work on this table. */
export const useMeasures = create<Measures>()(
  persist(
    (set) => ({
      taken: {},
      take: (makeId, half) =>
        set(({ taken }) => {
          const others = Object.entries(taken).filter(([id]) => id !== makeId);
          return { taken: Object.fromEntries(half ? [...others, [makeId, half]] : others) };
        }),
    }),
    { name: 'coiled-strand.measures' },
  ),
);
