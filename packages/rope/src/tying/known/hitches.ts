import type { Point } from '../../base/point.js';

import { mirror, through, type Tying, type TyingStrand } from '../tying.js';
import { COW_HITCH } from './rings.js';

const carried = (name = 'carried cord', kind: 'core' | 'bar' = 'core'): TyingStrand =>
  through(kind, name, 'right', [-16, 0], [16, 0]);
const thread = (x = 0, end = 'end'): TyingStrand => ({
  kind: 'cord',
  name: 'standing part',
  end,
  heading: 'down',
  way: [
    [x, 12],
    [x, 3],
  ],
});
const mirrored = ({ strands, moves, ...rest }: Tying, id: string, name: string): Tying => ({
  ...rest,
  ...(rest.cell === undefined ? {} : { mirrored: true as const }),
  id,
  name,
  strands: strands.map((one) => ({
    ...one,
    heading: one.heading,
    way: (one.end === null ? [...one.way].reverse() : one.way).map(([x, y]): Point => [-x, y]),
  })),
  moves: moves.map((one) => ({ ...one, way: one.way.map(([x, y]): Point => [-x, y]) })),
});

/** A double half hitch on a carried cord: two turns round it, the end out between them. */
const FORWARD: Tying = {
  id: 'double-half-hitch.forward',
  name: 'Double half hitch, to the right',
  cell: 'hitch.even.1',
  strands: [carried(), thread(-0.2)],
  moves: [
    {
      strand: 1,
      way: [
        [-0.2, 0.4],
        [-0.8, -2.2],
        [-2.4, -3],
        [-3.6, -1.4],
        [-3.8, 1.2],
      ],
      passes: 'uo',
      makes: 'first turn',
      verb: 'wind',
    },
    {
      strand: 1,
      way: [
        [-4.6, 3.4],
        [-6.4, 3.2],
        [-7.2, 0.8],
        [-6.8, -2.8],
        [-4, -5.6],
      ],
      passes: 'u',
    },
    {
      strand: 1,
      way: [
        [0, -6.4],
        [4, -5.2],
        [6.6, -2],
        [6.8, 1.2],
      ],
      passes: 'o',
      makes: 'second turn',
      verb: 'wind',
    },
    {
      strand: 1,
      way: [
        [5.8, 3.2],
        [4, 2.6],
        [3.2, 0.2],
        [2, -3],
        [1.4, -8],
        [1.2, -12],
      ],
      passes: 'uo',
    },
  ],
  drawUp: ['Draw the end out across the carried cord until both turns lie beside each other.'],
};

/** One strand hitched round all the others: over them, round behind and out over itself. */
const SPIRAL: Tying = {
  id: 'spiral-hitch',
  name: 'Hitch of a spiral',
  cell: 'hitch-spiral.2.free',
  strands: [
    through('core', 'bundle', 'right', [-16, 0], [16, 0]),
    {
      kind: 'cord',
      name: 'working strand',
      end: 'working strand',
      heading: 'right',
      way: [
        [-16, 5],
        [-4, 4.4],
      ],
    },
  ],
  moves: [
    {
      strand: 1,
      way: [
        [0.4, 3.6],
        [2.6, 1.4],
        [3, -2],
        [1.6, -4.2],
      ],
      passes: 'o',
      makes: 'loop',
    },
    {
      strand: 1,
      way: [
        [-0.6, -4.2],
        [-1.8, -2],
        [-1.8, 2],
      ],
      passes: 'u',
    },
    {
      strand: 1,
      way: [
        [-1.4, 6.4],
        [0.6, 8.6],
        [5, 8.4],
        [14, 6],
      ],
      passes: 'o',
    },
  ],
  drawUp: ['Draw it up along the bundle until the hitch sits against the last.'],
};

/**
 * A double half hitch turned by a quarter and over, so that it is seen from behind: what is carried hangs from the top,
 * the thread comes from the left, and its second turn lies below the first.
 */
const HANGING: Tying = {
  ...FORWARD,
  strands: FORWARD.strands.map((strand) => ({ ...strand, way: turnedOver(strand.way) })),
  moves: FORWARD.moves.map((move) => ({
    ...move,
    way: turnedOver(move.way),
    passes: [...move.passes].map((one) => (one === 'o' ? 'u' : 'o')).join(''),
  })),
};

function turnedOver(way: readonly Point[]): Point[] {
  return way.map(([x, y]): Point => [-y || 0, -x || 0]);
}

/** A knot of a knotted band: the left strand is tied over the right one, which is carried. */
function bandKnot(id: string, name: string, { id: of, strands, moves }: Tying): Tying {
  return {
    id,
    name,
    numbersOf: of,
    strands: strands.map((strand): TyingStrand => {
      if (strand.end !== null) {
        return { ...strand, name: 'left strand', end: 'left end', heading: 'right' };
      }
      const [from, to] = [...strand.way].sort((a, b) => b[1] - a[1]) as [Point, Point];
      return through('core', 'right strand', 'down', from, to);
    }),
    moves,
    drawUp: ['Hold the strand that hangs straight, and draw the other up after each turn.'],
  };
}

/** As the right strand ties it. */
const fromRight = (tying: Tying, id: string, name: string): Tying => ({
  ...mirror(tying),
  id,
  name,
});

const FORWARD_KNOT = bandKnot('band.forward', 'Forward knot of a band', HANGING);
const FORWARD_BACK = bandKnot('band.forward-back', 'Knot of a band, forward and back', COW_HITCH);

export const HITCH_TYINGS: readonly Tying[] = [
  SPIRAL,
  FORWARD,
  mirrored(FORWARD, 'double-half-hitch.back', 'Double half hitch, to the left'),
  FORWARD_KNOT,
  fromRight(FORWARD_KNOT, 'band.back', 'Backward knot of a band'),
  FORWARD_BACK,
  fromRight(FORWARD_BACK, 'band.back-forward', 'Knot of a band, backward and forth'),
];
