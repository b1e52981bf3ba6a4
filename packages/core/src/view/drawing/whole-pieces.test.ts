import { describe, expect, it } from '@jest/globals';
import { CORD_KIND_FACTS } from '../../base/material/cord.js';
import { TEMPLATES, templateById } from '../../plan/template/templates.js';
import { planned, pointsOf, start } from '../../testing.js';
import { drawBench } from './bench.js';
import { boundsOf } from './bounds.js';
import { drawClosed } from './closed.js';

const make = (id: string) => templateById(id).make(start);

describe.each(TEMPLATES.map((t) => [t.id, t] as const))('%s on the bench', (_, template) => {
  const piece = template.make(start);
  const plan = planned(piece);
  const bench = drawBench(piece, plan, { firstSide: 'left', tails: true });
  it('shows every bead at its size and its place', () => {
    const solids = bench.shapes.flatMap((shape) =>
      shape.kind === 'bead' && shape.part !== 'closure' ? [shape] : [],
    );
    const placed = plan.parts.flatMap((part) =>
      part.layout.beads.map((bead) => ({ ...bead, at: part.start + bead.at })),
    );
    expect(solids).toHaveLength(placed.length);
    for (const { id, at } of placed) {
      const bead = piece.beads.find((b) => b.id === id);
      expect(
        solids.some((solid) => Math.abs(solid.at[0] - at) < 1e-6 && solid.height === bead?.height),
      ).toBe(true);
    }
  });
  it('lies inside its bounds', () => {
    const { x, y, width, height } = bench.bounds;
    const outside = pointsOf(bench.shapes).filter(
      ([px, py]) =>
        !(px >= x - 1e-9 && px <= x + width + 1e-9 && py >= y - 1e-9 && py <= y + height + 1e-9),
    );
    expect(outside).toEqual([]);
  });
  it('fades what is not done yet, and nothing when all is done', () => {
    const none = Object.fromEntries(plan.parts.map((part) => [part.id, 0]));
    const begun = drawBench(piece, plan, {
      firstSide: 'left',
      tails: false,
      done: { ...none, closure: 0 },
    });
    const planned_ = (shapes: typeof begun.shapes): number =>
      shapes.filter((shape) => 'state' in shape && shape.state === 'planned').length;
    expect(planned_(begun.shapes)).toBeGreaterThan(0);
    expect(planned_(bench.shapes)).toBe(0);
  });
});

describe('bounds', () => {
  it('hold a bead as it lies, and as it lies when it is turned', () => {
    const piece = make('focal-cord');
    const bench = drawBench(piece, planned(piece), { firstSide: 'left', tails: true });
    const oval = bench.shapes.find((shape) => shape.kind === 'bead');
    if (oval?.kind !== 'bead') throw new Error('no bead was drawn');
    expect(boundsOf([oval])).toMatchObject({ width: 18, height: 13 });
    const turned = boundsOf([{ ...oval, turn: Math.PI / 2 }]);
    expect(turned.width).toBeCloseTo(13, 9);
    expect(turned.height).toBeCloseTo(18, 9);
  });
});

describe('closed', () => {
  it('has every bead standing outside of the skin, its hole along the round', () => {
    const piece = make('large-bead-band');
    const closed = drawClosed(piece, planned(piece));
    const beads = closed.shapes.flatMap((shape) => (shape.kind === 'bead' ? [shape] : []));
    expect(beads.length).toBeGreaterThan(5);
    for (const { at, turn, height } of beads) {
      expect(Math.hypot(...at)).toBeCloseTo(closed.inner + height / 2, 6);
      // A quarter turn from the way outwards.
      const outwards = Math.atan2(at[1], at[0]);
      expect(Math.abs(Math.cos(turn - outwards))).toBeLessThan(1e-6);
    }
  });
  it('has neighbours that touch and do not overlap', () => {
    const piece = make('large-bead-band');
    const beads = drawClosed(piece, planned(piece)).shapes.flatMap((shape) =>
      shape.kind === 'bead' ? [shape.at] : [],
    );
    for (let i = 1; i < beads.length; i++) {
      const [a, b] = [beads[i - 1]!, beads[i]!];
      const apart = Math.hypot(a[0] - b[0], a[1] - b[1]);
      expect(apart).toBeGreaterThan(12 - 0.2);
      expect(apart).toBeLessThan(12 + 0.2);
    }
  });
  it('shows both sizes of a slider and what it must pass', () => {
    const piece = make('beaded-band');
    const plan = planned(piece);
    const closed = drawClosed(piece, plan);
    expect(2 * Math.PI * closed.longest).toBeCloseTo(plan.fit.states.at(-1)?.circumference ?? 0, 6);
    expect(2 * Math.PI * closed.pass).toBeCloseTo(200, 9);
    expect(closed.shortest).toBeLessThan(closed.inner);
    const keys = closed.shapes.map((shape) => shape.key);
    expect(keys).toEqual(expect.arrayContaining(['shortest', 'longest', 'pass']));
  });
  it('hangs an open piece from the neck by its drop', () => {
    const piece = make('lariat');
    const plan = planned(piece);
    const worn = drawClosed(piece, plan);
    const stretch = 1 + CORD_KIND_FACTS['nylon-cord'].stretch;
    const hanging = (plan.fit.length - (2 * (360 + 60)) / stretch) / 2;
    const lowest = Math.max(...pointsOf(worn.shapes).map(([, y]) => y));
    expect(lowest - worn.inner).toBeGreaterThan(hanging - 12);
    expect(lowest - worn.inner).toBeLessThan(hanging + 12);
  });
  it('goes three times round as one ring seen along the arm', () => {
    const piece = make('triple-wrap');
    const closed = drawClosed(piece, planned(piece));
    const { width } = boundsOf(closed.shapes.filter((shape) => shape.key.includes('core')));
    expect(width).toBeLessThan(2 * closed.outer + 8);
  });
});
