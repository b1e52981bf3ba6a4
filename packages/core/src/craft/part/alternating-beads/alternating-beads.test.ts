import { TIGHTENED } from '@coiled-strand/rope';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { testBead, testCord, testRuns, testSite } from '../../../testing.js';
import { alternatingBeads } from './index.js';
import { periodOf, type AlternatingPart } from './model.js';

const part: AlternatingPart = {
  id: 'a',
  kind: 'alternating-beads',
  bead: 'moon',
  ring: 'ring',
  count: 10,
};
const palette = [
  testBead('moon', 6, { hole: 1.8 }),
  testBead('ring', 1, { shape: 'ring', height: 5, hole: 3.2 }),
];
const site = testSite(testRuns(['core', 'core'], testCord(1.5)), palette);

describe('alternating beads', () => {
  // By optimisation in space: beads (balls), cords and a ring (a torus) drawn taut until nothing overlaps.
  it.each([
    [6, 1.5, 3.2, 7.4],
    [6, 1.5, 4, 6.5],
    [6, 1.5, 5, 5.0],
    [4, 1.5, 3.2, 5.0],
    [8, 1.5, 3.2, 9.5],
    [6, 1.1, 3.2, 6.5],
  ])('of %d mm on a cord of %d in a ring open by %d take %d each', (bead, cord, opening, want) => {
    const { mm } = periodOf({ bead, wire: 1, opening, cord });
    expect(Math.abs(mm / want - 1)).toBeLessThan(0.03);
  });
  // The engine: cords taut, beads pushed up lightly.
  it.each([
    ['usual', 6, 1.5, 3.2],
    ['small', 4, 1.5, 3.2],
    ['large', 8, 1.5, 3.2],
    ['wider', 6, 1.5, 4],
    ['wide', 6, 1.5, 5],
    ['squeezed', 6, 1.1, 3.2],
  ] as const)('(%s) are as far apart as the engine has them', (name, bead, cord, opening) => {
    const { mm } = periodOf({ bead, wire: 1, opening, cord });
    const { value, error } = TIGHTENED[`rings.${name}.period`];
    expect(Math.abs(mm / (value * cord) - 1)).toBeLessThan(0.06 + error);
  });
  it('never overlap, nor come closer than one cord lets them, and need less in a wider ring', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 3, max: 15, noNaN: true }),
        fc.double({ min: 0.5, max: 1.5, noNaN: true }),
        fc.double({ min: 0.5, max: 1.5, noNaN: true }),
        fc.double({ min: 0, max: 4, noNaN: true }),
        (bead, wire, cord, room) => {
          const of = { bead, wire, cord, opening: 2 * cord + room };
          const { mm, offset } = periodOf(of);
          expect(mm).toBeGreaterThanOrEqual((bead + 2 * wire) / 2 - 1e-9);
          // Balls on the two cords.
          expect(Math.hypot(mm, offset)).toBeGreaterThanOrEqual(bead - 1e-9);
          expect(periodOf({ ...of, opening: of.opening + 0.5 }).mm).toBeLessThanOrEqual(mm + 1e-9);
        },
      ),
    );
  });
  it('scale: everything twice as large takes twice the length', () => {
    const of = { bead: 6, wire: 1, opening: 3.2, cord: 1.5 };
    const twice = { bead: 12, wire: 2, opening: 6.4, cord: 3 };
    expect(periodOf(twice).mm).toBeCloseTo(2 * periodOf(of).mm, 9);
  });
  it('bulge into an oval ring at its longest', () => {
    const oval = [palette[0]!, { ...palette[1]!, holeLong: 5 }];
    const wide = testSite(testRuns(['core', 'core'], testCord(1.5)), oval);
    expect(alternatingBeads.layOut(part, wide, 0).pitch).toBeLessThan(
      alternatingBeads.layOut(part, site, 0).pitch - 2,
    );
  });
  it('take as much as five of the maker’s own measured', () => {
    const five = alternatingBeads.layOut({ ...part, count: 5 }, site, 0).length + 3;
    const layout = alternatingBeads.layOut({ ...part, count: 5, five }, site, 0);
    expect(layout.length).toBeCloseTo(five, 9);
    const model = alternatingBeads.layOut({ ...part, five: null }, site, 0);
    expect(model.length).toBe(alternatingBeads.layOut(part, site, 0).length);
  });
  it('carry a bead and a ring each', () => {
    const layout = alternatingBeads.layOut(part, site, 0);
    expect(layout.beads.filter((bead) => bead.id === 'moon')).toHaveLength(10);
    expect(layout.beads.filter((bead) => bead.id === 'ring')).toHaveLength(10);
    expect(layout.passages.map((p) => p.runs.length)).toEqual([1, 2]);
  });
  it('lie inside their own length', () => {
    const layout = alternatingBeads.layOut(part, site, 0);
    for (const { at } of layout.beads) {
      expect(at).toBeGreaterThan(0);
      expect(at).toBeLessThan(layout.length);
    }
  });
  it('need two cords', () => {
    const three = testSite(testRuns(['core', 'core', 'core']), palette);
    expect(alternatingBeads.layOut(part, three, 0).advice[0]?.code).toBe('alternating.cords');
  });
  it('change sides from bead to bead, on the drawing and in the step', () => {
    const layout = alternatingBeads.layOut(part, site, 0);
    const shapes = alternatingBeads.draw(part, site, layout, {
      part: 'a',
      done: 10,
      firstSide: 'left',
    });
    const ys = shapes
      .filter((shape) => shape.key.startsWith('a-bead-'))
      .map((shape) => (shape.kind === 'bead' ? Math.sign(shape.at[1]) : 0));
    expect(ys.slice(0, 4)).toEqual([-1, 1, -1, 1]);
    const [step] = alternatingBeads.steps(part, site, layout, 'left');
    expect([0, 1, 2].map((unit) => step?.sideOf?.(unit, 'left'))).toEqual([
      'left',
      'right',
      'left',
    ]);
  });
});
