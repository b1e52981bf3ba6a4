import { planCost, memoize, type Piece } from '@coiled-strand/core';

/** From so many parts, or so much work to plan, a piece takes longer than a hand on the bench can wait. */
const MANY_PARTS = 100;
const MUCH_WORK = 20_000;

/** Whether a piece is planned in a worker beside the page, and not drawn small. */
export const isLarge: (piece: Piece) => boolean = memoize(
  (piece: Piece) => piece.parts.length > MANY_PARTS || planCost(piece).sum > MUCH_WORK,
);
