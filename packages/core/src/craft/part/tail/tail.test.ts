import { describe, expect, it } from '@jest/globals';
import { testRuns, testSite } from '../../../testing.js';
import { tail, type TailPart } from './index.js';

const part: TailPart = { id: 't', kind: 'tail', length: 60 };
const runs = testRuns(['core', 'core']);

describe('hanging ends', () => {
  it('take cord and go round nothing', () => {
    const layout = tail.layOut(part, testSite(runs, [], { last: true }), 0);
    expect(layout.round).toEqual([]);
    expect(layout.uses.map((use) => use.reason.mm)).toEqual([60, 60]);
    expect(layout.advice).toEqual([]);
  });
  it('belong at an end', () => {
    expect(tail.layOut(part, testSite(runs), 0).advice[0]?.code).toBe('tail.place');
  });
  it('are drawn with their ends showing', () => {
    const site = testSite(runs, [], { last: true });
    const shapes = tail.draw(part, site, tail.layOut(part, site, 0), {
      part: 't',
      done: 1,
      firstSide: 'left',
    });
    expect(shapes.every((shape) => shape.kind === 'cord' && shape.ends === 'round')).toBe(true);
  });
  it('say that they stay', () => {
    expect(
      tail.steps(part, testSite(runs), tail.layOut(part, testSite(runs), 0), 'left')[0]?.text,
    ).toContain('stay');
  });
});
