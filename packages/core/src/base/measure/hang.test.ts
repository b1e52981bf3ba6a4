import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { hangOf, hangsByItself, hangsWithWeight, type Front } from './hang.js';

const lengths = fc.tuple(
  fc.double({ min: 60, max: 200, noNaN: true }),
  fc.double({ min: 1.01, max: 8, noNaN: true }),
);
/** The way from one end to the other, in small steps. */
function walked({ at }: Front, length: number): number {
  const steps = 4000;
  let sum = 0;
  for (let i = 0; i < steps; i++) {
    const [x0, y0] = at(-length / 2 + (length * i) / steps);
    const [x1, y1] = at(-length / 2 + (length * (i + 1)) / steps);
    sum += Math.hypot(x1 - x0, y1 - y0);
  }
  return sum;
}

describe.each([
  ['by itself', hangsByItself],
  ['with a weight', hangsWithWeight],
])('a line that hangs %s', (_, hang) => {
  it('is as long as it is, between ends as far apart as they are, and level', () => {
    fc.assert(
      fc.property(lengths, ([span, slack]) => {
        const length = span * slack;
        const line = hang(span, length);
        expect(walked(line, length)).toBeCloseTo(length, 2);
        const [left, right] = [line.at(-length / 2), line.at(length / 2)];
        expect(right[0] - left[0]).toBeCloseTo(span, 3);
        expect(right[1]).toBeCloseTo(left[1], 6);
        expect(right[1]).toBeCloseTo(line.sag, 6);
        expect(line.at(0)[1]).toBeCloseTo(0, 9);
      }),
      { numRuns: 60 },
    );
  });
  it('hangs lower the longer it is, and never lower than half its length', () => {
    const sags = [100, 101, 120, 200, 400].map((length) => hang(100, length).sag);
    expect([...sags].sort((a, b) => a - b)).toEqual(sags);
    expect(sags[0]).toBe(0);
    expect(sags.at(-1)!).toBeLessThan(200);
  });
});

describe('a catenary', () => {
  it('has the sag of the textbooks: (L/2)² = s² + 2as', () => {
    // Any textbook of statics, from memory: with the parameter a, half the length squared is s² + 2as.
    const { sag, at } = hangsByItself(120, 300);
    const a = ((300 / 2) ** 2 - sag ** 2) / (2 * sag);
    expect(2 * a * Math.sinh(120 / (2 * a))).toBeCloseTo(300, 6);
    expect(at(40)).toEqual([
      expect.closeTo(a * Math.asinh(40 / a), 6),
      expect.closeTo(Math.hypot(a, 40) - a, 6),
    ]);
  });
});

describe('a necklace on a neck', () => {
  it('lies in its hollow where it is as long as the neck, and shorter ones do so too', () => {
    for (const heavy of [true, false]) {
      expect(hangOf(360, 360, heavy).drop).toBe(0);
      expect(hangOf(360, 300, heavy).drop).toBe(0);
    }
  });
  it('comes to lie about where the trade says it does', () => {
    // Common practice, no source: on a neck of 14 inches one of 16 inches lies at the base of the throat, of 18 at the
    // collarbone, of 20 a few centimetres below, of 24 at the top of the bust.
    const drops = [16, 18, 20, 24].map((inches) => hangOf(355.6, inches * 25.4, true).drop);
    expect(drops[0]).toBeGreaterThan(10);
    expect(drops[0]).toBeLessThan(40);
    expect(drops[1]).toBeLessThan(70);
    expect(drops[2]).toBeLessThan(100);
    expect(drops[3]).toBeGreaterThan(110);
    expect(drops[3]).toBeLessThan(170);
  });
  it('drops less on a thicker neck', () => {
    expect(hangOf(400, 500, false).drop).toBeLessThan(hangOf(340, 500, false).drop);
  });
});
