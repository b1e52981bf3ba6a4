import type { Board } from '../kind/own-knot.js';
import type { Point } from '../kind/primitive.js';
import { CATALOGUE } from '../rope/knots/catalogue.js';
import { crossings, turnOver } from './board.js';
import { alike } from './code.js';
import { boardFrom, unrolled } from './from-curves.js';

/** A knot that a board can begin with, and that others are held against. */
export interface KnownKnot {
  readonly id: string;
  readonly name: string;
  readonly board: Board;
}

const recipe = (id: string) => CATALOGUE.find((one) => one.id === id)!.problem();
const held = (id: string): Board => boardFrom(recipe(id).strands.map(({ points }) => points));

/**
 * A loop whose end is wound round its own beginning so many times: over and under take turns. An overhand knot is one
 * of one turn.
 */
function wound(turns: 1 | 2 | 3): Board {
  const [wide, high, out] = [2.2 * turns, 2.4, 2.2 * turns + 8];
  const steps = 6;
  const count = (2 * turns + 1) * steps;
  const wraps = Array.from({ length: count + 1 }, (_, i): Point => {
    const share = i / count;
    return [-wide + 2 * wide * share, high * Math.cos((2 * turns + 1) * Math.PI * share)];
  });
  const cord: Point[] = [
    [-out, 0],
    [wide + 2, 0],
    [wide + 4, 1.2],
    [wide + 4.6, 3.6],
    [wide + 3, 6.2],
    [0, 7.2],
    [-wide - 1.6, 6.2],
    [-wide - 1.4, 3.8],
    ...wraps,
    [wide + 2, -3.2],
    [out, -4],
  ];
  // The later lies over: every other crossing is turned.
  const board: Board = { cords: [cord], turned: [] };
  return crossings(board)
    .filter((_, i) => i % 2 === 1)
    .reduce((now, { name }) => turnOver(now, name), board);
}

/**
 * Knots that the program knows, on a board. Those that were drawn tight for the cut list are the same curves, seen from
 * above.
 */
const laidOut = (): readonly KnownKnot[] => [
  { id: 'overhand', name: 'Overhand knot', board: wound(1) },
  { id: 'figure-eight', name: 'Figure-eight knot', board: held('figure-eight') },
  { id: 'double-barrel', name: 'Double barrel knot', board: wound(2) },
  { id: 'triple-barrel', name: 'Triple barrel knot', board: wound(3) },
  { id: 'carrick', name: 'Carrick bend', board: held('carrick') },
  {
    id: 'square',
    name: 'Square knot round two cores',
    board: unrolled(recipe('sinnet.two-flat.free'), 2),
  },
];

let known: readonly KnownKnot[] | undefined;

/** The knots that a board can begin with; laid out when they are first asked for. */
export const knownKnots = (): readonly KnownKnot[] => (known ??= laidOut());

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
