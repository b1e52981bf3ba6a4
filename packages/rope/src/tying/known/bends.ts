import type { Point } from '../../base/point.js';

import type { Tying } from '../tying.js';

/** From crossing to crossing of two ends that are twisted, and how far they swing, in diameters. */
const STEP = 3.4;
const SWING = 1.6;

/** The way of an end along a twist, from its middle by so many crossings to both sides. */
function twist(crossings: number, y: number, from: 1 | -1, swing: 1 | -1): Point[] {
  const half = (crossings * STEP) / 2;
  return Array.from({ length: 2 * crossings + 1 }, (_, i): Point => {
    const x = -half + (i * STEP) / 2;
    return [-from * x, y + swing * SWING * Math.cos((i * Math.PI) / 2)];
  });
}

/**
 * Two ends tied to each other by two half knots.
 *
 * @param first crossings of the first half knot: 3, or 5 where the end is wound round twice
 * @param same whether the second half knot is of the same hand as the first: a granny knot
 */
function bend(
  id: string,
  name: string,
  first: 3 | 5,
  same: boolean,
  drawUp: readonly string[],
): Tying {
  const wide = (first * STEP) / 2;
  const up = 9;
  const over = (crossings: number, starts: boolean): string =>
    Array.from({ length: crossings }, (_, i) => ((i % 2 === 0) === starts ? 'o' : 'u')).join('');
  return {
    id,
    name,
    strands: [
      {
        kind: 'cord',
        name: 'left cord',
        end: 'left end',
        heading: 'right',
        way: [
          [-wide - 12, 0],
          [-wide - 4, 0],
        ],
      },
      {
        kind: 'cord',
        name: 'right cord',
        end: 'right end',
        heading: 'left',
        way: [
          [wide + 12, 0],
          [wide + 4, 0],
        ],
      },
    ],
    moves: [
      {
        strand: 0,
        way: [...twist(first, 0, -1, -1), [wide + 2.4, 3.4]],
        passes: '',
        makes: 'left twist',
      },
      {
        strand: 1,
        way: [...twist(first, 0, 1, -1), [-wide - 2.4, 3.4]],
        passes: over(first, true),
        makes: 'right twist',
      },
      {
        strand: 1,
        way: [
          [-wide - 1.6, 6],
          ...twist(3, up, -1, -1).slice(1),
          [wide + 3, up + 2.6],
          [wide + 8, up + 3],
        ],
        passes: '',
        makes: 'second twist',
      },
      {
        strand: 0,
        way: [
          [wide + 1.6, 6],
          ...twist(3, up, 1, -1).slice(1),
          [-wide - 3, up + 2.6],
          [-wide - 8, up + 3],
        ],
        passes: over(3, same),
      },
    ],
    drawUp,
  };
}

const BOTH = 'Draw both ends and both cords tight by turns.';

/** Knots of two ends with each other. */
export const BEND_TYINGS: readonly Tying[] = [
  bend('square-bend', 'Square knot of two ends', 3, false, [BOTH]),
  bend('granny-bend', 'Granny knot of two ends', 3, true, [BOTH]),
  bend('surgeons', 'Surgeon’s knot', 5, false, [
    'Draw the first twist down snug before the second is tied.',
    BOTH,
  ]),
];
