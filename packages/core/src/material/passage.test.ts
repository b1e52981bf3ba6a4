import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { testCord } from '../testing.js';
import { bundleDiameter, packedDiameter, passage } from './passage.js';

describe('cords in a hole', () => {
  // Circle packing in a circle; Graham (1968), Pirl (1969).
  it.each([
    [1, 1],
    [2, 2],
    [3, 2.1547],
    [4, 2.4142],
    [5, 2.7013],
    [6, 3],
    [7, 3],
  ])('%d equal ones fit a circle of %d diameters', (m, want) => {
    expect(packedDiameter(m)).toBeCloseTo(want, 4);
  });
  it('three and four are where their centres are a triangle and a square', () => {
    expect(packedDiameter(3)).toBeCloseTo(1 + 2 / Math.sqrt(3), 4);
    expect(packedDiameter(4)).toBeCloseTo(1 + Math.SQRT2, 4);
  });
  it('take more room the more there are, and never less than their area', () => {
    for (let m = 1; m < 60; m++) {
      expect(packedDiameter(m + 1)).toBeGreaterThanOrEqual(packedDiameter(m));
      expect(packedDiameter(m)).toBeGreaterThanOrEqual(Math.sqrt(m));
    }
  });
  it('never take less together than the two thickest side by side', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.2, max: 6, noNaN: true }), { minLength: 2, maxLength: 9 }),
        (ds) => {
          const [a, b] = [...ds].sort((x, y) => y - x);
          expect(bundleDiameter(ds)).toBeGreaterThanOrEqual(a! + b! - 1e-9);
        },
      ),
    );
  });
  it('go, go with a needle, or do not', () => {
    const nylon = testCord(1);
    const answers = [2.1, 1.6, 1.4].map((hole) => passage(hole, [nylon, nylon]).answer);
    expect(answers).toEqual(['goes', 'needle', 'no']);
  });
  it('of leather give less than of nylon', () => {
    const two = (kind: 'leather' | 'nylon-cord') =>
      passage(1.7, [testCord(1, { kind }), testCord(1, { kind })]).answer;
    expect(two('nylon-cord')).toBe('needle');
    expect(two('leather')).toBe('no');
  });
});
