import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { evenness } from './evenness.js';

describe('how even a hand is', () => {
  it('is not told by fewer than three swatches', () => {
    expect(evenness([])).toBeNull();
    expect(evenness([1, 1.1])).toBeNull();
  });
  it('is the sample standard deviation of what differs little', () => {
    // By hand: 0.98, 1.00, 1.02 differ from their mean by 0.02, 0, 0.02: sqrt(0.0008 / 2) = 0.02.
    const told = evenness([0.98, 1, 1.02])!;
    expect(told.spread).toBeCloseTo(0.02, 4);
    expect(told.mean).toBeCloseTo(1, 3);
  });
  it('does not depend on how much cord the hand takes, or in which order', () => {
    const ratios = fc.array(fc.double({ min: 0.5, max: 2, noNaN: true }), {
      minLength: 3,
      maxLength: 12,
    });
    fc.assert(
      fc.property(ratios, fc.double({ min: 0.5, max: 2, noNaN: true }), (own, more) => {
        const one = evenness(own)!;
        const other = evenness([...own].reverse().map((ratio) => ratio * more))!;
        expect(other.spread).toBeCloseTo(one.spread, 9);
        expect(other.mean).toBeCloseTo(one.mean * more, 9);
      }),
    );
  });
  it('is called even, fair or uneven', () => {
    expect(evenness([1, 1.01, 1.02])?.grade).toBe('even');
    expect(evenness([1, 1.04, 1.08])?.grade).toBe('fair');
    expect(evenness([1, 1.2, 0.8])?.grade).toBe('uneven');
  });
});
