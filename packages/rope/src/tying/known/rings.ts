import { through, type Tying, type TyingStrand } from '../tying.js';
import { ORDINALS } from '../ordinals.js';

/** The ring where it is tied: a bar across, which a cord from the left goes over and under. */
const RING: TyingStrand = through('bar', 'ring', 'up', [6, -14], [6, 14]);
const CORD: TyingStrand = {
  kind: 'cord',
  name: 'standing part',
  end: 'end',
  heading: 'right',
  way: [
    [-18, 0],
    [-8, 0],
    [2.4, 0],
  ],
};

const ANCHOR_BEND: Tying = {
  id: 'anchor-bend',
  name: 'Anchor bend on a ring',
  strands: [RING, CORD],
  moves: [
    {
      strand: 1,
      way: [
        [6, 0.4],
        [9, -0.4],
        [9.6, -3],
        [7, -4.2],
        [3.4, -4],
      ],
      passes: 'ou',
      makes: 'first turn',
      verb: 'wind',
    },
    {
      strand: 1,
      way: [
        [2, -5.6],
        [3.2, -7.4],
        [6.4, -7.6],
        [9.4, -7.6],
        [10.4, -9.6],
        [8.4, -11],
        [3.6, -11],
      ],
      passes: 'ou',
      makes: 'second turn',
      verb: 'wind',
    },
    {
      strand: 1,
      way: [
        [-1, -10],
        [-3.4, -6],
        [-4, -2],
        [-3.6, 2.6],
      ],
      passes: 'o',
    },
    {
      strand: 1,
      way: [
        [-2, 5],
        [1.4, 5.4],
        [4.2, 3],
        [4.4, -1.8],
        [4.4, -5.8],
        [4.4, -9.4],
        [4.4, -14],
      ],
      passes: 'uouo',
    },
  ],
  drawUp: ['Draw the end up first, then the standing part.'],
};

export const COW_HITCH: Tying = {
  id: 'cow-hitch',
  name: 'Cow hitch on a ring, tied with the end',
  strands: [RING, CORD],
  moves: [
    {
      strand: 1,
      way: [
        [6, 0.6],
        [9, 1.6],
        [9.4, 4.4],
        [6.6, 5.6],
        [2.6, 5],
      ],
      passes: 'ou',
      makes: 'first side',
    },
    {
      strand: 1,
      way: [
        [-1, 3],
        [-2, 0],
        [-1, -3],
        [2.6, -5],
      ],
      passes: 'o',
      makes: 'bight',
    },
    {
      strand: 1,
      way: [
        [6.6, -5.6],
        [9.4, -4.6],
        [9, -2.6],
        [6.2, -1.9],
        [2, -1.8],
      ],
      passes: 'uo',
      makes: 'second side',
    },
    {
      strand: 1,
      way: [
        [-2, -1.9],
        [-8, -3],
        [-16, -3.4],
      ],
      passes: 'u',
    },
  ],
  drawUp: ['Draw the end and the standing part together until both sides lie against each other.'],
};

/** The end wound round the standing part and led back through the eye at the ring. */
const CLINCH: Tying = {
  id: 'clinch',
  name: 'Clinch knot on a ring',
  strands: [RING, CORD],
  moves: [
    {
      strand: 1,
      way: [
        [6, 0.6],
        [9.4, 1.6],
        [9.6, 5],
        [6.4, 6],
        [3, 5],
      ],
      passes: 'ou',
      makes: 'eye',
    },
    ...ORDINALS.slice(0, 3).map((word, i) => ({
      strand: 1,
      way: [
        [1.2 - 4.6 * i, 2.4],
        [0.2 - 4.6 * i, -1.2],
        [-1 - 4.6 * i, -3],
        [-2.4 - 4.6 * i, -1.4],
        [-2.8 - 4.6 * i, 1.4],
        [-3.2 - 4.6 * i, 3],
      ] as const,
      passes: 'ou',
      makes: `${word} turn`,
      verb: 'wind',
    })),
    {
      strand: 1,
      way: [
        [-11, 6],
        [-6, 7.6],
        [0, 6.4],
        [3.2, 2.6],
        [4.2, -2],
        [4.4, -7],
      ],
      passes: 'ou',
    },
  ],
  drawUp: [
    'Wet or wax the turns and draw the standing part, so that they lie beside each other.',
    'Draw the end up last.',
  ],
};

/** Knots that hold a cord on a ring, tied with its end. */
export const RING_TYINGS: readonly Tying[] = [ANCHOR_BEND, COW_HITCH, CLINCH];
