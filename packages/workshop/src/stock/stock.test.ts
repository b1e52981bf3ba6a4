import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { testBead, testCord } from '@coiled-strand/core/testing';
import { difference, leftOf, moved, opposite, stands, type Movement } from './ledger.js';
import { worthKeeping } from './offcuts.js';
import { likeKey, thingKey, thingName } from './thing.js';
import { assumedDensity, countByWeight, lengthByWeight, weighedDensity } from './weight.js';

describe('a ledger', () => {
  const amounts = fc.array(fc.double({ min: -2000, max: 2000, noNaN: true }), { maxLength: 40 });
  /** Writes what is not refused, as a server does. */
  const written = (asked: readonly number[]): Movement[] => {
    const all: Movement[] = [];
    for (const amount of asked) {
      if (moved(leftOf(all), amount).ok) {
        all.push({ id: String(all.length), amount, reason: 'bought', undoes: null });
      }
    }
    return all;
  };
  it('is never below nothing, whatever is asked of it', () => {
    fc.assert(
      fc.property(amounts, (asked) => {
        const all = written(asked);
        all.forEach((_, i) => expect(leftOf(all.slice(0, i + 1))).toBeGreaterThanOrEqual(-1e-6));
      }),
    );
  });
  it('says what is left as the sum, and by how much a movement is too large', () => {
    fc.assert(
      fc.property(amounts, fc.double({ min: 0, max: 1e5, noNaN: true }), (asked, more) => {
        const left = leftOf(written(asked));
        const refused = moved(left, -(left + more + 1));
        expect(refused).toEqual({ ok: false, short: expect.closeTo(more + 1, 6) });
        expect(moved(left, -left)).toMatchObject({ ok: true, left: 0 });
      }),
    );
  });
  it('is as before when a movement is undone', () => {
    fc.assert(
      fc.property(amounts, fc.nat(), (asked, which) => {
        const all = written(asked);
        if (all.length === 0) return;
        const one = all[which % all.length]!;
        const back: Movement = { id: 'back', ...opposite(one) };
        expect(leftOf([...all, back])).toBeCloseTo(leftOf(all.filter((m) => m !== one)), 6);
        expect(stands(one, [...all, back])).toBe(false);
        expect(stands(back, [...all, back])).toBe(false);
        expect(stands(one, all)).toBe(true);
      }),
    );
  });
  it('takes what was found as a difference', () => {
    expect(moved(31_000, difference(31_000, 30_400))).toEqual({ ok: true, left: 30_400 });
    expect(moved(31_000, difference(31_000, 0))).toEqual({ ok: true, left: 0 });
  });
});

describe('what is left over', () => {
  it('is kept where it is long enough for this maker', () => {
    const left = [{ length: 80 }, { length: 300 }, { length: 640 }];
    expect(worthKeeping(left)).toEqual({ kept: [{ length: 640 }, { length: 300 }], waste: 80 });
    expect(worthKeeping(left, 50).kept).toHaveLength(3);
    expect(worthKeeping([], 50)).toEqual({ kept: [], waste: 0 });
  });
});

describe('cord by weight', () => {
  const sure = (value: number) => ({ value, uncertainty: 0 });
  it('type III cord is at most 6.6 g to the metre', () => {
    // MIL-C-5040H, type III: at least 225 ft to the pound, from memory.
    const most = 453.59237 / (225 * 0.3048);
    expect(most).toBeCloseTo(6.614, 3);
    expect(assumedDensity({ kind: 'paracord', diameter: 4 }).value).toBeLessThanOrEqual(most);
    expect(assumedDensity({ kind: 'paracord', diameter: 4 }).value).toBeGreaterThan(most * 0.9);
  });
  it('a weighed length tells what is on the spool, with how far that may be off', () => {
    const density = weighedDensity(
      { value: 13.2, uncertainty: 0.1 },
      { value: 2000, uncertainty: 5 },
    );
    expect(density).toMatchObject({ value: expect.closeTo(6.6, 9), assumed: false });
    const found = lengthByWeight({ value: 260, uncertainty: 0.5 }, sure(55.4), density)!;
    expect(found.value).toBeCloseTo(31_000, 6);
    // By hand: 0.5 g are 76 mm; the density is known to 0.8 % = 247 mm.
    expect(found.uncertainty).toBeCloseTo(
      Math.hypot(75.76, 31_000 * Math.hypot(0.1 / 13.2, 0.0025)),
      0,
    );
  });
  it('gives by simulation the spread that it states', () => {
    const weight = { value: 260, uncertainty: 1 };
    const tare = { value: 55, uncertainty: 2 };
    const density = { value: 6.6, uncertainty: 0.2 };
    const { value, uncertainty } = lengthByWeight(weight, tare, density)!;
    let state = 7;
    const normal = (): number => {
      let sum = -6;
      for (let i = 0; i < 12; i++) {
        state = (state * 48_271) % 2_147_483_647;
        sum += state / 2_147_483_647;
      }
      return sum;
    };
    const draw = (of: { value: number; uncertainty: number }): number =>
      of.value + normal() * of.uncertainty;
    const lengths = Array.from(
      { length: 20_000 },
      () => ((draw(weight) - draw(tare)) / draw(density)) * 1000,
    );
    const mean = lengths.reduce((sum, l) => sum + l, 0) / lengths.length;
    const spread = Math.sqrt(lengths.reduce((sum, l) => sum + (l - mean) ** 2, 0) / lengths.length);
    expect(mean / value).toBeCloseTo(1, 2);
    expect(spread / uncertainty).toBeCloseTo(1, 1);
  });
  it('an empty spool holds nothing, and one lighter than that is a mistake', () => {
    expect(lengthByWeight(sure(55), sure(55), sure(6.6))!.value).toBe(0);
    expect(lengthByWeight(sure(54), sure(55), sure(6.6))).toBeNull();
    expect(countByWeight(sure(54), sure(55), sure(0.3))).toBeNull();
  });
  it('counts beads', () => {
    expect(countByWeight(sure(31.2), sure(0), sure(0.26))).toEqual({ value: 120, uncertainty: 0 });
  });
});

describe('a thing', () => {
  it('is the same whatever it cost and however many there are', () => {
    const cord = testCord(2);
    const one = thingKey({ kind: 'cord', cord });
    expect(thingKey({ kind: 'cord', cord: { ...cord, price: 3, effective: 0.9 } })).toBe(one);
    expect(thingKey({ kind: 'cord', cord: { ...cord, diameter: 3 } })).not.toBe(one);
    const other = { ...cord, colour: { name: 'red', hex: '#ff0000' } };
    expect(thingKey({ kind: 'cord', cord: other })).not.toBe(one);
    expect(likeKey(other)).toBe(likeKey(cord));
    const bead = testBead('six', 6);
    expect(thingKey({ kind: 'bead', bead: { ...bead, count: 3 } })).toBe(
      thingKey({ kind: 'bead', bead }),
    );
    expect([
      thingName({ kind: 'cord', cord }),
      thingName({ kind: 'bead', bead }),
      thingName({ kind: 'finding', name: 'Ring' }),
    ]).toEqual(['test cord', 'six', 'Ring']);
  });
});
