import { ownKnotOf } from '@coiled-strand/rope/testing';
import { bundleOf, far, polylineLength } from '@coiled-strand/rope';
import { describe, expect, it } from '@jest/globals';

import { closureKind } from '../../closure/registry.js';
import type { PieceKnot } from '../../../piece/piece.js';
import { EXAMPLE_PIECE } from '../../../piece/example.js';
import { knotsById } from '../../../piece/palette.js';
import { planPiece } from '../../../plan/steps/plan-piece.js';
import { makeSteps } from '../../../plan/steps/steps.js';
import { tyingSeconds } from '../../../make/bench-time.js';
import { observe } from '../../../make/observe.js';
import { drawMoveInSpace, wayOf } from '../../../view/drawing/move.js';
import type { Point3 } from '../../../base/kind/primitive.js';

import { tyingShown } from '../../../view/drawing/tying-picture.js';

import { halfKnotCord } from '../square-knot-sinnet/model.js';
import { stopper } from '../../knot/stopper.js';
import { inMm as toldIn, testCord, testRuns, testSite } from '../../../testing.js';
import type { Piece } from '../../../piece/piece.js';
import { ownKnot } from './index.js';
import type { OwnKnotPart } from './model.js';

const EIGHT: PieceKnot = { ...ownKnotOf('figure-eight'), id: 'eight' };
const SQUARE: PieceKnot = { ...ownKnotOf('square'), id: 'square' };
const knot = knotsById({ knots: [EIGHT, SQUARE] });
const part = (more: Partial<OwnKnotPart> = {}): OwnKnotPart => ({
  id: 'k',
  kind: 'own-knot',
  knot: 'eight',
  units: 1,
  runs: null,
  ...more,
});
const site = (count: number, d = 2) =>
  testSite(testRuns(Array<'core'>(count).fill('core'), testCord(d)), [], { knot });

/** A cord with three knots of one’s own, and plain ends that take the fit. */
const piece: Piece = {
  ...EXAMPLE_PIECE,
  strands: [{ cord: testCord(2), legs: ['core'], laidIn: false }],
  knots: [EIGHT],
  parts: [
    { id: 'a', kind: 'plain', length: null },
    part({ units: 3 }),
    { id: 'b', kind: 'plain', length: null },
  ],
  closure: closureKind('tie-ends').make(testCord(2)) as Piece['closure'],
};

describe('a knot of one’s own', () => {
  it('takes of one cord what the same knot takes as a stopper', () => {
    const layout = ownKnot.layOut(part({ units: 4 }), site(1), 0);
    const knots = layout.uses.find(({ reason }) => reason.code === 'knot.own')!.reason;
    expect(knots.times?.count).toBe(4);
    expect(knots.mm / 4).toBeCloseTo(stopper('figure-eight', 2).uses, 0);
    expect(knots.source).toMatchObject({ how: 'computed' });
    expect(layout.length).toBeCloseTo(4 * layout.pitch, 9);
  });
  it('is tied with several cords as one, and says that this was not drawn', () => {
    const layout = ownKnot.layOut(part(), site(2), 0);
    expect(layout.advice.map(({ code }) => code)).toEqual(['own-knot.unlike']);
    const [one, two] = layout.uses.filter(({ reason }) => reason.code === 'knot.own');
    expect(one!.reason.assumed).toBe(true);
    expect(one!.reason.mm).toBe(two!.reason.mm);
  });
  it('wants as many cords as were drawn', () => {
    const few = ownKnot.layOut(part({ knot: 'square' }), site(3), 0);
    expect(few.advice).toMatchObject([{ code: 'own-knot.cords', severity: 'error' }]);
    const right = ownKnot.layOut(part({ knot: 'square' }), site(4), 0);
    expect(right.advice).toEqual([]);
    // The cores only go along; the others take what two half knots of a sinnet do. Here they lead out sideways.
    const knots = right.uses.filter(({ reason }) => reason.code === 'knot.own');
    expect(knots.map(({ strand }) => strand)).toEqual([3, 4]);
    const both = knots.reduce((sum, { reason }) => sum + reason.mm, 2 * right.length);
    const sinnet = 2 * 2 * halfKnotCord('flat', bundleOf(2), 1, 2, 2, 2);
    expect(both / sinnet).toBeGreaterThan(0.85);
    expect(both / sinnet).toBeLessThan(1.15);
  });
  it('is drawn by the curve that it is measured by', () => {
    const layout = ownKnot.layOut(part(), site(1), 0);
    const shapes = ownKnot.draw(part(), site(1), layout, { part: 'k', done: 0, firstSide: 'left' });
    const xs = shapes.flatMap((shape) => (shape.kind === 'cord' ? shape.lines.flat() : []));
    expect(Math.min(...xs.map(([x]) => x))).toBeGreaterThan(-2);
    expect(Math.max(...xs.map(([x]) => x))).toBeLessThan(layout.length + 2);
    expect(Math.max(...xs.map(([, y]) => Math.abs(y)))).toBeLessThan(layout.width / 2 + 0.3);
    expect(new Set(shapes.map(({ key }) => key)).size).toBe(shapes.length);
  });
  it('is unknown where the piece has no such knot', () => {
    const plan = planPiece({ ...piece, knots: [] });
    expect(plan.ok).toBe(false);
    expect(plan.advice.map(({ code }) => code)).toContain('knot.unknown');
  });
});

const FACTOR = { spread: 0.05, rests: 3, since: null } as const;

describe('a piece with a knot of one’s own', () => {
  const plan = planPiece(piece);
  it('can be made to the letter, and is told and shown move by move', () => {
    expect(plan.advice.filter(({ severity }) => severity === 'error')).toEqual([]);
    if (!plan.ok) return;
    const steps = makeSteps(piece, plan, { hand: 'right' });
    const step = steps.find(({ part: own }) => own === 'k')!;
    const { moves } = tyingShown(piece, step, 0)!;
    expect(moves.length).toBeGreaterThan(2);
    for (const { shapes } of moves) {
      expect(shapes.some((s) => 'state' in s && s.state === 'moving')).toBe(true);
    }
    expect(new Set(moves.map(({ text }) => text)).size).toBe(moves.length);
    const scene = drawMoveInSpace(piece, plan, step, 0, 'left', {})!;
    expect(scene.moving).toHaveLength(moves.length);
    // The end goes on from where the last move left it, and half of its way is half as long.
    const [[first] = [], [way] = []] = scene.moving;
    expect(far(way!.line[0]!, first!.line.at(-1)!)).toBeCloseTo(0, 9);
    const long = (line: readonly Point3[]): number => polylineLength(line);
    expect(long(wayOf(way!.line, 0.5)) / long(way!.line)).toBeCloseTo(0.5, 6);
    expect(drawMoveInSpace(piece, plan, steps[0]!, 0, 'left', {})).toBeNull();
  });
  it('is told mirrored to a left hand', () => {
    if (!plan.ok) return;
    const [right, left] = (['right', 'left'] as const).map((hand) => {
      const step = makeSteps(piece, plan, { hand }).find(({ part: own }) => own === 'k')!;
      return tyingShown(piece, step, 0)!
        .moves.map(({ text }) => text)
        .join(' ');
    });
    expect(right).toMatch(/round anticlockwise/);
    expect(left).toBe(
      right!.replace(
        /\b(anti)?clockwise|left|right\b/g,
        (one) =>
          ({
            clockwise: 'anticlockwise',
            anticlockwise: 'clockwise',
            left: 'right',
            right: 'left',
          })[one]!,
      ),
    );
  });
  it('says which cord of the piece is which of the knot', () => {
    const steps = ownKnot.steps(
      part({ knot: 'square' }),
      site(4),
      ownKnot.layOut(part({ knot: 'square' }), site(4), 0),
      'left',
    );
    const told = toldIn(steps[0]!.text);
    expect(told).toMatch(/The first core is cord 1.*The second cord is cord 4/);
  });
  it('teaches the hand that very knot', () => {
    if (!plan.ok) return;
    const [strand] = plan.strands;
    const knots = strand!.reasons.find(({ code }) => code === 'knot.own')!;
    expect(knots.technique).toBe(`own-knot:${EIGHT.origin}`);
    const record = {
      cords: [{ cut: strand!.cut, leftover: strand!.cut - strand!.kept - 0.1 * knots.mm }],
      length: plan.fit.length,
      minutes: 30,
    };
    const learnt = observe(piece, plan, record).find(({ measure }) => measure === 'take-up')!;
    expect(learnt.technique).toBe(knots.technique);
    expect(learnt.ratio).toBeCloseTo(1.1, 1);
    const better = planPiece(piece, [
      {
        technique: learnt.technique,
        cordKind: learnt.cordKind,
        measure: 'take-up',
        factor: 1.1,
        spread: 0.05,
        rests: 3,
        since: null,
      } as never,
    ]);
    if (!better.ok) throw new Error('no plan');
    // Bench time and what is foretold half way go by that very knot too, not by all knots of one's own.
    const seconds = (technique: string): number =>
      tyingSeconds(piece, plan, [
        { ...FACTOR, technique, cordKind: learnt.cordKind, measure: 'time', factor: 2 },
      ]);
    const usual = tyingSeconds(piece, plan, []);
    expect(seconds(learnt.technique) - usual).toBeCloseTo(3 * ownKnot.entry.seconds, 6);
    expect(seconds('own-knot')).toBe(usual);
    const now = better.strands[0]!.reasons.find(({ code }) => code === 'knot.own')!;
    expect(now.mm).toBeCloseTo(1.1 * knots.mm, 6);
  });
});
