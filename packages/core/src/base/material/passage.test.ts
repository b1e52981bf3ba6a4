import { packedDiameter } from '@coiled-strand/rope';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { random, testCord } from '../../testing.js';
import { bundleDiameter, passage } from './passage.js';

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

describe('unlike cords in one hole', () => {
  it('two need exactly the sum of their diameters', () => {
    expect(bundleDiameter([3, 0.5])).toBe(3.5);
    expect(bundleDiameter([0.5, 3])).toBe(3.5);
  });
  it('nineteen alike need 4.86 diameters', () => {
    // Circle packing in a circle: 1 + sqrt(2) + sqrt(6) = 4.8637 for 18 and 19.
    expect(packedDiameter(19)).toBeCloseTo(1 + Math.SQRT2 + Math.sqrt(6), 3);
  });
  it.each([
    [2, 2, 1.9],
    [2, 1.6, 1.2],
    [3, 2, 1.8],
    [1.2, 1, 0.9],
  ])('three of %d, %d and %d need the circle that touches all of them', (a, b, c) => {
    // Descartes’ theorem for four circles that touch each other, the outer one bent the other way.
    const [k1, k2, k3] = [2 / a, 2 / b, 2 / c];
    const k = k1 + k2 + k3 - 2 * Math.sqrt(k1 * k2 + k2 * k3 + k3 * k1);
    expect(bundleDiameter([a, b, c])).toBeCloseTo(2 / Math.abs(k), 2);
  });
  it('a thin one beside two thick ones needs no more room', () => {
    expect(bundleDiameter([2, 2, 0.2])).toBeCloseTo(4, 3);
  });
  it('holds what is in it, is never larger than all in a row, and grows with every cord', () => {
    const { uniform } = random(5);
    for (let i = 0; i < 200; i++) {
      const ds = Array.from({ length: 2 + Math.floor(uniform() * 6) }, () => 0.4 + 3 * uniform());
      const hole = bundleDiameter(ds);
      expect(hole ** 2).toBeGreaterThan(ds.reduce((sum, d) => sum + d * d, 0));
      expect(hole).toBeLessThanOrEqual(ds.reduce((sum, d) => sum + d, 0) + 1e-3);
      expect(bundleDiameter([...ds].reverse())).toBe(hole);
      // What just fits through goes through; laid greedily it may take a few per cent more room.
      const alike = ds.map(() => Math.max(...ds));
      expect(hole).toBeLessThan(bundleDiameter(alike) * 1.06);
    }
  });
});
