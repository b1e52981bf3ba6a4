import { polylineLength } from '@coiled-strand/rope';
import { describe, expect, it } from '@jest/globals';
import { STOPPER_FORMS, stopper, stopperCurve } from '../../knot/stopper.js';

import { testCord, testRuns, testSite } from '../../../testing.js';
import { stopperKnot } from './index.js';
import type { StopperPart } from './model.js';

const part: StopperPart = {
  id: 'k',
  kind: 'stopper-knot',
  form: 'overhand',
  tied: 'together',
  runs: null,
};
const one = testSite(testRuns(['core'], testCord(2)));
const layOut = (more: Partial<StopperPart>, site = one) =>
  stopperKnot.layOut({ ...part, ...more }, site, 0);
const knots = (layout: ReturnType<typeof layOut>): number[] =>
  layout.uses.filter((u) => u.reason.area === 'knot').map((u) => u.reason.mm);

describe('stopper knots', () => {
  // Ropelength of the tight trefoil 32.74 and figure-eight knot 42.09 in radii (Ashton, Cantarella,
  // Piatek, Rawdon 2011): closed, 16.37 and 21.05 diameters. A knot in a long rope saves the way home:
  // about its own length and what leads back to it.
  it.each([
    ['overhand', 16.37],
    ['figure-eight', 21.05],
  ] as const)(
    '%s takes less cord than the tight closed knot, and more than half of it',
    (form, closed) => {
      const { uses, length } = stopper(form, 1);
      expect(uses + length).toBeLessThan(closed);
      expect(uses + length).toBeGreaterThan(closed / 2);
    },
  );
  it('take as many diameters as the model says, and as often as they are tied', () => {
    expect(knots(layOut({}))[0]).toBeCloseTo(2 * stopper('overhand', 1).uses, 9);
    expect(knots(layOut({ form: 'triple-barrel' }))[0]).toBeCloseTo(
      2 * stopper('triple-barrel', 1).uses,
      9,
    );
  });
  it('take more cord the more turns they have', () => {
    const order = ['overhand', 'figure-eight', 'double-barrel', 'triple-barrel'] as const;
    const lengths = order.map((form) => stopper(form, 1).uses);
    expect(lengths).toEqual([...lengths].sort((a, b) => a - b));
  });
  it('are thicker in all cords together than in each by itself', () => {
    const two = testSite(testRuns(['core', 'core'], testCord(2)));
    const together = layOut({}, two);
    const each = layOut({ tied: 'each' }, two);
    expect(knots(together)[0]).toBeGreaterThan(knots(each)[0] ?? Infinity);
    expect(together.length).toBeGreaterThan(each.length);
  });
  it('leave the other cords straight', () => {
    const layout = layOut({ runs: [1] }, testSite(testRuns(['core', 'core'], testCord(2))));
    expect(knots(layout)).toHaveLength(1);
    expect(layout.uses.filter((u) => u.reason.code === 'run.straight')).toHaveLength(2);
  });
  it.each(STOPPER_FORMS)('%s is drawn as long as it is reckoned', (form) => {
    const { uses, length } = stopper(form, 1);
    // The radius of the turns is chosen for that; a polygon of 16 corners a turn is 1 % short.
    const drawn = polylineLength(stopperCurve(form));
    expect(Math.abs(drawn / (uses + length) - 1)).toBeLessThan(0.12);
  });
  it('tell how each is tied', () => {
    const tied = STOPPER_FORMS.map(
      (form) => stopperKnot.steps({ ...part, form }, one, layOut({ form }), 'left')[0]!.tied![0]!,
    );
    expect(tied.map(({ tying }) => tying)).toEqual(STOPPER_FORMS);
    expect(tied.every(({ mirrored }) => !mirrored)).toBe(true);
    const [left] = stopperKnot.steps(part, one, layOut({}), 'right');
    expect(left!.tied![0]!.mirrored).toBe(true);
  });
});
