import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { easeAmount } from './ease.js';
import { flexibleLengthFor, innerCircumference } from './fit.js';
import type { RoundPart } from './ring.js';

const flexible = (length: number, height: number): RoundPart => ({
  kind: 'flexible',
  length,
  height,
});
const rigid = (length: number, height: number): RoundPart => ({ kind: 'rigid', length, height });
const lengths = fc.double({ min: 20, max: 400, noNaN: true });
const heights = fc.double({ min: 0, max: 8, noNaN: true });

describe('fit solver', () => {
  it('corrects uniform work by pi times its thickness', () => {
    // Steiner's formula for the parallel curve of a convex curve.
    fc.assert(
      fc.property(lengths, heights, (length, height) => {
        fc.pre(length > 2 * Math.PI * height + 1);
        const t = 2 * height;
        expect(innerCircumference([flexible(length, height)])).toBeCloseTo(length - Math.PI * t, 6);
        expect(flexibleLengthFor(length, height, [])).toBeCloseTo(length + Math.PI * t, 6);
      }),
    );
  });

  it('gives back the circumference it was asked for, with a buckle in the round', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 120, max: 260, noNaN: true }),
        heights,
        fc.double({ min: 10, max: 50, noNaN: true }),
        (circumference, height, buckle) => {
          const part = rigid(buckle, 4);
          const length = flexibleLengthFor(circumference, height, [part]);
          expect(innerCircumference([flexible(length, height), part])).toBeCloseTo(
            circumference,
            6,
          );
        },
      ),
    );
  });

  it('sets a rigid part as a tangent, which reaches round less than a flexible one', () => {
    const bent = innerCircumference([flexible(200, 5), flexible(40, 5)]);
    const straight = innerCircumference([flexible(200, 5), rigid(40, 5)]);
    expect(straight).toBeLessThan(bent);
    // What leaves it runs straight on both sides: about a tenth of what is rigid.
    expect(bent - straight).toBeLessThan(5);
  });

  it('grows with every part and shrinks with thickness', () => {
    fc.assert(
      fc.property(lengths, heights, (length, height) => {
        const base = [flexible(150, height), rigid(30, 4)];
        const c = innerCircumference(base);
        expect(innerCircumference([...base, flexible(length, height)])).toBeGreaterThan(c);
        expect(innerCircumference([flexible(150, height + 1), rigid(30, 4)])).toBeLessThan(c);
      }),
    );
  });

  it('counts turns', () => {
    expect(innerCircumference([flexible(600, 3)], 3)).toBeCloseTo(200 - 6 * Math.PI, 6);
  });

  it('refuses a piece that cannot close', () => {
    expect(() => innerCircumference([flexible(10, 5)])).toThrow(RangeError);
    expect(() => innerCircumference([])).toThrow(RangeError);
  });

  it('takes a thick cord of 8 mm with 7.5 in inside to about 8.5 in of cord', () => {
    // Common practice, no source.
    expect(flexibleLengthFor(7.5 * 25.4, 4, []) / 25.4).toBeCloseTo(8.5, 1);
  });
});

describe('ease', () => {
  it('gives an inch for two fingers and half an inch to an inch otherwise', () => {
    // Common practice, no source.
    expect(easeAmount({ rule: 'two-fingers' })).toBe(25.4);
    expect(easeAmount({ rule: 'half-inch' })).toBe(12.7);
    expect(easeAmount({ rule: 'own', amount: 8 })).toBe(8);
    expect(() => easeAmount({ rule: 'own' })).toThrow(RangeError);
  });
});
