import type { Lead, Tying } from '../tying.js';
import { ORDINALS } from '../ordinals.js';
import { polar } from './shared.js';

const NAMES = ORDINALS.slice(0, 2);

/** The way of each cord of a snake knot, as how far from the middle and how far round. */
const ROUND = [
  [11, 30],
  [12, 75],
  [11, 125],
  [8.5, 158],
  [6, 180],
  [4.6, 205],
  [3.2, 235],
  [2.2, 262],
] as const;

/**
 * A snake knot, seen from above, both cords coming up out of the hand: each is laid round under the other, and up
 * through its loop.
 */
const SNAKE: Tying = {
  id: 'snake',
  name: 'Snake knot',
  cell: 'two-cord.360',
  round: 'middle',
  strands: NAMES.map((name, k) => ({
    kind: 'cord',
    name: `${name} cord`,
    end: `${name} end`,
    heading: 'outwards',
    way: [polar(1.6, 180 * k), polar(8, 180 * k)],
  })),
  moves: NAMES.map((name, strand): Lead => ({
    strand,
    way: ROUND.map(([r, degrees]) => polar(r, degrees + 180 * strand)),
    passes: 'u',
    makes: `${name} loop`,
  })),
  drawUp: [
    'Hold both ends up in the middle, and draw both tight by turns.',
    'Push the knot down against the one before.',
  ],
};

/** Knots of two cords that are tied through each other. */
export const TWO_CORD_TYINGS: readonly Tying[] = [SNAKE];
