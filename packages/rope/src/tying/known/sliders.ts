import { through, type Tying } from '../tying.js';
import { halfKnotMoves } from './half-knots.js';

/** A square-knot slider on two tails: the middle of its cord lies behind them, and half knots follow. */
export const SLIDER_TYINGS: readonly Tying[] = [
  {
    id: 'square-knot-slider',
    name: 'Square-knot slider on two tails',
    strands: [
      through('core', 'left tail', 'down', [-1.1, 18], [-1.1, -23]),
      through('core', 'right tail', 'down', [1.1, 18], [1.1, -23]),
      {
        kind: 'cord',
        name: 'right fold',
        end: 'right end',
        heading: 'right',
        way: [
          [0.02, 14],
          [0.4, 13.9],
        ],
      },
      {
        kind: 'cord',
        name: 'left fold',
        end: 'left end',
        heading: 'left',
        way: [
          [-0.02, 14],
          [-0.4, 13.9],
        ],
        foldOf: 2,
      },
    ],
    moves: [
      {
        strand: 3,
        way: [
          [-3, 13],
          [-6, 10.5],
          [-6.9, 7],
        ],
        passes: 'u',
      },
      {
        strand: 2,
        way: [
          [3, 13],
          [6, 10.5],
          [6.9, 7],
        ],
        passes: 'u',
      },
      ...halfKnotMoves([3, 2], 2, [-1, 1]),
    ],
    drawUp: ['Draw each half knot snug, and no tighter than the slider still moves on the tails.'],
  },
];
