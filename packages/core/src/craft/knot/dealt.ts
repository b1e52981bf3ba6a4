/**
 * Ends dealt out to the cords of a knot, in their order and as evenly as may be: which cord each goes with.
 *
 * @param ends >= 0
 * @param cords >= 1
 * @example dealt(4, 2) // [0, 0, 1, 1]
 */
export const dealt = (ends: number, cords: number): number[] =>
  Array.from({ length: ends }, (_, i) => Math.floor((i * cords) / Math.max(ends, 1)));
