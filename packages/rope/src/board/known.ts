import type { Board } from '../base/own-knot.js';

import { alike } from './code.js';
import { KNOWN_BOARDS } from './known-boards.js';

/** A knot that a board can begin with, and that others are held against. */
export interface KnownKnot {
  readonly id: string;
  readonly name: string;
  readonly board: Board;
}

/** Knots that a board can begin with. */
export const KNOWN_KNOTS: readonly KnownKnot[] = [
  { id: 'overhand', name: 'Overhand knot', board: KNOWN_BOARDS.overhand },
  { id: 'figure-eight', name: 'Figure-eight knot', board: KNOWN_BOARDS['figure-eight'] },
  { id: 'double-barrel', name: 'Double barrel knot', board: KNOWN_BOARDS['double-barrel'] },
  { id: 'triple-barrel', name: 'Triple barrel knot', board: KNOWN_BOARDS['triple-barrel'] },
  { id: 'carrick', name: 'Carrick bend', board: KNOWN_BOARDS.carrick },
  { id: 'square', name: 'Square knot round two cores', board: KNOWN_BOARDS.square },
];

/** A knot that is known under another name, and whether it is seen in the mirror. */
export interface Likeness {
  readonly name: string;
  readonly how: 'same' | 'mirrored';
}

/** Which of some knots have the same crossings as a board; nothing for one without crossings. */
export function likenesses(
  board: Board,
  among: readonly { readonly name: string; readonly board: Board }[],
): Likeness[] {
  return among.flatMap((one) => {
    const how = alike(board, one.board);
    return how ? [{ name: one.name, how }] : [];
  });
}
