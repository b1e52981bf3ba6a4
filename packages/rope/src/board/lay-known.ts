import type { Board } from '../base/own-knot.js';
import type { Point } from '../base/point.js';

import { CATALOGUE } from '../knots/catalogue.js';
import { crossings, turnOver } from './board.js';
import { boardFrom, unrolled } from './from-curves.js';

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

/** Places are kept to a hundredth of a diameter. */
const rounded = ({ cords, ...rest }: Board): Board => ({
  ...rest,
  cords: cords.map((cord) =>
    cord.map(([x, y]): Point => [Math.round(x * 100) / 100 || 0, Math.round(y * 100) / 100 || 0]),
  ),
});

/**
 * The boards of the knots that the program knows, laid out anew: those that were drawn tight for the cut list are the
 * same curves, seen from above. Takes a tenth of a second, so what it comes to is kept as data.
 */
export const layKnownBoards = () => ({
  overhand: rounded(wound(1)),
  'figure-eight': rounded(held('figure-eight')),
  'double-barrel': rounded(wound(2)),
  'triple-barrel': rounded(wound(3)),
  carrick: rounded(held('carrick')),
  square: rounded(unrolled(recipe('sinnet.two-flat.free'), 2)),
});

/** A knot of these. */
export type KnownBoard = keyof ReturnType<typeof layKnownBoards>;
