/** So many things are on a page, unless another number is asked for. */
export const PAGE = 12;
/** Longest tag, and most of them on a piece. */
export const TAG_LIMITS = { length: 40, count: 20 } as const;
