import type { Point } from '../../base/point.js';

import { ORDINALS } from '../ordinals.js';
import { fromLeft, through, type Lead, type Tying } from '../tying.js';

const ACROSS = [-4.4, 0, 4.4] as const;

/** An end that is not knotted: led under what was tied before, where it stays by itself. */
const TUCKED: Tying = {
  id: 'tucked-end',
  loose: true,
  name: 'Tucked end',
  strands: [
    ...ACROSS.map((x, i) => through('core', `${ORDINALS[i]!} turn`, 'up', [x, -9], [x, 9])),
    fromLeft([
      [-20, 5],
      [-12, 4],
    ]),
  ],
  moves: [
    {
      strand: 3,
      way: [
        [-8, 1],
        [-4, 0],
        [0, 0],
        [4, 0],
        [12, 0],
      ],
      passes: 'uuu',
    },
  ],
  drawUp: ['Draw the end snug, and trim it close where it comes out.'],
};

/** A ring that is rolled on: both its sides lie round the cord. */
const RING: Tying = {
  id: 'stopper-ring',
  loose: true,
  name: 'Ring on a cord',
  strands: [
    through('bar', 'near side', 'up', [0, -9], [0, 9]),
    through('bar', 'far side', 'up', [5, -9], [5, 9]),
    fromLeft([
      [-18, 0],
      [-6, 0],
    ]),
  ],
  moves: [
    {
      strand: 2,
      way: [
        [-3, 0],
        [0, 0],
        [5, 0],
        [10, 0],
        [18, 0],
      ],
      passes: 'ou',
    },
  ],
  drawUp: ['Roll the ring along the cord to its place.'],
};

/** An end that goes round a bar and comes back beside itself. */
const BAR_TURN: Tying = {
  id: 'bar-turn',
  loose: true,
  name: 'Turn round a bar',
  strands: [
    through('bar', 'bar', 'up', [6, -12], [6, 12]),
    fromLeft([
      [-18, 3],
      [0, 3],
    ]),
  ],
  moves: [
    {
      strand: 1,
      way: [
        [6, 3],
        [10, 2],
        [10.6, -1],
        [6, -3],
        [0, -3],
        [-14, -3],
      ],
      passes: 'ou',
    },
  ],
  drawUp: ['Draw the end back until it lies beside the cord.'],
};

/** A loop round a stone where it is narrow or notched; a knot in both tails closes it. */
const stoneLoop = (id: string, name: string, moves: readonly Lead[]): Tying => ({
  id,
  loose: true,
  name,
  strands: [
    through('bar', 'stone', 'down', [0, 18], [0, -14]),
    fromLeft(
      [
        [-18, 0],
        [-5, 0],
      ],
      'first tail',
      'second tail',
    ),
  ],
  moves,
  drawUp: ['Draw both tails together beside the stone, until the loop does not turn on it.'],
});

const ROUND: readonly Point[] = [
  [0, 0],
  [4.4, -0.6],
  [5.8, -3],
  [4.4, -5.4],
  [0, -6],
  [-5, -6],
];

const STONE_LOOPS: readonly Tying[] = [
  stoneLoop('stone-loop', 'Loop round a stone', [
    { strand: 1, way: [...ROUND, [-11, -4], [-18, -3.6]], passes: 'uo', makes: 'loop' },
  ]),
  stoneLoop('stone-loop.crossed', 'Crossed loop round a stone', [
    { strand: 1, way: ROUND, passes: 'uo', makes: 'loop' },
    {
      strand: 1,
      way: [
        [-8.4, -3.6],
        [-8, 0],
        [-5, 4.6],
        [0, 5.4],
        [4.4, 6],
        [5.8, 8.4],
        [4.4, 10.8],
        [0, 11.4],
        [-5, 11],
        [-11, 8],
        [-18, 5],
      ],
      passes: 'ouo',
      makes: 'crossed loop',
    },
  ]),
];

/** Ends that are held without a knot. */
export const PLAIN_END_TYINGS: readonly Tying[] = [TUCKED, RING, BAR_TURN, ...STONE_LOOPS];
