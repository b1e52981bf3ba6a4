import type { Board, OwnKnot, TightKnot } from '../kind/own-knot.js';
import { KNOWN_KNOTS } from './known.js';
import { drawBoard } from './tight.js';

export const knownBoard = (id: string): Board => KNOWN_KNOTS.find((one) => one.id === id)!.board;

/** A board drawn tight, all at once. @throws Error for one that does not come to rest */
export function tightOf(board: Board): TightKnot {
  const steps = drawBoard(board);
  for (;;) {
    const { done, value } = steps.next();
    if (!done) continue;
    if (value.how !== 'holds') throw new Error(`it ${value.how}`);
    return value.tight;
  }
}

const drawn = new Map<string, OwnKnot>();

/** A knot that is known, as if a maker had drawn it. */
export function ownKnotOf(id: string): OwnKnot {
  const before = drawn.get(id);
  if (before) return before;
  const board = knownBoard(id);
  const knot: OwnKnot = {
    name: `My ${id}`,
    origin: '0b0e4bd4-4b52-4f3e-9a53-1f5f1d5d0001',
    version: 1,
    board,
    tight: tightOf(board),
  };
  drawn.set(id, knot);
  return knot;
}
