/** Ordinals by which turns, cords, strands and reaches are told apart. */
export const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth'] as const;
