import { through, type Tying } from '../tying.js';
import { STOPPER_TYINGS } from './stoppers.js';

/** How far below the standing part the other cord runs beside it, in diameters. */
const BESIDE = -1.9;

/**
 * A barrel knot round another cord that runs beside the standing part: every turn goes round both, so that the knot
 * slides on that cord.
 */
const round = (turns: 1 | 2 | 3): Tying => {
  const alone = STOPPER_TYINGS[turns - 1]!;
  const right = 6.4 * turns + 15;
  return {
    ...alone,
    id: `sliding.${turns}`,
    name: `Sliding knot of ${['one turn', 'two turns', 'three turns'][turns - 1]!}`,
    cell: `barrel-round.${turns}`,
    strands: [
      ...alone.strands,
      through('core', 'other cord', 'left', [right, BESIDE], [-16, BESIDE]),
    ],
    moves: alone.moves.map((move) => ({
      ...move,
      // What goes past the standing part goes past the cord beside it as well.
      passes:
        move.makes === undefined ? move.passes : [...move.passes].map((one) => one + one).join(''),
    })),
    drawUp: [...alone.drawUp, 'Draw it up until it grips the other cord and still slides on it.'],
  };
};

/** Knots round another cord, on which they slide. */
export const GRIP_TYINGS: readonly Tying[] = [round(1), round(2), round(3)];
