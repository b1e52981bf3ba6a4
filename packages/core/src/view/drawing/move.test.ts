import { polylineLength, TIGHTENED_CURVES } from '@coiled-strand/rope';
import { describe, expect, it } from '@jest/globals';
import { deep } from '../../../../../scripts/lib/deep.mjs';
import type { Point3 } from '../../base/kind/primitive.js';

import { EXAMPLE_PIECE } from '../../piece/example.js';
import type { Piece } from '../../piece/piece.js';
import { planPiece } from '../../plan/steps/plan-piece.js';
import { firstSideFor } from '../../plan/steps/habits.js';
import { makeSteps } from '../../plan/steps/steps.js';
import { TEMPLATES } from '../../plan/template/templates.js';
import { drawMoveInSpace, movesInSpace, type MoveScene } from './move.js';
import { drawInSpace } from './space.js';

const planOf = (piece: Piece) => {
  const plan = planPiece(piece);
  if (!plan.ok) throw new Error('no plan');
  return plan;
};

/** Every unit of every step of a piece that is shown in space. */
function unitsOf(piece: Piece, hand: 'left' | 'right') {
  const plan = planOf(piece);
  return makeSteps(piece, plan, { hand })
    .filter((step) => movesInSpace(piece, step))
    .flatMap((step) =>
      Array.from({ length: step.units }, (_, unit) => {
        const firstSide = firstSideFor(hand);
        const scene = drawMoveInSpace(piece, plan, step, unit, firstSide, TIGHTENED_CURVES);
        return { step, unit, scene, side: step.sides?.[unit % step.sides.length] };
      }),
    );
}
/** Those of the part, and not of the closure. */
const ofPart = (units: ReturnType<typeof unitsOf>): typeof units =>
  units.filter(({ step }) => step.part === 'a');
const long = (cords: readonly { readonly line: readonly Point3[] }[]): number =>
  cords.reduce((sum, { line }) => sum + polylineLength(line), 0);
const movingOf = ({ moving }: MoveScene) => moving.flat();

const sinnet = (form: 'flat' | 'spiral'): Piece => ({
  ...EXAMPLE_PIECE,
  parts: [
    {
      id: 'a',
      kind: 'square-knot-sinnet',
      form,
      tension: 'even',
      length: null,
      units: 12,
    },
  ],
});

describe('a half knot in space', () => {
  it.each([
    ['flat', 'right'],
    ['flat', 'left'],
    ['spiral', 'right'],
    ['spiral', 'left'],
  ] as const)(
    '%s: the cord on the side that the step names goes over the core, %s hand',
    (form, hand) => {
      const units = ofPart(unitsOf(sinnet(form), hand));
      expect(units).toHaveLength(12);
      for (const { scene, side } of units) {
        const [over, under] = movingOf(scene!);
        expect(over!.line[0]![0] < 0).toBe(side === 'left');
        expect(under!.line[0]![0] < 0).toBe(side !== 'left');
        // And the work grows downwards.
        expect(over!.line.at(-1)![1]).toBeLessThan(over!.line[0]![1]);
        const passing = (line: readonly Point3[]): number[] =>
          line.slice(1).flatMap((q, i) => {
            const p = line[i]!;
            return p[0] * q[0] <= 0 && p[0] !== q[0] ? [p[2]] : [];
          });
        const [front, back] = [passing(over!.line), passing(under!.line)];
        expect(Math.min(...front)).toBeGreaterThan(0);
        expect(Math.max(...back)).toBeLessThan(0);
        expect(front.length * back.length).toBeGreaterThan(0);
      }
    },
  );
  it('lays, unit by unit, all that the whole part is seen to take', () => {
    const piece = sinnet('flat');
    const whole = drawInSpace(piece, planOf(piece), TIGHTENED_CURVES, 'a').cords;
    const laid = ofPart(unitsOf(piece, 'right')).reduce(
      (sum, { scene }) => sum + long(movingOf(scene!)),
      0,
    );
    // What lies straight is the core.
    expect(laid / long(whole.filter(({ line }) => line.length > 2))).toBeCloseTo(1, 6);
  });
});

describe('a closure in space', () => {
  it('is tied move by move, as it is told', () => {
    const closed = unitsOf(sinnet('flat'), 'right').filter(({ step }) => step.part !== 'a');
    const moves = closed.map(({ scene }) => scene!.moving.length);
    // A lark's head is four moves, a turn round a bar is one.
    expect(moves).toEqual([4, 1]);
    expect(closed.every(({ scene }) => scene!.moving.every(({ length }) => length === 1))).toBe(
      true,
    );
  });
});

describe('every template', () => {
  it('shows its knots in space where they were computed, each cord going on from where it lies', () => {
    let shown = 0;
    for (const template of TEMPLATES) {
      const piece = template.make({
        name: template.id,
        wearer: { name: 'x', wrist: 165, hand: 205, neck: 360, ankle: 220, head: 560 },
        cutting: { confidence: 0.95, step: 10, practice: 'practised' },
      });
      const all = unitsOf(piece, 'right');
      // Of a sample the first of every step, the last, and some on the way.
      const seen = deep(
        all,
        all.filter(({ unit }, i) => unit === 0 || i % 9 === 0),
      );
      for (const { scene, unit, step } of seen) {
        if (!scene) continue;
        shown++;
        expect(movingOf(scene).length).toBeGreaterThan(0);
        for (const { line } of [...scene.lies.cords, ...movingOf(scene)]) {
          expect(line.length).toBeGreaterThan(1);
          expect(line.flat().every(Number.isFinite)).toBe(true);
        }
        if (unit === 0 || step.part === undefined) continue;
        const ends = scene.lies.cords.map(({ line }) => line.at(-1)!);
        const [first] = movingOf(scene);
        const gap = Math.min(
          ...ends.map((end) => Math.hypot(...end.map((v, k) => v - first!.line[0]![k]!))),
        );
        // Where a colour changes the new cord comes in beside what lies; it lies within the work.
        expect(gap).toBeLessThan(6);
      }
    }
    expect(shown).toBeGreaterThan(deep(100, 30));
  });
});
