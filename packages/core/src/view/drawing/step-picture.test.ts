import { describe, expect, it } from '@jest/globals';
import type { Primitive } from '../../base/kind/primitive.js';
import { makeSteps } from '../../plan/steps/steps.js';
import { TEMPLATES, templateById } from '../../plan/template/templates.js';
import { planned, pointsOf, start } from '../../testing.js';
import { stepPicture } from './step-picture.js';

const made = (id: string, hand: 'left' | 'right' = 'right') => {
  const piece = templateById(id).make(start);
  const plan = planned(piece);
  const steps = makeSteps(piece, plan, { hand });
  const first = hand === 'right' ? ('left' as const) : ('right' as const);
  return { piece, plan, steps, first };
};
const moving = (shapes: readonly Primitive[]): Primitive[] =>
  shapes.filter((shape) => 'state' in shape && shape.state === 'moving');

describe('pictures of steps', () => {
  it.each(TEMPLATES.map((t) => t.id))('%s: every step of the hands has one, in its frame', (id) => {
    const { piece, plan, steps, first } = made(id);
    for (const step of steps) {
      if (step.look?.kind === 'cord' || step.look?.kind === 'auxiliary') continue;
      if (step.look?.kind === 'worn') continue;
      for (const unit of new Set([0, step.units >> 1, step.units - 1])) {
        const picture = stepPicture(piece, plan, step, unit, first);
        const at = `${step.id} ${unit}`;
        expect([at, picture === null]).toEqual([at, false]);
        const { frame, shapes } = picture!;
        expect(frame.width).toBeGreaterThan(0);
        expect(pointsOf(shapes).every(([x, y]) => Number.isFinite(x + y))).toBe(true);
        const inside = pointsOf(shapes).filter(
          ([x, y]) =>
            x >= frame.x &&
            x <= frame.x + frame.width &&
            y >= frame.y &&
            y <= frame.y + frame.height,
        );
        expect([at, inside.length > 0]).toEqual([at, true]);
      }
    }
  });
  it.each(TEMPLATES.map((t) => t.id))('%s: what goes next is shown moving', (id) => {
    const { piece, plan, steps, first } = made(id);
    for (const step of steps.filter((s) => s.look?.kind === 'part' && !s.aside)) {
      const { shapes } = stepPicture(piece, plan, step, step.units >> 1, first)!;
      expect([step.id, moving(shapes).length > 0]).toEqual([step.id, true]);
    }
  });
  it('go on with the work: another unit, another cord or place', () => {
    const { piece, plan, steps, first } = made('petal-band');
    const step = steps.find((s) => s.part === 'petal-plait')!;
    const at = (unit: number) => stepPicture(piece, plan, step, unit, first)!;
    expect(at(1).frame.x).toBeGreaterThan(at(0).frame.x);
    expect(moving(at(1).shapes)).not.toEqual(moving(at(0).shapes));
  });
  it('show the bead that comes next', () => {
    const { piece, plan, steps, first } = made('knotted-necklace');
    const step = steps.find((s) => s.part === 'beads')!;
    const beads = moving(stepPicture(piece, plan, step, 3, first)!.shapes).filter(
      (shape) => shape.kind === 'bead',
    );
    expect(beads.map((bead) => bead.key)).toEqual(['beads-bead-3']);
  });
  it('are mirrored for the left hand', () => {
    const [right, left] = [made('beaded-plait'), made('beaded-plait', 'left')];
    const at = ({ piece, plan, steps, first }: typeof right) =>
      stepPicture(
        piece,
        plan,
        steps.find((s) => s.part === 'beaded-plait')!,
        4,
        first,
      )!;
    const ys = (shapes: readonly Primitive[]) =>
      moving(shapes).flatMap((shape) => pointsOf([shape]).map(([, y]) => y));
    const [a, b] = [ys(at(right).shapes), ys(at(left).shapes)];
    expect(b).toEqual(a.map((y) => expect.closeTo(-y, 9)));
  });
  it('show the ends beside the last knot before they are cut', () => {
    const { piece, plan, steps, first } = made('buckle-band');
    const trim = steps.find((s) => s.id === 'trim')!;
    const { shapes } = stepPicture(piece, plan, trim, 0, first)!;
    expect(shapes.some((shape) => shape.kind === 'cord' && shape.state === 'tail')).toBe(true);
  });
});
