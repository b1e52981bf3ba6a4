import { fromLeft, through, type Tying } from '../tying.js';
import { ORDINALS } from '../ordinals.js';

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

/** Ends that are held without a knot. */
export const PLAIN_END_TYINGS: readonly Tying[] = [TUCKED, RING, BAR_TURN];
