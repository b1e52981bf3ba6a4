import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { testBead, testCord, testRuns, testSite } from '../../testing.js';
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
  it('take the larger of the two limits', () => {
    expect(periodOf(6, 1, 0)).toEqual({ mm: 7, limit: 'bead against bead' });
    expect(periodOf(6, 1, 20)).toEqual({ mm: 4, limit: 'along one cord' });
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 15, noNaN: true }),
        fc.double({ min: 0.3, max: 3, noNaN: true }),
        fc.double({ min: 0, max: 15, noNaN: true }),
        (bead, ring, offset) => {
          const { mm } = periodOf(bead, ring, offset);
          expect(mm).toBeGreaterThanOrEqual((bead + 2 * ring) / 2 - 1e-9);
          expect(mm).toBeLessThanOrEqual(bead + ring + 1e-9);
          // Neighbours on the two cords never overlap.
          expect(Math.hypot(mm, offset)).toBeGreaterThanOrEqual(bead + ring - 1e-6);
        },
      ),
    );
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
