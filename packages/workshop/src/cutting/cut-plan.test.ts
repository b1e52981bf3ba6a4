import { describe, expect, it } from '@jest/globals';
import { loadSolver } from '@coiled-strand/solver';
import fc from 'fast-check';
import { cutPlans, type CutPlan } from './cut-plan.js';
import type { CordLot, WantedCut } from './of-one-thing.js';

const solve = await loadSolver();
const means = { solve, left: () => Infinity };

function planned(cuts: readonly WantedCut[], lots: readonly CordLot[]): CutPlan {
  let last: CutPlan | null = null;
  for (const plan of cutPlans(cuts, lots, means)) last = plan;
  return last!;
}

const lot = (id: string, length: number, more: Partial<CordLot> = {}): CordLot => ({
  id,
  thing: 'blue',
  length,
  dyeLot: null,
  whole: false,
  useful: 300,
  ...more,
});
const cut = (id: string, length: number, more: Partial<WantedCut> = {}): WantedCut => ({
  id,
  thing: 'blue',
  length,
  ...more,
});

/** Which lot each cut comes from. */
const from = (plan: CutPlan): Record<string, string> =>
  Object.fromEntries(plan.lots.flatMap(({ lot: id, cuts }) => cuts.map((c) => [c.id, id])));

describe('a cutting session', () => {
  it('uses an offcut that fits before it opens a spool', () => {
    const plan = planned(
      [cut('a', 900), cut('b', 2000)],
      [lot('spool', 30_000, { whole: true }), lot('offcut', 950), lot('begun', 5000)],
    );
    // 50 mm of the offcut would be waste; the begun spool gives both without any.
    expect(plan).toMatchObject({ waste: 0, opened: 0, proof: { kind: 'proven' } });
    expect(from(plan)).toEqual({ a: 'begun', b: 'begun' });
    const exact = planned([cut('a', 950)], [lot('spool', 30_000, { whole: true }), lot('o', 950)]);
    expect(from(exact)).toEqual({ a: 'o' });
  });
  it('cuts the longest first, and tells what is kept', () => {
    const plan = planned([cut('short', 400), cut('long', 900)], [lot('one', 1700)]);
    expect(plan.lots[0]).toMatchObject({ lot: 'one', rest: 400, kept: true });
    expect(plan.lots[0]!.cuts.map(({ id }) => id)).toEqual(['long', 'short']);
    expect(plan.cut).toBe(1300);
  });
  it('cuts each cord from its own lots', () => {
    const plan = planned(
      [cut('a', 500), cut('b', 500, { thing: 'red' })],
      [lot('red lot', 900, { thing: 'red' }), lot('blue lot', 900)],
    );
    expect(from(plan)).toEqual({ a: 'blue lot', b: 'red lot' });
  });
  it('says why something cannot be cut', () => {
    const plan = planned(
      [cut('none', 500, { thing: 'red' }), cut('long', 2000), cut('a', 900), cut('b', 850)],
      [lot('one', 1000)],
    );
    const why = Object.fromEntries(plan.uncut.map((u) => [u.cut.id, [u.because, u.longest]]));
    expect(why).toEqual({
      none: ['none', 0],
      long: ['too-short', 100],
      b: ['needed', 100],
    });
    expect(planned([], [])).toMatchObject({ lots: [], uncut: [], proof: { kind: 'proven' } });
  });
  it('takes cuts that belong together from one dye lot', () => {
    const lots = [
      lot('a1', 1000, { dyeLot: 'A' }),
      lot('b1', 1000, { dyeLot: 'B' }),
      lot('a2', 1000, { dyeLot: 'A' }),
      lot('b2', 400, { dyeLot: 'B' }),
    ];
    const own = (piece: string): WantedCut[] => [
      cut(`${piece}1`, 1000, { together: piece }),
      cut(`${piece}2`, 400, { together: piece }),
    ];
    const where = from(planned([...own('x'), cut('free', 1000)], lots));
    const dye = (id: string): string => where[id]![0]!;
    expect(dye('x1')).toBe(dye('x2'));
    expect(Object.keys(where)).toHaveLength(3);
    // Where only the first dye lot could give it, and not all of it, something stays uncut rather than mixed.
    const short = planned(own('x'), [lots[0]!, lots[3]!]);
    expect(short.uncut.map((u) => u.cut.id)).toEqual(['x2']);
  });
  it('takes lots whose dye lot was not noted for each its own', () => {
    const plan = planned(
      [cut('x1', 900, { together: 'x' }), cut('x2', 900, { together: 'x' })],
      [lot('one', 1000), lot('two', 1000)],
    );
    expect(plan.uncut).toHaveLength(1);
  });
  it('overdraws no lot, cuts nothing twice and keeps dye lots, whatever it is asked', () => {
    const cuts = fc.array(
      fc.record({
        thing: fc.constantFrom('blue', 'red'),
        length: fc.double({ min: 50, max: 900, noNaN: true }),
        together: fc.constantFrom(undefined, 'x', 'y'),
      }),
      { maxLength: 9 },
    );
    const lots = fc.array(
      fc.record({
        thing: fc.constantFrom('blue', 'red'),
        length: fc.double({ min: 0, max: 2500, noNaN: true }),
        dyeLot: fc.constantFrom(null, 'A', 'B'),
        whole: fc.boolean(),
      }),
      { maxLength: 6 },
    );
    fc.assert(
      fc.property(cuts, lots, (some, stock) => {
        const wanted = some.map((one, i): WantedCut => ({ ...one, id: `c${i}` }));
        const at = stock.map((one, i): CordLot => ({ ...one, id: `l${i}`, useful: 200 }));
        const plan = planned(wanted, at);
        const seen = [
          ...plan.lots.flatMap((one) => one.cuts.map(({ id }) => id)),
          ...plan.uncut.map((u) => u.cut.id),
        ];
        expect([...seen].sort()).toEqual(wanted.map(({ id }) => id).sort());
        const dyes = new Map<string, string>();
        for (const one of plan.lots) {
          const source = at.find(({ id }) => id === one.lot)!;
          expect(one.rest).toBeGreaterThanOrEqual(-1e-6);
          for (const c of one.cuts) {
            expect(c.thing).toBe(source.thing);
            if (c.together === undefined) continue;
            const key = `${c.thing} ${c.together}`;
            const dye = source.dyeLot ?? source.id;
            expect(dyes.get(key) ?? dye).toBe(dye);
            dyes.set(key, dye);
          }
        }
      }),
      { numRuns: 60 },
    );
  });
});
