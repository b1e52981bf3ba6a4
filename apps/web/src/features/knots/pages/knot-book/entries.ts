import {
  CLOSURE_KINDS,
  END_SCHOOLS,
  END_TREATMENTS,
  PART_KINDS,
  type PartEntry,
} from '@coiled-strand/core';
import { GOOD_FOR } from './good-for';

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

const entry = (id: string, group: Group, label: string, blurb: string): Entry => ({
  ...{ id, group, label, blurb },
  goodFor: GOOD_FOR[id] ?? '',
});

/** All that the program knows, in the order in which it is shown. */
export const ENTRIES: readonly Entry[] = [
  ...PART_KINDS.map((kind) =>
    entry(kind.entry.id, kind.entry.group, kind.entry.label, kind.entry.blurb),
  ),
  ...CLOSURE_KINDS.map((kind) =>
    entry(kind.entry.type, 'closure', kind.entry.label, kind.entry.blurb),
  ),
  ...END_TREATMENTS.map((id) =>
    entry(id, 'finish', END_SCHOOLS[id].label, END_SCHOOLS[id].because),
  ),
];

/** Entries in which each of some words stands somewhere. */
export function findEntries(q: string): readonly Entry[] {
  const words = q.toLowerCase().split(/\s+/);
  return ENTRIES.filter(({ label, blurb, goodFor }) => {
    const text = `${label} ${blurb} ${goodFor}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
}
