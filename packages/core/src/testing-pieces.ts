import type { Cord } from './base/material/cord.js';
import type { Piece, Strand } from './piece/piece.js';
import { inMm, testBead } from './testing.js';
import { draftPlan } from './plan/plan.js';
import { firstSideFor } from './plan/steps/habits.js';
import { firstStop } from './plan/steps/plan-piece.js';

// What the tests of whole pieces have in common: whom they are for, how their cords lie, and where hands stop.

export const WEARER = { name: 'x', wrist: 165, hand: 200, neck: 360, ankle: 215, head: 560 };
/** Where hands stop that make a piece to the letter: in words, for whoever reads the failure. */
export function stopOf(piece: Piece, hand: 'left' | 'right'): string | null {
  const plan = draftPlan(piece);
  // What does not go through its hole is told of by the plan.
  if (!plan.ok || plan.unmakeable) return null;
  const found = firstStop(piece, plan, { first: firstSideFor(hand), words: false });
  if (!found) return null;
  return `${inMm(found.step?.title ?? 'when all is done')}: ${inMm(found.stop.message)}`;
}

export const single = (cord: Cord, role: 'core' | 'plaited'): Strand => ({
  cord,
  legs: [role],
  laidIn: false,
});
export const folded = (cord: Cord, role: 'core' | 'plaited'): Strand => ({
  cord,
  legs: [role, role],
  laidIn: false,
});
export const working = (cord: Cord): Strand => ({
  cord,
  legs: ['working', 'working'],
  laidIn: true,
});

export const BEADS = [
  testBead('six', 6, { hole: 5 }),
  testBead('ten', 10, { hole: 6, delicate: true }),
];

/** Ways to lay cords: single ones, folded ones, with or without cords that tie. */
export const WAYS: readonly (readonly [
  string,
  (cord: Cord, role: 'core' | 'plaited') => Strand[],
])[] = [
  ['one cord', (cord, role) => [single(cord, role)]],
  ['two cords', (cord, role) => [single(cord, role), single(cord, role)]],
  ['four cords', (cord, role) => Array.from({ length: 4 }, () => single(cord, role))],
  ['one cord folded', (cord, role) => [folded(cord, role)]],
  ['two cords folded', (cord, role) => [folded(cord, role), folded(cord, role)]],
  ['a core and a cord that ties', (cord, role) => [single(cord, role), working(cord)]],
  ['a folded core and a cord that ties', (cord, role) => [folded(cord, role), working(cord)]],
];
