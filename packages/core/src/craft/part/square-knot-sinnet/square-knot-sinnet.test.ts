import { polylineLength } from '@coiled-strand/rope';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import { testCord, testRuns, testSite } from '../../../testing.js';
import { halfKnotCurve, placed } from './curve.js';
import { squareKnotSinnet, type SinnetPart } from './index.js';
import { crossSection, halfKnotCord, naturalPitch } from './model.js';

const part = (more: Partial<SinnetPart> = {}): SinnetPart => ({
  id: 'band',
  kind: 'square-knot-sinnet',
  form: 'flat',
  tension: 'even',
  length: null,
  units: null,
  ...more,
});
const site = (more = {}) =>
  testSite(testRuns(['core', 'core', 'working', 'working'], testCord(4)), [], more);
const layOut = (length: number, more = {}) => squareKnotSinnet.layOut(part(), site(more), length);
const knots = (layout: ReturnType<typeof layOut>) =>
  layout.uses.filter((use) => use.reason.area === 'knot').map((use) => use.reason);

describe('model numbers', () => {
  // An earlier tightening of model ropes, by another method; both are good to half a per cent.
  it.each([
    ['one', 1, 15.15],
    ['two-flat', 1, 17.06],
    ['two-by-two', 1, 19.07],
  ] as const)('takes the tightened length on a %s core', (bundle, ratio, want) => {
    expect(Math.abs(halfKnotCord('flat', bundle, ratio, 2) / want - 1)).toBeLessThan(0.008);
  });
  it('takes more when packed and when pulled long', () => {
    const snug = halfKnotCord('flat', 'two-flat', 1, 2);
    expect(halfKnotCord('flat', 'two-flat', 1, 1.75) - snug).toBeCloseTo(0.6, 1);
    expect(halfKnotCord('flat', 'two-flat', 1, 1.5) - snug).toBeCloseTo(1.04, 1);
    expect(halfKnotCord('flat', 'two-flat', 1, 2.5) - snug).toBeCloseTo(1, 1);
  });
  it.each([
    ['even', 10.5],
    ['hard', 12.1],
    ['soft', 9.2],
  ] as const)('takes the trade’s 9 to 12 times its length at %s tension', (tension, want) => {
    // Common practice, no source: nine to twelve times the finished length, core counted.
    const p = naturalPitch('flat', 'two-flat', 1, tension);
    expect(halfKnotCord('flat', 'two-flat', 1, p) / p + 2).toBeCloseTo(want, 0);
  });
  it('takes the spiral’s own values', () => {
    expect(halfKnotCord('spiral', 'one', 1, 1.84)).toBeCloseTo(14.97, 0);
    expect(halfKnotCord('spiral', 'one', 2, 1.79)).toBeCloseTo(17.97, 0);
  });
  it('is 5.8 by 3 diameters on two cores and 4.8 by 3 on one', () => {
    expect(crossSection('flat', 'two-flat', 1)).toEqual({ width: 5.8, thickness: 3 });
    expect(crossSection('flat', 'one', 1)).toEqual({ width: 4.8, thickness: 3 });
    expect(crossSection('flat', 'two-by-two', 1)).toEqual({ width: 6, thickness: 4 });
  });
});

describe('curve', () => {
  const forms = fc.constantFrom('flat', 'spiral');
  const bundles = fc.constantFrom('one', 'two-flat', 'two-by-two');
  it('is exactly as long as the model says: drawn is measured', () => {
    fc.assert(
      fc.property(
        forms,
        bundles,
        fc.double({ min: 0.6, max: 1.6, noNaN: true }),
        fc.double({ min: 1.6, max: 2.6, noNaN: true }),
        (form, bundle, ratio, pitch) => {
          const curve = halfKnotCurve(form, bundle, ratio, pitch);
          const want = halfKnotCord(form, bundle, ratio, pitch);
          expect(Math.abs(curve.length / want - 1)).toBeLessThan(1e-6);
        },
      ),
      { numRuns: 40 },
    );
  });
  it.each(['flat', 'spiral'] as const)(
    'joins on to the next half knot without a gap: %s',
    (form) => {
      const curve = halfKnotCurve(form, 'two-flat', 1, 2);
      for (const line of [curve.front, curve.back]) {
        for (let unit = 0; unit < 5; unit++) {
          const end = placed(line, form, unit, 2, curve.turn).at(-1) as readonly number[];
          const start = placed(line, form, unit + 1, 2, curve.turn)[0] as readonly number[];
          expect(polylineLength([end, start])).toBeLessThan(1e-9);
        }
      }
    },
  );
  it('uses the same length of both cords', () => {
    const { front, back } = halfKnotCurve('flat', 'two-flat', 1, 2);
    expect(polylineLength(front)).toBeCloseTo(polylineLength(back), 9);
  });
});

describe('layout', () => {
  it('fills the length with a whole number of half knots near the natural pitch', () => {
    fc.assert(
      fc.property(fc.double({ min: 60, max: 400, noNaN: true }), (length) => {
        const layout = layOut(length);
        expect(layout.units * layout.pitch).toBeCloseTo(length, 9);
        // Whole square knots from twelve half knots on: at most one half knot in twelve.
        expect(Math.abs(layout.pitch / 8 - 1)).toBeLessThan(1 / 12 + 1e-9);
      }),
    );
  });
  it('ties a chosen number at the natural pitch', () => {
    const layout = squareKnotSinnet.layOut(part({ units: 6 }), site(), 0);
    expect(layout.units).toBe(6);
    expect(layout.length).toBeCloseTo(6 * naturalPitch('flat', 'two-flat', 1, 'even') * 4, 9);
  });
  it('never takes less cord for a longer band', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 60, max: 300, noNaN: true }),
        fc.double({ min: 0, max: 60, noNaN: true }),
        (length, more) => {
          const cordIn = (l: number): number =>
            knots(layOut(l)).reduce((sum, reason) => sum + reason.mm, 0);
          // The pitch evens out to fill the length, which may save up to one half knot's slack.
          expect(cordIn(length + more)).toBeGreaterThan(cordIn(length) - 8);
        },
      ),
    );
  });
  it('ties thicker work over hidden core ends, and says so', () => {
    const [hidden, , plain] = knots(layOut(200, { buried: 30 }));
    expect(hidden?.times?.count).toBe(4);
    expect(hidden?.times?.each).toBeGreaterThan(plain?.times?.each ?? Infinity);
    expect(hidden?.detail).toContain('turned-back');
  });
  it('takes fewer half knots of a hand that ties them longer', () => {
    const units = layOut(200, { pitchFactor: 1.25 }).units;
    expect(Math.abs(units - layOut(200).units / 1.25)).toBeLessThanOrEqual(1);
  });
  it('wants two working cords and a core', () => {
    const layout = squareKnotSinnet.layOut(part(), testSite(testRuns(['core', 'core'])), 100);
    expect(layout.advice[0]?.code).toBe('sinnet.cords');
    expect(layout.advice[0]?.severity).toBe('error');
  });
});

describe('drawing', () => {
  const two = testSite(testRuns(['working', 'working', 'core'], testCord(4)));
  const layout = squareKnotSinnet.layOut(part(), two, 160);
  const draw = (done: number, firstSide: 'left' | 'right') =>
    squareKnotSinnet.draw(part(), two, layout, { part: 'band', done, firstSide });
  it('lays one front crossing per half knot, at the layout’s pitch', () => {
    const near = draw(20, 'left').find((shape) => shape.key === 'band-front-near-laid');
    if (near?.kind !== 'cord') throw new Error('no front cord was drawn');
    const crossings = near.lines
      .flatMap((line) => line.slice(1).map((p, i) => [line[i], p] as const))
      .filter(([a, b]) => a && (a[1] === 0) !== (b[1] === 0))
      .map(([a, b]) => (a?.[1] === 0 ? a[0] : b[0]))
      .map((x) => Math.round(x * 1000) / 1000);
    const places = [...new Set(crossings)].sort((a, b) => a - b);
    expect(places).toHaveLength(layout.units);
    places.forEach((x, i) => expect(x).toBeCloseTo((i + 0.5) * layout.pitch, 2));
  });
  it('draws what is tied as laid and the rest as planned, starting from the chosen side', () => {
    expect(draw(5, 'left').map((x) => x.key)).toContain('band-front-near-planned');
    const y = (side: 'left' | 'right'): number => {
      const shape = draw(5, side).find((x) => x.key === 'band-front-near-laid');
      return shape?.kind === 'cord' ? (shape.lines[0]?.[3]?.[1] ?? 0) : 0;
    };
    expect(y('left')).toBeCloseTo(-y('right'), 9);
  });
  it('alternates sides when flat and keeps to one when spiral', () => {
    const sides = (form: 'flat' | 'spiral') => {
      const [step] = squareKnotSinnet.steps(part({ form }), two, layout, 'left');
      return [0, 1, 2, 3].map((u) => step?.sideOf?.(u, 'left'));
    };
    expect(sides('flat')).toEqual(['left', 'right', 'left', 'right']);
    expect(sides('spiral')).toEqual(['left', 'left', 'left', 'left']);
  });
  it('is tied from the side that is next, each time by the cord that lies there', () => {
    const tied = (form: 'flat' | 'spiral') =>
      squareKnotSinnet.steps(part({ form }), two, layout, 'left')[0]!.tied!;
    // Strands of a half knot: the core, then the cord on the left and the one on the right.
    const [flat, again] = tied('flat');
    expect([flat!.tying, again!.tying]).toEqual(['half-knot.left.1', 'half-knot.right.1']);
    expect(again!.strands.slice(-2)).toEqual(flat!.strands.slice(-2).reverse());
    const [spiral, on] = tied('spiral');
    expect([spiral!.tying, on!.tying]).toEqual(['half-knot.left.1', 'half-knot.left.1']);
    expect(on!.strands.slice(-2)).toEqual(spiral!.strands.slice(-2).reverse());
  });
});
