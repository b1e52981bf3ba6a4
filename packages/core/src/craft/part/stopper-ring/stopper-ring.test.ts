import { describe, expect, it } from '@jest/globals';
import { testCord, testRuns, testSite } from '../../../testing.js';
import { stopperRing } from './index.js';

const part = stopperRing.make({ id: 'r', bead: '', cord: testCord(8), runs: 2 });
const site = testSite(testRuns(['core'], testCord(8)));
const codes = (hole: number): string[] =>
  stopperRing.layOut({ ...part, hole }, site, 0).advice.map((item) => item.code);

describe('stopper ring', () => {
  it('grips when its hole is a little smaller than the cord', () => {
    expect(codes(6.4)).toEqual([]);
    expect(codes(8)).toEqual(['ring.loose']);
    expect(codes(4)).toEqual(['ring.tight']);
  });
  it('takes its own length of the cord', () => {
    const layout = stopperRing.layOut(part, site, 0);
    expect(layout.length).toBe(part.length);
    expect(layout.uses[0]?.reason.mm).toBe(part.length);
  });
  it('is drawn across the cord', () => {
    const shapes = stopperRing.draw(part, site, stopperRing.layOut(part, site, 0), {
      part: 'r',
      done: 1,
      firstSide: 'left',
    });
    const ring = shapes.find((shape) => shape.kind === 'plate');
    const ys = ring?.kind === 'plate' ? ring.outlines.flat().map(([, y]) => y) : [];
    expect(Math.max(...ys) - Math.min(...ys)).toBeCloseTo(part.outer, 6);
  });
});
