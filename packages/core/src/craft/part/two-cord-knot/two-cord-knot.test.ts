import { tightened } from '@coiled-strand/rope';

import { describe, expect, it } from '@jest/globals';
import { testCord, testRuns, testSite } from '../../../testing.js';
import { twoCordKnot } from './index.js';
import type { TwoCordPart } from './model.js';

const part = (units: number): TwoCordPart => ({ id: 's', kind: 'two-cord-knot', units });
const site = testSite(testRuns(['core', 'core'], testCord(2)));

describe('two-cord knots', () => {
  it('grow by one pitch each', () => {
    expect(twoCordKnot.layOut(part(5), site, 0).length).toBeCloseTo(
      5 * tightened('two-cord.pitch') * 2,
      9,
    );
  });
  it('take about 4.8 times the length of each cord', () => {
    // An earlier tightening of model ropes, by another method: 19.3 to 20 diameters of both cords a knot, one every 2.05.
    const layout = twoCordKnot.layOut(part(40), site, 0);
    const one = layout.uses.filter((u) => u.strand === 1).reduce((sum, u) => sum + u.reason.mm, 0);
    expect(one / layout.length).toBeGreaterThan(4.6);
    expect(one / layout.length).toBeLessThan(4.95);
  });
  it('need two cords', () => {
    const lonely = twoCordKnot.layOut(part(1), testSite(testRuns(['core'])), 0);
    expect(lonely.advice[0]?.severity).toBe('error');
  });
  it('are drawn one by one as they are tied', () => {
    const shapes = twoCordKnot.draw(part(6), site, twoCordKnot.layOut(part(6), site, 0), {
      part: 's',
      done: 2,
      firstSide: 'left',
    });
    const lines = (key: string): number => {
      const shape = shapes.find((s) => s.key === key);
      return shape?.kind === 'cord' ? shape.lines.length : 0;
    };
    expect(lines('s-first-laid')).toBe(2);
    expect(lines('s-first-planned')).toBe(4);
  });
});
