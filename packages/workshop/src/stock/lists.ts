interface ListFacts {
  /** The table that it lies in. */
  readonly table: string;
  /** What one thing on it is called, and the list itself. */
  readonly one: string;
  readonly title: string;
  /** Whether pieces copy from it: such lists are looked through, filled from tables, and kept on devices. */
  readonly copied: boolean;
}

/**
 * The lists of a workshop by their routes. Table, route, query, live update, backup and words follow from here; rows,
 * rules and columns are asked for by the compiler.
 */
export const LISTS = {
  wearers: { table: 'wearer', one: 'wearer', title: 'Wearers', copied: true },
  cords: { table: 'cord', one: 'cord', title: 'Cords', copied: true },
  beads: { table: 'bead', one: 'bead', title: 'Beads', copied: true },
  fittings: { table: 'fitting', one: 'finding', title: 'Findings', copied: true },
  packs: { table: 'pack', one: 'pack', title: 'Packs', copied: false },
} as const satisfies Readonly<Record<string, ListFacts>>;

export type ListId = keyof typeof LISTS;
export type ListTable = (typeof LISTS)[ListId]['table'];
export type CopiedListId = {
  [L in ListId]: (typeof LISTS)[L]['copied'] extends true ? L : never;
}[ListId];

export const LIST_IDS = Object.keys(LISTS) as readonly ListId[];

/** Whether pieces copy from it. */
export function isCopied(id: ListId): id is CopiedListId {
  return LISTS[id].copied;
}

/** Those that pieces copy from. */
export const COPIED_LISTS = LIST_IDS.filter(isCopied);
