import type { Point } from '../../base/point.js';

import type { Lead, Tying, TyingStrand } from '../tying.js';

const NAMES = [
  'left outer strand',
  'left inner strand',
  'right inner strand',
  'right outer strand',
];
const PLACES = [-9, -4, 4, 9] as const;

const strand = (name: string, i: number): TyingStrand => ({
  kind: 'cord',
  name,
  end: name,
  heading: 'down',
  // Inner ones hang on past what is laid round them.
  way: [
    [PLACES[i]!, 10],
    [PLACES[i]!, i === 1 || i === 2 ? -14 : 5],
  ],
});

/** An outer strand wound once round its neighbour, and hanging beside it again. */
const snug = (led: 0 | 3, side: 1 | -1): Lead[] => [
  {
    strand: led,
    way: (
      [
        [8, 2.4],
        [4, 1],
        [1.4, -1.4],
        [1.4, -4],
        [4, -6],
        [8, -7.6],
        [9, -11],
        [9, -14],
      ] as const
    ).map(([x, y]): Point => [side * x, y]),
    passes: 'ou',
    makes: `${side === 1 ? 'right' : 'left'} petal`,
    verb: 'wind',
    hangs: true,
  },
];

/** An outer strand led out into a loop that stands beside the plait, and back. */
const standing = (led: 0 | 3, side: 1 | -1): Lead[] => {
  const seen = (way: readonly Point[]): Point[] => way.map(([x, y]): Point => [side * x, y]);
  return [
    {
      strand: led,
      way: seen([
        [11, 3.4],
        [15, 4.2],
        [18, 2],
      ]),
      passes: '',
      makes: `${side === 1 ? 'right' : 'left'} petal`,
    },
    {
      strand: led,
      way: seen([
        [18, -1.6],
        [15, -4],
        [11, -4.6],
      ]),
      passes: '',
    },
  ];
};

const petals = (
  id: string,
  name: string,
  petal: (led: 0 | 3, side: 1 | -1) => readonly Lead[],
  drawUp: readonly string[],
): Tying => ({
  id,
  loose: true,
  name,
  strands: NAMES.map(strand),
  moves: [...petal(0, -1), ...petal(3, 1)],
  drawUp,
});

/** Petals at both sides of a round plait. */
export const PETAL_TYINGS: readonly Tying[] = [
  petals('petals.snug', 'Snug petals', snug, [
    'Draw both petals in until they lie flat against the plait.',
  ]),
  petals('petals.standing', 'Standing petals', standing, [
    'Hold both loops at their length, and draw the next crossing snug below them.',
  ]),
];
