import type { Point } from '../../base/point.js';

import type { Lead, Tying } from '../tying.js';

/** From crossing to crossing of two ends that are twisted, and how far they swing, in diameters. */
const STEP = 3.4;
const SWING = 1.6;

/** The way of an end along a twist, from its middle by so many crossings to both sides. */
function twist(crossings: number, y: number, from: 1 | -1, swing: 1 | -1, wider = 1): Point[] {
  const step = STEP * wider;
  return Array.from({ length: 2 * crossings + 1 }, (_, i): Point => {
    const x = ((i - crossings) * step) / 2;
    // Off the middle of the other, so that no corner of one lies on the other.
    return [-from * (x - 0.02), y + swing * SWING * wider * Math.cos((i * Math.PI) / 2)];
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

/** How much wider the half knot of a bow is laid: two legs of a bight lie where one cord does. */
const WIDER = 2.4;

/** A half knot, and a second one of which a bight is drawn through: a pull at its end opens the knot. */
function halfBow(): Tying {
  const plain = bend('bow.half', 'Half a bow', 3, false, []);
  const wide = (3 * STEP) / 2;
  const up = 15;
  const far = (3 * STEP * WIDER) / 2;
  const way = twist(3, up, 1, -1, WIDER);
  // A bight begins before what it is led past.
  const [[x, y], [u, v]] = [way[2]!, way[3]!];
  const begin: Point = [x + 0.3 * (u - x), y + 0.3 * (v - y)];
  return {
    ...plain,
    moves: [
      ...plain.moves.slice(0, 2).map((move, i) => {
        const side = i === 0 ? 1 : -1;
        const on: Point[] = [
          [side * (wide + 3), 6.5],
          [side * (far + 2), 10],
        ];
        return { ...move, way: [...move.way, ...on] };
      }),
      {
        strand: 1,
        way: [
          ...twist(3, up, -1, -1, WIDER),
          [far + 5, up + 5],
          [far + 11, up + 6],
          [far + 15, up + 6],
        ],
        passes: '',
        makes: 'upper twist',
      },
      {
        strand: 0,
        way: way.slice(0, 3),
        passes: 'u',
        makes: 'turn',
      },
      {
        strand: 0,
        way: [begin, ...way.slice(3), [-far - 5, up + 5], [-far - 11, up + 6], [-far - 15, up + 6]],
        passes: 'ou',
        bight: 'right',
        makes: 'bight',
      },
    ],
    drawUp: [
      'Draw the first twist down snug before the second is tied.',
      'Draw the bight and the other end out to the sides.',
    ],
  };
}

/** A half knot, and one bight wound round the other: a pull at either end opens it. */
function bow(): Tying {
  const half = halfBow();
  const [left, right] = half.moves as [Lead, Lead];
  return {
    ...half,
    id: 'bow',
    loose: true,
    name: 'Bow',
    moves: [
      left,
      right,
      {
        strand: 1,
        way: [
          [-16, 14],
          [-12, 17],
          [0, 17.5],
          [15, 17.5],
          [19, 17.5],
        ],
        passes: '',
        bight: 'left',
        makes: 'first bight',
      },
      {
        strand: 0,
        way: [
          [12.5, 11],
          [9, 13],
          [9, 17.5],
          [9, 22],
        ],
        passes: 'uu',
        makes: 'turn',
      },
      {
        strand: 0,
        way: [
          [8, 25],
          [4.5, 26.5],
          [1, 23],
          [1, 17.5],
          [1, 13],
        ],
        passes: 'oo',
        makes: 'wrap',
      },
      {
        strand: 0,
        way: [
          [-3, 10.5],
          [-6, 13],
          [-6, 17.5],
          [-6.5, 22],
          [-9, 25.5],
          [-15, 26.5],
        ],
        passes: 'uu',
        bight: 'right',
        makes: 'second bight',
      },
    ],
    drawUp: [
      'Draw the first twist down snug before the second is tied.',
      'Draw both bights out to the sides, by turns.',
    ],
  };
}

/** Knots of two ends with each other. */
export const BEND_TYINGS: readonly Tying[] = [
  bend('square-bend', 'Square knot of two ends', 3, false, [BOTH]),
  bend('granny-bend', 'Granny knot of two ends', 3, true, [BOTH]),
  bend('surgeons', 'Surgeon’s knot', 5, false, [
    'Draw the first twist down snug before the second is tied.',
    BOTH,
  ]),
  halfBow(),
  bow(),
];
