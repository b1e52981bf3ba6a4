import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { whereFalling } from './root.js';

describe('where a falling function crosses nought', () => {
  it('is found to the tolerance, however the function bends', () => {
    const bends: ((x: number) => number)[] = [
      (x) => x,
      (x) => x ** 3,
      (x) => Math.expm1(12 * x),
      (x) => Math.atan(200 * x),
      (x) => Math.sign(x) * Math.sqrt(Math.abs(x)),
    ];
    fc.assert(
      fc.property(
        fc.constantFrom(...bends),
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        (bend, root) => {
          const found = whereFalling((x) => -bend(x - root), 0, 1, 1e-10);
          expect(Math.abs(found - root)).toBeLessThan(1e-10);
        },
      ),
    );
  });
  it('takes a few steps where the function is nearly straight', () => {
    let asked = 0;
    whereFalling(
      (x) => {
        asked++;
        return 30 / (x + 2) - 1;
      },
      0.1,
      60,
      1e-10,
    );
    // Halving would ask about forty times.
    expect(asked).toBeLessThan(20);
  });
});
