import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { cents, shareOut, wholeCents } from './money.js';
import { niceUp, priceOf, PRICING, wageAt, type Material, type Pricing } from './price.js';

const materials = fc.array(
  fc.record({
    name: fc.string(),
    unit: fc.constantFrom('mm' as const, 'piece' as const),
    amount: fc.double({ min: 0, max: 1e5, noNaN: true }),
    each: fc.oneof(fc.constant(null), fc.double({ min: 0, max: 50, noNaN: true })),
  }),
  { maxLength: 6 },
);
const pricing: fc.Arbitrary<Pricing> = fc.record({
  hour: fc.integer({ min: 0, max: 10_000 }),
  overhead: fc.double({ min: 0, max: 3, noNaN: true }),
  margin: fc.double({ min: 0, max: 3, noNaN: true }),
  nice: fc.constantFrom(0, 1, 5, 50, 100, 500),
  below: fc.constantFrom(0, 1),
});

describe('a price', () => {
  it('is the sum of its reasons to the cent, in whole cents', () => {
    fc.assert(
      fc.property(
        materials,
        fc.record({
          minutes: fc.double({ min: 0, max: 5000, noNaN: true }),
          sd: fc.double({ min: 0, max: 0.5, noNaN: true }),
        }),
        pricing,
        (some, work, how) => {
          const price = priceOf(some, work, how);
          expect(price.reasons.reduce((sum, r) => sum + r.cents, 0)).toBe(price.cents);
          expect(price.reasons.every((r) => Number.isSafeInteger(r.cents))).toBe(true);
          expect(price.low).toBeLessThanOrEqual(price.cents);
          expect(price.high).toBeGreaterThanOrEqual(price.cents);
          if (how.nice > 0) expect((price.cents + how.below) % how.nice).toBe(0);
        },
      ),
    );
  });
  it('comes about as by hand', () => {
    const cord: Material = { name: 'cord', unit: 'mm', amount: 3000, each: 0.035 };
    const { reasons, cents: all } = priceOf(
      [cord, { name: 'bead', unit: 'piece', amount: 4, each: null }],
      { minutes: 40, sd: 0 },
      PRICING,
    );
    // 3 m at 0.35 are 1.05; 40 min at 15.00 are 10.00; 15 % of 11.05 are 1.66; 10 % of 12.71 are 1.27: 13.98.
    expect(reasons.map((r) => r.cents)).toEqual([105, 0, 1000, 166, 127, 2]);
    expect(reasons[1]).toMatchObject({ unknown: true });
    expect(all).toBe(1400);
  });
  it('is rounded up to one that looks nice, never down', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e6 }), pricing, (sum, how) => {
        const nice = niceUp(sum, how);
        expect(nice).toBeGreaterThanOrEqual(sum);
        expect(nice - sum).toBeLessThan(Math.max(1, how.nice));
      }),
    );
  });
  it('backwards gives the wage that it was made with', () => {
    fc.assert(
      fc.property(materials, pricing, fc.integer({ min: 30, max: 600 }), (some, how, minutes) => {
        const plain = { ...how, margin: 0, nice: 0 };
        const { cents: all } = priceOf(some, { minutes, sd: 0 }, plain);
        const wage = wageAt(all, some, minutes, plain)!;
        // Cents are whole on the way there and back.
        expect(Math.abs(wage - how.hour)).toBeLessThanOrEqual(Math.ceil(90 / minutes) + 1);
      }),
    );
    expect(wageAt(500, [], 0, PRICING)).toBeNull();
    expect(
      wageAt(500, [{ name: 'gold', unit: 'piece', amount: 1, each: 900 }], 60, PRICING),
    ).toBeLessThan(0);
  });
});

describe('cents', () => {
  it('are whole, also where a binary fraction is a hair too small', () => {
    expect([0.35, 1.005, 8.165, -2.5].map(cents)).toEqual([35, 101, 817, -250]);
  });
  it('of a share are what decimals on paper give, halves up', () => {
    expect(wholeCents(90 * 0.35)).toBe(32);
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1_000_000 }),
        fc.integer({ min: 0, max: 300 }),
        (sum, percent) => {
          const exact = BigInt(sum) * BigInt(percent);
          // In hundredths of a cent: half of them is 50.
          expect(wholeCents(sum * (percent / 100))).toBe(Number((exact + 50n) / 100n));
        },
      ),
      { numRuns: 500, seed: 3 },
    );
    expect(wholeCents(-2.5)).toBe(-3);
  });
  it('shared out add up', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1e6 }),
        fc.array(fc.double({ min: 0.01, max: 1e4, noNaN: true }), { minLength: 1, maxLength: 9 }),
        (total, shares) => {
          const out = shareOut(total, shares);
          const sum = shares.reduce((all, share) => all + share, 0);
          expect(out.reduce((all, one) => all + one, 0)).toBe(total);
          out.forEach((one, i) =>
            expect(Math.abs(one - (total * shares[i]!) / sum)).toBeLessThan(1.001),
          );
        },
      ),
    );
    expect(() => shareOut(5, [0, 0])).toThrow(RangeError);
  });
});
