import type { Point } from '../../base/point.js';

import { fromLeft, through, type Lead, type Tying } from '../tying.js';
import { STOPPER_TYINGS } from './stoppers.js';

/** How far above the returning cord its standing part lies, in diameters. */
const BESIDE = 1.9;
const EYE: readonly Point[] = [
  [20, 3],
  [24, 6.4],
  [29, 6.4],
  [32, 1],
  [29, -4.4],
  [24, -4.4],
  [20, -1],
];

/** The plane turned by half a turn: a knot in it stays the same. */
const turned = (way: readonly Point[]): Point[] => way.map(([x, y]): Point => [-x, -y]);

/**
 * The end turned back and tied round its own standing part by a barrel knot, so that an eye stays.
 *
 * @param on what runs through the eye, where the knot holds a ring
 */
function eyeBy(
  turns: 1 | 2,
  on: 'ring' | null,
  id: string,
  name: string,
  drawUp: readonly string[],
): Tying {
  const { moves, strands } = STOPPER_TYINGS[turns - 1]!;
  const strand = on === null ? 0 : 1;
  const begin = turned(strands[0]!.way.slice(1));
  const left = Math.min(...begin.map(([x]) => x)) - 14;
  const eye: Lead = {
    strand,
    way: [...EYE, ...begin],
    passes: on === null ? '' : 'ou',
    makes: 'eye',
  };
  return {
    id,
    name,
    numbersOf: `barrel-round.${turns}`,
    strands: [
      ...(on === null ? [] : [through('bar', on, 'up', [26, -12], [26, 14])]),
      fromLeft([
        [left, BESIDE],
        [0, BESIDE],
        [16, BESIDE],
      ]),
    ],
    moves: [
      eye,
      ...moves.map((move) => ({
        ...move,
        strand,
        way: turned(move.way),
        passes:
          move.makes === undefined
            ? move.passes
            : [...move.passes].map((one) => one + one).join(''),
      })),
    ],
    drawUp,
  };
}

const SHUT = 'Draw the end and the eye apart until the knot closes on the standing part.';

/** Loops and rings that an end is tied back on itself for. */
export const LOOP_TYINGS: readonly Tying[] = [
  eyeBy(1, null, 'loop.1', 'Loop tied by an overhand knot round its own cord', [SHUT]),
  eyeBy(2, null, 'loop.2', 'Loop tied by a double barrel knot round its own cord', [SHUT]),
  eyeBy(1, 'ring', 'ring-knot.1', 'Overhand knot round its own cord, on a ring', [
    'Draw the end, then the standing part, until the knot sits at the ring.',
  ]),
  eyeBy(2, 'ring', 'ring-knot.2', 'Double barrel knot round its own cord, on a ring', [
    'Draw the end, then the standing part, until the knot sits at the ring.',
  ]),
];
