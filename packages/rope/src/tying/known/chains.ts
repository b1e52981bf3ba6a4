import type { Tying } from '../tying.js';
import { fromLeft, type Lead } from '../tying.js';

const BEGINNING = fromLeft(
  [
    [-16, 0],
    [-8, 0],
    [3, 0],
  ],
  'beginning',
  'cord',
);

/** A loop of the working cord, and a bight of it drawn up through that. */
const SLIP: readonly Lead[] = [
  {
    strand: 0,
    way: [
      [7, 1],
      [9, 4],
      [6, 7.4],
      [1, 8.6],
      [-4, 7.4],
      [-6.4, 4],
      [-5.4, 1],
      [-4.4, -2.4],
    ],
    passes: 'o',
    makes: 'loop',
  },
  {
    strand: 0,
    way: [
      [-2, -4.4],
      [0.4, -2.4],
      [1.2, 1.2],
      [3.4, 4],
      [7, 4.4],
      [12, 4],
      [17, 4],
      [21, 4],
    ],
    bight: 'right',
    passes: 'uo',
    makes: 'bight',
    verb: 'draw',
  },
];

const STITCH: Lead = {
  strand: 0,
  way: [
    [1, -7],
    [7, -8],
    [12.4, -5],
    [14, 0],
    [14, 4],
    [14, 9],
    [14, 14],
  ],
  bight: 'right',
  passes: 'ou',
  makes: 'stitch',
  verb: 'draw',
};

const OFF: Lead = {
  strand: 0,
  way: [
    [6, -12],
    [18, -11],
    [24, -4],
    [24, 6],
    [20, 8.4],
    [14, 8.6],
    [8, 9],
    [2, 13],
  ],
  passes: 'ou',
};

/** A chain of one cord: how it begins, how it goes on, and how it is fastened off. */
export const CHAIN_TYINGS: readonly Tying[] = [
  {
    id: 'slip-knot',
    loose: true,
    name: 'Slip knot',
    strands: [BEGINNING],
    moves: SLIP,
    drawUp: ['Draw the beginning and the loop up; the bight stays open and slides.'],
  },
  {
    id: 'chain-stitch',
    loose: true,
    name: 'Chain stitch',
    strands: [BEGINNING],
    moves: [...SLIP, STITCH],
    drawUp: ['Draw the bight before down snug round the new one.'],
  },
  {
    id: 'fastening-off',
    name: 'Chain fastened off',
    strands: [BEGINNING],
    moves: [...SLIP, STITCH, OFF],
    drawUp: ['Draw the end until the last stitch closes on it.'],
  },
];
