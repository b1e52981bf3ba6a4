import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { coverCuts } from './cover-cuts.js';
import { coverNeed, type Pack } from './packs.js';
import { inchesToOrder, withSpare } from './spare.js';

/** Cost, leftover and number of the best of all ways, by trying every number of every pack. */
function byTrying(need: number, packs: readonly Pack[]): [number, number, number] {
  let best: [number, number, number] = [Infinity, Infinity, Infinity];
  const visit = (i: number, size: number, cents: number, count: number): void => {
    if (size >= need || i === packs.length) {
      const found: [number, number, number] = [cents, size - need, count];
      const first = found.findIndex((value, k) => Math.abs(value - best[k]!) > 1e-9);
      if (size >= need && first >= 0 && found[first]! < best[first]!) best = found;
      return;
    }
    const { size: each, cents: price } = packs[i]!;
    for (let n = 0; n <= Math.ceil(need / each); n++) {
      visit(i + 1, size + n * each, cents + n * price, count + n);
    }
  };
  visit(0, 0, 0, 0);
  return best;
}

const packsOf = (sizes: fc.Arbitrary<number>) =>
  fc.array(fc.record({ size: sizes, cents: fc.integer({ min: 0, max: 900 }) }), {
    minLength: 1,
    maxLength: 4,
  });

describe('packs that cover a need', () => {
  it('are the cheapest, then those with least left over, as trying all of them finds', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60 }),
        packsOf(fc.integer({ min: 3, max: 25 })),
        (need, some) => {
          const packs = some.map((pack, i): Pack => ({ id: String(i), ...pack }));
          const found = coverNeed(need, packs)!;
          const count = found.packs.reduce((sum, one) => sum + one.count, 0);
          expect([found.cents, found.over, count]).toEqual(byTrying(need, packs));
        },
      ),
    );
  });
  it('are never too little, whatever the sizes are', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 5e6, noNaN: true }),
        packsOf(fc.double({ min: 25, max: 1e5, noNaN: true })),
        (need, some) => {
          const found = coverNeed(
            need,
            some.map((pack, i) => ({ id: String(i), ...pack })),
          )!;
          expect(found.size).toBeGreaterThanOrEqual(need - 1e-6);
          expect(found.over).toBeCloseTo(found.size - need, 6);
        },
      ),
      { numRuns: 40 },
    );
  });
  it('mix spools and cut lengths', () => {
    const packs = [
      { id: 'spool', size: 30_000, cents: 900 },
      { id: 'large', size: 100_000, cents: 2400 },
      { id: 'metre', size: 1000, cents: 60 },
    ];
    const of = (metres: number) =>
      coverNeed(metres * 1000, packs)!.packs.map(({ pack, count }) => `${count} ${pack.id}`);
    expect(of(4.2)).toEqual(['5 metre']);
    expect(of(31)).toEqual(['1 spool', '1 metre']);
    expect(of(80)).toEqual(['1 large']);
  });
  it('are none where nothing is sold or nothing is missing', () => {
    expect(coverNeed(10, [])).toBeNull();
    expect(coverNeed(0, [{ id: 'a', size: 5, cents: 1 }])!.packs).toEqual([]);
  });
});

describe('packs that cuts are made from', () => {
  const skein = { id: 'skein', size: 8000, cents: 110 };
  const metre = { id: 'metre', size: 1000, cents: 20 };
  it('are so many that every cut comes out of one piece', () => {
    const said = (cuts: readonly number[], packs: readonly Pack[]) =>
      coverCuts(cuts, packs)?.packs.map(({ pack, count }) => `${count} ${pack.id}`);
    expect(said([5000, 5000, 5000], [skein])).toEqual(['3 skein']);
    expect(said([5000, 3000], [skein])).toEqual(['1 skein']);
    // By the metre it is one piece, however many metres.
    expect(said([2500, 2500], [metre])).toEqual(['5 metre']);
    expect(said([9000], [skein])).toBeUndefined();
    expect(coverCuts([], [skein])!.packs).toEqual([]);
  });
  it('cost the least, whichever cuts share a pack', () => {
    const packs = [
      { id: 'long', size: 8000, cents: 180 },
      { id: 'short', size: 5000, cents: 52 },
    ];
    // 600 and 1800 come out of what 5600 leaves of the long one.
    expect(coverCuts([600, 5600, 1800, 5000, 4500], packs)).toMatchObject({ cents: 284 });
  });
  it('cost what trying every way costs', () => {
    /** Every cut in one of the packs that are begun, or in a new one. */
    const least = (
      cuts: readonly number[],
      packs: readonly Pack[],
      left: readonly number[] = [],
      spent = 0,
      best = Infinity,
    ): number => {
      if (spent >= best) return best;
      const [first, ...rest] = cuts;
      if (first === undefined) return spent;
      let found = best;
      left.forEach((room, i) => {
        if (room < first) return;
        const now = left.map((one, k) => (k === i ? one - first : one));
        found = Math.min(found, least(rest, packs, now, spent, found));
      });
      for (const { size, cents } of packs) {
        if (size < first) continue;
        found = Math.min(found, least(rest, packs, [...left, size - first], spent + cents, found));
      }
      return found;
    };
    const length = fc.integer({ min: 300, max: 7000 });
    const pack = fc.record({
      id: fc.constantFrom('a', 'b', 'c'),
      size: fc.integer({ min: 2000, max: 12_000 }),
      cents: fc.integer({ min: 1, max: 400 }),
    });
    fc.assert(
      fc.property(
        fc.array(length, { minLength: 1, maxLength: 6 }),
        fc.uniqueArray(pack, { minLength: 1, maxLength: 3, selector: ({ id }) => id }),
        (cuts, packs) => {
          const want = least(cuts, packs);
          expect(coverCuts(cuts, packs)?.cents ?? Infinity).toBe(want);
        },
      ),
      { numRuns: 300, seed: 9 },
    );
  });
  it('of many cuts are found too, each out of one piece', () => {
    const cuts = Array.from({ length: 40 }, (_, i) => 1500 + 37 * i);
    const found = coverCuts(cuts, [skein])!;
    // At least as many as their length takes, and fewer than one for each three.
    expect(found.packs[0]!.count).toBeGreaterThanOrEqual(
      Math.ceil(cuts.reduce((sum, one) => sum + one, 0) / 8000),
    );
    expect(found.packs[0]!.count).toBeLessThan(cuts.length / 2);
  });
  it('leave over what is more than the cuts', () => {
    expect(coverCuts([5000, 5000], [skein])).toMatchObject({ size: 16_000, over: 6000 });
  });
});

describe('spare', () => {
  it('is one bead in twenty, begun ones counted', () => {
    expect([1, 20, 21, 0].map((n) => withSpare(n))).toEqual([2, 21, 23, 0]);
    expect(withSpare(30, 0)).toBe(30);
  });
  it('is one inch of what is sold by the inch', () => {
    // Common practice, no source: round up, and one inch more.
    expect([215.9, 216, 215.8].map(inchesToOrder)).toEqual([10, 10, 10]);
    expect(inchesToOrder(8.5 * 25.4)).toBe(10);
    expect(inchesToOrder(8 * 25.4)).toBe(9);
  });
});
