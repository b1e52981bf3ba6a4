import {
  CLOSURE_KINDS,
  END_SCHOOLS,
  END_TREATMENTS,
  PART_KINDS,
  type PartEntry,
} from '@coiled-strand/core';

type Group = PartEntry['group'] | 'closure' | 'finish';

/** A page of the knot book. */
export interface Entry {
  readonly id: string;
  readonly group: Group;
  readonly label: string;
  readonly blurb: string;
  readonly goodFor: string;
}

export const GROUPS: readonly { readonly id: Group; readonly label: string }[] = [
  { id: 'knots', label: 'Knots' },
  { id: 'cord', label: 'Cord and plaits' },
  { id: 'beads', label: 'Beads' },
  { id: 'focal', label: 'Stones and hardware' },
  { id: 'closure', label: 'Closures' },
  { id: 'finish', label: 'Ends' },
];

/** All that the program knows, in the order in which it is shown. */
export const ENTRIES: readonly Entry[] = [
  ...PART_KINDS.map(({ entry }) => entry),
  ...CLOSURE_KINDS.map(({ entry }) => ({ ...entry, id: entry.type, group: 'closure' as const })),
  ...END_TREATMENTS.map((id) => {
    const { label, because, goodFor } = END_SCHOOLS[id];
    return { id, group: 'finish' as const, label, blurb: because, goodFor };
  }),
];

/** Entries in which each of some words stands somewhere. */
export function findEntries(q: string): readonly Entry[] {
  const words = q.toLowerCase().split(/\s+/);
  return ENTRIES.filter(({ label, blurb, goodFor }) => {
    const text = `${label} ${blurb} ${goodFor}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
}
