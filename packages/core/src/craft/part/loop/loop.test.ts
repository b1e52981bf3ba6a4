import { describe, expect, it } from '@jest/globals';
import { testCord, testRuns, testSite } from '../../../testing.js';
import { loop } from './index.js';
import type { LoopPart } from './model.js';

const part: LoopPart = { id: 'l', kind: 'loop', perimeter: 24 };
const folded = testSite(testRuns(['core', 'core'], testCord(1), { folded: true }), [], {
  first: true,
});
const single = testSite(testRuns(['core'], testCord(1)), [], { last: true });

describe('loop', () => {
  it('of folds takes half of its way round from each half', () => {
    const round = loop
      .layOut(part, folded, 0)
      .uses.filter((use) => use.reason.code === 'start.loop')
      .map((use) => use.reason.mm);
    // Its middle runs pi times the cord further than its inside.
    expect(round.reduce((a, b) => a + b, 0)).toBeCloseTo(24 + Math.PI, 9);
  });
  it('of a cut end takes the whole way, and an end to leave below the knot', () => {
    const { uses } = loop.layOut(part, single, 0);
    expect(uses.find((use) => use.reason.code === 'start.loop')?.reason.mm).toBeCloseTo(
      24 + Math.PI,
      9,
    );
    expect(uses.some((use) => use.reason.code === 'end.turned-back')).toBe(true);
  });
  it('lies out half of its way round and its knot', () => {
    expect(loop.layOut(part, folded, 0).length).toBeGreaterThan(12);
  });
  it('belongs at an end', () => {
    const inside = testSite(testRuns(['core']));
    expect(loop.layOut(part, inside, 0).advice[0]?.code).toBe('loop.place');
  });
  it('is tried before its knot is tight', () => {
    expect(loop.steps(part, folded, loop.layOut(part, folded, 0), 'left')[0]?.text).toMatch(
      /before you pull/,
    );
  });
});
