import { describe, expect, it } from '@jest/globals';
import { testCord, testRuns, testSite } from '../../../testing.js';
import { focal } from './index.js';
import type { FocalPart } from './model.js';

const bar: FocalPart = focal.make({ id: 'f', bead: '', cord: testCord(3), runs: 2 });
const site = testSite(testRuns(['core'], testCord(3)));

describe('bar or pendant', () => {
  it('stands straight on the round as a bar, and takes no room of its own as a pendant', () => {
    expect(focal.layOut(bar, site, 0).round).toEqual([
      { kind: 'rigid', length: 35, height: 2.5, sits: 'flat' },
    ]);
    expect(focal.layOut({ ...bar, form: 'pendant', length: 4 }, site, 0).round[0]?.kind).toBe(
      'flexible',
    );
  });
  it('asks whether the cords go through, and is on the list of what to have ready', () => {
    const layout = focal.layOut(bar, site, 0);
    expect(layout.passages[0]?.hole).toBe(4);
    expect(layout.needs).toEqual([{ id: 'Focal bar', label: 'Focal bar', count: 1 }]);
  });
  it('is drawn as long as it is', () => {
    const shapes = focal.draw(bar, site, focal.layOut(bar, site, 0), {
      part: 'f',
      done: 1,
      firstSide: 'left',
    });
    const xs = shapes.flatMap((s) => (s.kind === 'plate' ? s.outlines.flat().map(([x]) => x) : []));
    expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(35, 6);
  });
});
