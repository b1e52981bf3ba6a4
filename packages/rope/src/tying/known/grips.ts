import type { Point } from '../../base/point.js';

import { fromLeft, through, type Lead, type Tying } from '../tying.js';
import { STOPPER_TYINGS } from './stoppers.js';
import { ORDINALS } from '../ordinals.js';

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

/** From turn to turn, in diameters. */
const APART = 8;

/**
 * The other way to it: the end is wound back over both cords, and brought out through its turns beside them. The knot
 * is the same.
 */
const wound = (turns: 2 | 3): Tying => {
  const right = APART * turns;
  const at = (turn: number): number => right - APART * turn - 1;
  return {
    id: `sliding-wound.${turns}`,
    name: `Sliding knot of ${turns === 2 ? 'two' : 'three'} turns, its end brought out through them`,
    cell: `barrel-round.${turns}`,
    strands: [
      fromLeft([
        [-18, 0],
        [-8, 0],
        [right, 0],
      ]),
      through('core', 'other cord', 'left', [right + 18, BESIDE], [-18, BESIDE]),
    ],
    moves: [
      {
        strand: 0,
        way: [
          [right + 4, 0.6],
          [right + 6, 3],
          [right + 4, 5.6],
          [right, 6],
        ],
        passes: '',
        makes: 'bend',
      },
      ...Array.from({ length: turns }, (_, turn): Lead => ({
        strand: 0,
        way: [
          [at(turn), 4.4],
          [at(turn) - 0.6, 1.2],
          [at(turn) - 1, -2.6],
          [at(turn) - 1.8, -4.6],
          [at(turn) - 3, -4.4],
          ...(turn === turns - 1
            ? ([
                [at(turn) - 4, -2.2],
                [at(turn) - 4.4, 0.4],
              ] as const)
            : ([
                [at(turn) - 3.4, -2],
                [at(turn) - 3.7, 1.6],
                [at(turn) - 4, 4.4],
              ] as const)),
        ],
        passes: 'oouu',
        makes: `${ORDINALS[turn]!} turn`,
        verb: 'wind',
      })),
      {
        strand: 0,
        way: [
          [at(turns - 1) - 3.4, 2],
          [at(turns - 1), 2],
          ...Array.from({ length: 2 * turns - 2 }, (_, i): Point => [
            at(turns - 1) + 2.5 * (i + 1),
            2,
          ]),
          [right + 3, 2],
          [right + 9, 2.4],
          [right + 16, 3],
        ],
        passes: 'uo'.repeat(turns),
      },
    ],
    drawUp: [
      'Stroke the turns together, and draw the end until they close on it.',
      'Draw it up until it grips the other cord and still slides on it.',
    ],
  };
};

/** Knots round another cord, on which they slide. */
export const GRIP_TYINGS: readonly Tying[] = [round(1), round(2), round(3), wound(2), wound(3)];
