import type { Board, OwnKnot, TightKnot } from '../base/own-knot.js';
import { kept } from '../../../../scripts/lib/kept.mjs';
import { allOf } from '../engine/testing.js';

import { KNOWN_KNOTS } from './known.js';
import { drawBoard } from './tight.js';

export const knownBoard = (id: string): Board => KNOWN_KNOTS.find((one) => one.id === id)!.board;

/** A board drawn tight, all at once. @throws Error for one that does not come to rest */
export const tightOf = (board: Board): TightKnot =>
  kept('board', board, () => {
    const verdict = allOf(drawBoard(board));
    if (verdict.how !== 'holds') throw new Error(`it ${verdict.how}`);
    return verdict.tight;
  });

/** A knot that is known, as if a maker had drawn it. */
export function ownKnotOf(id: string): OwnKnot {
  const board = knownBoard(id);
  return {
    name: `My ${id}`,
    origin: '0b0e4bd4-4b52-4f3e-9a53-1f5f1d5d0001',
    version: 1,
    board,
    tight: tightOf(board),
  };
}
