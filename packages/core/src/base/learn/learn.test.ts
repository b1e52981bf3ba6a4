import { describe, expect, it } from '@jest/globals';
import { normalQuantile } from './normal-quantile.js';
import { meanFactor, reserveFactor } from './reserve.js';

describe('normalQuantile', () => {
  it.each([
    // NIST/SEMATECH e-Handbook, table of the standard normal; more digits from memory.
    [0.5, 0],
    [0.9, 1.2815515655446],
    [0.95, 1.6448536269515],
    [0.975, 1.9599639845401],
    [0.99, 2.3263478740408],
    [0.999, 3.0902323061678],
  ])('at %d', (p, z) => {
    expect(normalQuantile(p)).toBeCloseTo(z, 10);
    expect(normalQuantile(1 - p)).toBeCloseTo(-z, 10);
  });
  it('refuses what is no probability', () => {
    expect(() => normalQuantile(1)).toThrow(RangeError);
    expect(() => normalQuantile(Number.NaN)).toThrow(RangeError);
  });
});

describe('reserve', () => {
  it('holds in simulation: at 95 % confidence one make in twenty runs short', () => {
    // Seeded Lehmer generator and Box-Muller: the count is the same on every machine.
    let seed = 12345;
    const uniform = (): number => (seed = (seed * 48271) % 2147483647) / 2147483647;
    const makes = 20_000;
    let short = 0;
    for (let i = 0; i < makes; i++) {
      const z = Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
      if (Math.exp(0.11 * z) > reserveFactor(0.95, 0.11)) short++;
    }
    // Three binomial standard deviations.
    expect(Math.abs(short / makes - 0.05)).toBeLessThan(3 * Math.sqrt((0.05 * 0.95) / makes));
  });
  it('asks for nothing where nothing varies', () => {
    expect(reserveFactor(0.95, 0)).toBe(1);
    expect(meanFactor(0)).toBe(1);
  });
});
