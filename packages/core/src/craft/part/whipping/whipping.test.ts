import { describe, expect, it } from '@jest/globals';
import { coilCord, wrapTurn } from '../../knot/wraps.js';
import { inMm, testCord, testRuns, testSite } from '../../../testing.js';
import { whipping, type WhippingPart } from './index.js';

const part: WhippingPart = { id: 'w', kind: 'whipping', cord: testCord(0.5), turns: 10 };
const site = testSite(testRuns(['core', 'core', 'core'], testCord(2)));

describe('whipping', () => {
  it('is as long as its turns are wide', () => {
    expect(whipping.layOut(part, site, 0).length).toBeCloseTo(5, 9);
  });
  it('winds a helix: a turn is as long as geometry says', () => {
    // Length per turn of radius a and pitch p: sqrt((2 pi a)^2 + p^2), elementary. Round a rod of one
    // diameter the middle runs at one diameter: a = 1, p = 1.
    expect(wrapTurn(Math.PI)).toBeCloseTo(Math.hypot(2 * Math.PI, 1), 12);
  });
  it('goes round the returning end as well', () => {
    // Two cords side by side and a third in the hollow between them: hulls of two and of three circles that
    // touch, by straight runs between their middles and one circle.
    const [two, three] = [2 + Math.PI, 3 + Math.PI];
    const turn = Math.hypot(three + Math.PI, 1);
    expect(coilCord(10, two, 1)).toBeCloseTo(10 * turn + 10, 9);
  });
  it('has a cord of its own on the cut list', () => {
    const [cord] = whipping.layOut(part, site, 0).auxiliary;
    expect(cord?.cord?.diameter).toBe(0.5);
    expect(cord?.reasons.map((reason) => reason.code)).toEqual(['knot.coil', 'end.hold']);
  });
  it('takes only its length of the strands', () => {
    expect(whipping.layOut(part, site, 0).uses.map((use) => use.reason.mm)).toEqual([5, 5, 5]);
  });
  it('is counted turn by turn, without crossing', () => {
    const [step] = whipping.steps(part, site, whipping.layOut(part, site, 0), 'left');
    expect(step?.units).toBe(10);
    expect(inMm(step!.text)).toContain('none across another');
  });
});
