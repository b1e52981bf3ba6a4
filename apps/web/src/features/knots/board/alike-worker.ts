import { KNOWN_KNOTS, likenesses, oneOf, type Board, type Likeness } from '@coiled-strand/core';
import { expose } from 'comlink';

const finder = {
  /** What a board is alike to: of the knots that the program knows, and of some others. */
  find(
    board: Board,
    own: readonly { readonly name: string; readonly board: Board }[],
  ): readonly Likeness[] {
    const known = KNOWN_KNOTS.map((one) => ({ name: oneOf(one.name), board: one.board }));
    return likenesses(board, [...known, ...own]);
  },
};
export type AlikeFinder = typeof finder;

expose(finder);
