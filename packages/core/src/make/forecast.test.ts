import { describe, expect, it } from '@jest/globals';
import { deep } from '../../../../scripts/lib/deep.mjs';
import {
  ANY_HAND,
  DRIFT_SPREAD,
  handOf,
  lessonsFrom,
  type Observation,
} from '../base/learn/hand.js';
import type { Piece } from '../piece/piece.js';
import { EXAMPLE_CORD, EXAMPLE_PIECE } from '../piece/example.js';
import { templateById } from '../plan/template/templates.js';
import { BAND_CORDS, planned, random } from '../testing.js';
import { forecast, type HalfWay } from './forecast.js';
import { endsOf } from '../plan/end-lengths.js';
import { observe } from './observe.js';
import { partStates } from './rest.js';

/** Every stretch of a make is as much off it, for itself. */
const DRIFT = DRIFT_SPREAD / Math.SQRT2;

const own: Piece = { ...EXAMPLE_PIECE, strands: BAND_CORDS['own-core'](EXAMPLE_CORD) };
const plan = planned(own);
const part = plan.parts[0]!;
const knots = plan.strands[1]!.reasons.filter((r) => r.technique).reduce((sum, r) => sum + r.mm, 0);
const ends = endsOf(own, plan)[1]!;
const straight =
  partStates(own, plan, ANY_HAND, {})[0]!.cost.strands[1]!.straight * part.layout.units;

/** A make that is half done, with factors of its own, on a working cord of some length. */
const halfDone = (
  takeUp: number,
  pitch: number,
  cut = plan.strands[1]!.cut,
  share = 0.5,
): HalfWay & { readonly cut: number } => {
  const units = Math.round(part.layout.units * share);
  const of = units / part.layout.units;
  return {
    cut,
    done: { [part.id]: units },
    length: part.layout.length * of * pitch,
    left: [null, cut - ends.start - straight * of * pitch - knots * of * takeUp],
  };
};

describe('half way', () => {
  it('a hand as planned comes out as planned, and the cord lasts', () => {
    const seen = forecast(own, plan, ANY_HAND, halfDone(1, 1));
    expect(seen.pitchFactor.factor).toBeCloseTo(1, 6);
    expect(seen.takeUpFactor.factor).toBeCloseTo(1, 6);
    expect(seen.length.mid).toBeCloseTo(plan.fit.length, 1);
    expect(seen.lasts).toBeGreaterThan(0.99);
    expect(seen.latest.all).toBe(true);
    expect(seen.fill!.toLength).toBe(seen.fill!.planned);
  });
  it('before the first knot it is as sure as the cut list', () => {
    const seen = forecast(own, plan, ANY_HAND, { done: {}, length: 0, left: [null, null] });
    expect(seen.lasts).toBeGreaterThan(0.9);
    expect(seen.lasts).toBeLessThan(0.99);
    expect(seen.takeUpFactor).toEqual({
      factor: 1,
      sd: expect.closeTo(Math.hypot(0.11, DRIFT), 9),
    });
  });
  it('sees the hand of this make: its pitch, its take-up, the length that comes out', () => {
    const seen = forecast(own, plan, ANY_HAND, halfDone(1.12, 0.94));
    expect(seen.takeUpFactor.factor).toBeCloseTo(1.12, 1);
    expect(seen.pitchFactor.factor).toBeCloseTo(0.94, 1);
    expect(seen.takeUpFactor.sd).toBeLessThan(0.04);
    expect(Math.abs(seen.length.mid - plan.fit.length * 0.94)).toBeLessThan(2);
    expect(seen.length.low).toBeLessThan(seen.length.mid);
    expect(seen.length.high).toBeGreaterThan(seen.length.mid);
    // Shorter units: more of them for the same length.
    expect(seen.fill!.toLength).toBeGreaterThan(seen.fill!.planned);
  });
  it('says when the cord will not last, and where to stop', () => {
    const short = halfDone(1.25, 1);
    const seen = forecast(own, plan, ANY_HAND, { ...short, left: [null, short.left[1]! - 400] });
    expect(seen.lasts).toBeLessThan(0.1);
    expect(seen.strands[1]!.needs).toBeGreaterThan(seen.strands[1]!.available);
    expect(seen.latest.all).toBe(false);
    expect(seen.latest.unit).toBeGreaterThanOrEqual(short.done[part.id]!);
    expect(seen.latest.unit).toBeLessThan(part.layout.units);
    expect(seen.latest.length).toBeLessThan(plan.fit.length);
  });
  it('goes part by part through a piece with beads', () => {
    const piece = templateById('beaded-band').make({
      name: 'x',
      wearer: { name: 'Somebody', wrist: 165, hand: 200 },
      cutting: { confidence: 0.95, step: 10, practice: 'practised' },
    });
    const beaded = planned(piece);
    const first = beaded.parts[0]!;
    const half: HalfWay = {
      done: { [first.id]: first.layout.units },
      length: first.layout.length,
      left: piece.strands.map((_, i) => (i === 1 ? 60 : null)),
    };
    const seen = forecast(piece, beaded, ANY_HAND, half);
    expect(seen.lasts).toBe(0);
    expect(seen.strands[1]!.available).toBe(60);
    expect(seen.latest.all).toBe(false);
  });
  it('refuses other cords than the plan’s, and a length that is none', () => {
    const half = halfDone(1, 1);
    expect(() => forecast(own, plan, ANY_HAND, { ...half, left: [1] })).toThrow(RangeError);
    expect(() => forecast(own, plan, ANY_HAND, { ...half, length: -1 })).toThrow(RangeError);
  });
});

describe('simulated makes', () => {
  it('the cord lasts as often as was forecast', () => {
    const { normal, uniform } = random(5);
    const bins = Array.from({ length: 10 }, () => ({ forecast: 0, lasted: 0, count: 0 }));
    for (let i = 0; i < 6000; i++) {
      const takeUp = Math.exp(0.11 * normal());
      const pitch = Math.exp(0.05 * normal());
      const drift = (): number => Math.exp(DRIFT * normal());
      const cut = plan.strands[1]!.total * (0.75 + 0.4 * uniform());
      const share = 0.15 + 0.6 * uniform();
      const half = halfDone(takeUp * drift(), pitch * drift(), cut, share);
      const seen = forecast(
        own,
        { ...plan, strands: plan.strands.map((s, n) => (n === 1 ? { ...s, cut } : s)) },
        ANY_HAND,
        { ...half, length: half.length + normal(), left: [null, half.left[1]! + 5 * normal()] },
      );
      // Tied on to the planned length: as many units as are still missing.
      const later = pitch * drift();
      const units = (part.layout.length - half.length) / (part.layout.pitch * later);
      const needs =
        ends.end + (units / part.layout.units) * (knots * takeUp * drift() + straight * later);
      const bin = bins[Math.min(9, Math.floor(seen.lasts * 10))]!;
      bin.forecast += seen.lasts;
      bin.lasted += needs <= half.left[1]! ? 1 : 0;
      bin.count++;
    }
    for (const { forecast: told, lasted, count } of bins) {
      if (count < 30) continue;
      const p = told / count;
      const error = 3 * Math.sqrt((p * (1 - p)) / count) + 0.02;
      expect(Math.abs(lasted / count - p)).toBeLessThan(error);
    }
    expect(bins.filter((bin) => bin.count >= 30).length).toBeGreaterThanOrEqual(8);
  });

  /** Of bands of nine in ten, how many in 100 hold what comes out, for makers who logged so many makes. */
  function holds(each: number, makes: number, makers: number, seed: number): number {
    const { normal } = random(seed);
    const share = Math.round(part.layout.units / 2) / part.layout.units;
    let inside = 0;
    for (let maker = 0; maker < makers; maker++) {
      const make = () => {
        const pitch = 0.05 * normal();
        return {
          first: Math.exp(pitch + each * normal()),
          rest: Math.exp(pitch + each * normal()),
        };
      };
      const seen = Array.from({ length: makes }, (): Observation[] => {
        const { first, rest } = make();
        const between = part.layout.length * share * first + normal();
        const record = {
          cords: plan.strands.map((strand) => ({ cut: strand.cut, leftover: 0 })),
          length:
            plan.fit.length +
            part.layout.length * (share * first + (1 - share) * rest - 1) +
            normal(),
          minutes: 1,
          between: {
            done: [{ part: part.id, units: share * part.layout.units }],
            length: between,
          },
        };
        return observe(own, plan, record).filter(({ measure }) => measure === 'drift');
      }).flat();
      expect(seen).toHaveLength(makes);
      const hand = handOf(lessonsFrom(seen));
      const { first, rest } = make();
      const half = halfDone(1, first);
      const { low, high } = forecast(own, plan, hand, {
        ...half,
        length: half.length + normal(),
      }).length;
      const length = half.length + part.layout.length * (1 - share) * rest;
      if (length >= low && length <= high) inside++;
    }
    return (100 * inside) / makers;
  }

  const MAKERS = deep(2000, 300);
  /** By how much a share of fewer makers may be off besides, in per cent: two standard deviations of one at 90. */
  const GIVE = deep(0, 3.5);

  it('the length lies in its band nine times in ten', () => {
    for (const makes of [0, 5, 10]) {
      const held = holds(DRIFT, makes, MAKERS, 6 + makes);
      expect(held).toBeGreaterThan(87 - GIVE);
      expect(held).toBeLessThan(94 + GIVE);
    }
  });
  it('of a hand that changes by 5 % within a make too, when some makes were measured in between', () => {
    // In a first make, with nothing but one measurement, nobody can know it: three in five then.
    expect(holds(0.05, 0, MAKERS, 3)).toBeGreaterThan(54 - GIVE);
    expect(holds(0.05, 5, MAKERS, 4)).toBeGreaterThan(81 - GIVE);
    expect(holds(0.05, 10, MAKERS, 5)).toBeGreaterThan(86.5 - GIVE);
    const many = holds(0.05, 20, MAKERS, 6);
    expect(many).toBeGreaterThan(88 - GIVE);
    expect(many).toBeLessThan(95 + GIVE);
  });
  it('a hand that always tightens as it goes is expected to', () => {
    const drift = (ratio: number): Observation => ({
      technique: part.kind,
      cordKind: EXAMPLE_CORD.kind,
      measure: 'drift',
      ratio,
      spread: DRIFT_SPREAD,
      error: 0.02,
    });
    const hand = handOf(lessonsFrom(Array.from({ length: 12 }, () => drift(0.95))));
    const usual = forecast(own, plan, ANY_HAND, halfDone(1, 1));
    const tightens = forecast(own, plan, hand, halfDone(1, 1));
    expect(tightens.length.mid).toBeLessThan(usual.length.mid - 2);
    expect(tightens.fill!.toLength).toBeGreaterThan(usual.fill!.toLength);
  });
});
