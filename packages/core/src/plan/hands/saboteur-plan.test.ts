import { describe, expect, it } from '@jest/globals';
import type { Cord } from '../../base/material/cord.js';
import type { Part } from '../../craft/part/registry.js';
import type { Piece } from '../../piece/piece.js';
import { planPiece } from '../steps/plan-piece.js';
import { templateById } from '../template/templates.js';
import { planned, start } from '../../testing.js';
import { actionsIn, makeSteps } from '../steps/steps.js';
import { otherwise, refusedWith } from './testing.js';

const withCord = (piece: Piece, change: Partial<Cord>): Piece => ({
  ...piece,
  strands: piece.strands.map((strand) => ({ ...strand, cord: { ...strand.cord, ...change } })),
});
const withParts = (piece: Piece, change: (parts: readonly Part[]) => readonly Part[]): Piece => ({
  ...piece,
  parts: change(piece.parts),
});
const stoneOf = (change: object) => (piece: Piece) =>
  withParts(piece, (parts) =>
    parts.map((part) => (part.kind === 'stone' ? { ...part, ...change } : part)),
  );

/** What is wrong in the plan, on which template, and the code of what is said of it. */
const PLANNED: readonly (readonly [string, string, (piece: Piece) => Piece, string])[] = [
  [
    'a bead has a hole that its knot goes through',
    'focal-cord',
    (piece) => ({ ...piece, beads: piece.beads.map((bead) => ({ ...bead, hole: 9 })) }),
    'knot.slips',
  ],
  [
    'a bead has a hole that the cord does not go through',
    'focal-cord',
    (piece) => ({ ...piece, beads: piece.beads.map((bead) => ({ ...bead, hole: 0.5 })) }),
    'passage.no',
  ],
  [
    'the cord is half as thick',
    'knotted-centre',
    (piece) => withCord(piece, { diameter: 0.4 }),
    'knot.slips',
  ],
  [
    'the cord is twice as thick',
    'beaded-band',
    (piece) => withCord(piece, { diameter: 2.2 }),
    'passage.no',
  ],
  [
    'a stone is longer round than any of its size',
    'wrapped-stone',
    stoneOf({ girth: 52, above: 58 }),
    'stone.shape',
  ],
  [
    'a stone tapers above its loop',
    'wrapped-stone',
    stoneOf({ girth: 48, above: 44 }),
    'stone.slips',
  ],
  [
    'nothing joins the cords',
    'lariat',
    (piece) =>
      withParts(piece, (parts) =>
        parts.filter((part) => part.kind !== 'stopper-knot' || part.runs !== null),
      ),
    'hands.not-fast',
  ],
  [
    'the last knot of a row that is worn open is left out',
    'lariat',
    (piece) => withParts(piece, (parts) => parts.slice(0, -1)),
    'hands.not-fast',
  ],
  [
    'a working cord is fastened nowhere',
    'buckle-band',
    (piece) => {
      const [strand] = piece.strands;
      return {
        ...piece,
        strands: [
          { ...strand!, legs: ['core', 'core'] },
          { ...strand!, legs: ['working', 'working'], laidIn: false },
        ],
      };
    },
    'hands.not-held',
  ],
  [
    'an eye is too narrow for two turns',
    'knotted-necklace',
    (piece) => ({ ...piece, closure: { ...piece.closure, eye: 0.5 } as Piece['closure'] }),
    'passage.no',
  ],
];

describe('a saboteur at the drawing board', () => {
  it.each(PLANNED.map(([what, id, change, code]) => [what, id, change, code] as const))(
    '%s (%s)',
    (_what, id, change, code) => {
      const plan = planPiece(change(templateById(id).make(start)));
      expect(plan.ok && plan.unmakeable !== true).toBe(false);
      expect(
        plan.advice.filter(({ severity }) => severity === 'error').map((advice) => advice.code),
      ).toContain(code);
    },
  );
});

describe('the fold of a cord in a needle’s eye', () => {
  // Silk of 0.63 mm under tension, squeezed by a quarter: 0.47 mm alone, 0.95 mm folded.
  const withHoles = (hole: number): Piece => {
    const piece = templateById('knotted-necklace').make(start);
    return { ...piece, beads: piece.beads.map((bead) => ({ ...bead, hole })) };
  };
  const pointsOf = (piece: Piece) =>
    actionsIn(makeSteps(piece, planned(piece), { hand: 'right' })).flatMap((action) =>
      action.do === 'stiffen' ? [action.how] : [],
    );
  it('goes through a hole of its width, and wax is taken for a narrower one', () => {
    expect(pointsOf(withHoles(1))).toEqual(['needle']);
    expect(pointsOf(withHoles(0.8))).toEqual(['wax']);
  });
  it('is refused where it does not go through', () => {
    const change = otherwise('stiffen', (action) => ({ ...action, how: 'needle' }));
    expect(refusedWith(['', '', change, []], withHoles(0.8))).toBe('not-through');
    expect(refusedWith(['', '', change, []], withHoles(1))).toBeUndefined();
  });
});
