import type { MakeLogDto } from '@coiled-strand/contract';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface Drafts {
  /** What was filled in and not sent yet, by make. */
  readonly drafts: Readonly<Record<string, MakeLogDto>>;
  readonly keep: (makeId: string, draft: MakeLogDto | null) => void;
}

/** Logs that are half filled in: they outlive a closed tab, and belong to this browser. */
export const useLogDrafts = create<Drafts>()(
  persist(
    (set) => ({
      drafts: {},
      keep: (makeId, draft) =>
        set(({ drafts }) => {
          const others = Object.entries(drafts).filter(([id]) => id !== makeId);
          return { drafts: Object.fromEntries(draft ? [...others, [makeId, draft]] : others) };
        }),
    }),
    { name: 'coiled-strand.log-drafts' },
  ),
);
