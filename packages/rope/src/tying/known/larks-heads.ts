import type { Point } from '../../base/point.js';

import { through, type Tying, type TyingStrand } from '../tying.js';

interface On {
  readonly id: string;
  readonly name: string;
  /** What it is put on, from top to bottom. */
  readonly on: readonly TyingStrand[];
}

const across = (name: string, kind: 'bar' | 'core', y = 0): TyingStrand =>
  through(kind, name, 'right', [-12, y], [12, y]);

/**
 * A lark's head at the fold: the fold lies over what it is put on, in front of it or behind, and each end goes round
 * that and out through the fold.
 */
function larksHead({ id, name, on }: On, way: 'front' | 'back'): Tying {
  const [near, far] = way === 'front' ? ['o', 'u'] : ['u', 'o'];
  const last = way === 'front' ? 'o' : 'u';
  const times = (one: string): string => one.repeat(on.length);
  const half = (side: 1 | -1): Point[] => [
    [side * 0.02, -6.2],
    [side * 2.4, -5.8],
    [side * 4.4, -3.8],
  ];
  const up = (side: 1 | -1): Point[] => [
    [side * 4.8, -1.2],
    [side * 4.8, 2],
  ];
  const down = (side: 1 | -1): Point[] => [
    [side * 4, 4],
    [side * 2.6, 4.6],
    [side * 1.5, 3.2],
    [side * 1.3, 0.3],
    [side * 1.3, -3],
    [side * 1.3, -8],
    [side * 1.4, -12],
  ];
  const first = on.length;
  return {
    id: `larks-head.${id}.${way}`,
    name: `Lark’s head on ${name}, ${way === 'front' ? 'the fold in front' : 'the fold behind'}`,
    // On one bar it is a cow hitch tied with both ends; on two cords it is wider.
    ...(on.length === 1 ? { numbersOf: 'cow-hitch' } : {}),
    strands: [
      ...on,
      { kind: 'cord', name: 'left fold', end: 'left end', heading: 'up', way: half(-1) },
      {
        kind: 'cord',
        name: 'right fold',
        end: 'right end',
        heading: 'up',
        way: half(1),
        foldOf: first,
      },
    ],
    moves: [
      { strand: first, way: up(-1), passes: times(near), makes: 'left side' },
      { strand: first + 1, way: up(1), passes: times(near), makes: 'right side' },
      { strand: first, way: down(-1), passes: times(far) + last, makes: 'left leg' },
      { strand: first + 1, way: down(1), passes: times(far) + last, makes: 'right leg' },
    ],
    drawUp: ['Draw both ends down together until the fold lies snug.'],
  };
}

const PLACES: readonly On[] = [
  { id: 'bar', name: 'a bar', on: [across('bar', 'bar')] },
  { id: 'ring', name: 'a ring', on: [across('ring', 'bar')] },
  {
    id: 'cords',
    name: 'two cords',
    on: [across('upper cord', 'core', 1.2), across('lower cord', 'core', -1)],
  },
];

/** Lark's heads put on at the fold, each way round. */
export const LARKS_HEAD_TYINGS: readonly Tying[] = PLACES.flatMap((place) => [
  larksHead(place, 'front'),
  larksHead(place, 'back'),
]);
