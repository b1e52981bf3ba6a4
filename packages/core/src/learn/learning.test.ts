import { describe, expect, it } from '@jest/globals';
import { observe } from '../make/observe.js';
import { EXAMPLE_CORD, EXAMPLE_PIECE } from '../piece/example.js';
import { planned, random } from '../testing.js';
import { forget, learnFrom, nextMake, priorBelief, surprise, type Belief } from './belief.js';
import { handOf, lessonsFrom, type Hand, type Observation } from './hand.js';
import { normalCdf } from './normal-cdf.js';
import { normalQuantile } from './normal-quantile.js';
import { reserveFactor } from './reserve.js';

const after = (spread: number, ratios: readonly number[]): Belief =>
  ratios.reduce(learnFrom, priorBelief(spread));
const takeUp = (ratio: number, spread = 0.11): Observation => ({
  technique: 'square-knot-sinnet',
  cordKind: EXAMPLE_CORD.kind,
  measure: 'take-up',
  ratio,
  spread,
});

describe('normalCdf', () => {
  it('undoes the quantile, in the middle and in the tails', () => {
    for (const p of [1e-8, 0.001, 0.05, 0.3, 0.5, 0.8, 0.95, 0.999]) {
      expect(normalCdf(normalQuantile(p)) / p).toBeCloseTo(1, 9);
    }
  });
  it.each([
    // NIST/SEMATECH e-Handbook, table of the standard normal; more digits from memory.
    [0, 0.5],
    [1, 0.8413447460685],
    [1.96, 0.9750021048518],
    [3, 0.9986501019684],
    [-4, 0.00003167124183],
  ])('at %d', (z, p) => expect(normalCdf(z)).toBeCloseTo(p, 12));
  it('is nought and one far out', () => {
    expect([normalCdf(-50), normalCdf(50)]).toEqual([0, 1]);
    expect(normalCdf(Number.NaN)).toBeNaN();
  });
});

describe('a belief', () => {
  it('begins at the model with the spread of all hands', () => {
    expect(nextMake(priorBelief(0.11))).toEqual({
      factor: 1,
      spread: expect.closeTo(0.11, 12),
      rests: 0,
    });
  });
  it('does not mind in which order makes come', () => {
    const [a, b] = [after(0.1, [0.9, 1.1, 1.2]), after(0.1, [1.2, 0.9, 1.1])];
    expect(a.mean).toBeCloseTo(b.mean, 12);
    expect(a.sd).toBeCloseTo(b.sd, 12);
  });
  it('goes to what is measured and grows surer, but never surer than one make wobbles', () => {
    const few = nextMake(after(0.11, [1.2]));
    const many = nextMake(
      after(
        0.11,
        Array.from({ length: 200 }, () => 1.2),
      ),
    );
    expect(few.factor).toBeGreaterThan(1.1);
    expect(few.factor).toBeLessThan(1.2);
    expect(many.factor).toBeCloseTo(1.2, 3);
    expect(many.spread).toBeLessThan(few.spread);
    expect(many.spread).toBeGreaterThan(0.055);
  });
  it('forgets what it learnt, and is as it was before', () => {
    const [a, b] = [after(0.11, [1.1, 0.95]), after(0.11, [1.1, 0.95, 1.3])];
    const back = forget(b, 1.3);
    expect(back.mean).toBeCloseTo(a.mean, 12);
    expect(back.sd).toBeCloseTo(a.sd, 12);
    expect(forget(after(0.11, [1.3]), 1.3).sd).toBeCloseTo(priorBelief(0.11).sd, 12);
    expect(() => forget(priorBelief(0.11), 1)).toThrow(RangeError);
  });
  it('calls a slip surprising', () => {
    expect(Math.abs(surprise(after(0.11, [1.05, 1.08, 1.06]), 1.07))).toBeLessThan(1);
    expect(surprise(after(0.11, [1.05, 1.08, 1.06]), 1.6)).toBeGreaterThan(2.5);
  });
  it('refuses what is no factor', () => {
    expect(() => learnFrom(priorBelief(0.1), 0)).toThrow(RangeError);
    expect(() => learnFrom(priorBelief(0.1), Number.NaN)).toThrow(RangeError);
  });
});

describe('simulated makers', () => {
  it('of 5 % from make to make are known to 3 % after five makes', () => {
    // The prior's wobble of a spread of 10 % is those 5 %.
    const { normal } = random(7);
    const makers = 2000;
    let squares = 0;
    for (let m = 0; m < makers; m++) {
      const truth = 0.0866 * normal();
      const ratios = Array.from({ length: 5 }, () => Math.exp(truth + 0.05 * normal()));
      squares += (after(0.1, ratios).mean - truth) ** 2;
    }
    expect(Math.sqrt(squares / makers)).toBeLessThan(0.03);
  });
  it('of a technique that spreads 5 % in all are known to 3 % nearly always', () => {
    const { normal } = random(8);
    const makers = 2000;
    let near = 0;
    for (let m = 0; m < makers; m++) {
      const truth = 0.0433 * normal();
      const ratios = Array.from({ length: 5 }, () => Math.exp(truth + 0.025 * normal()));
      if (Math.abs(after(0.05, ratios).mean - truth) < 0.03) near++;
    }
    expect(near / makers).toBeGreaterThan(0.98);
  });

  const MAKES = 10_000;
  const BINOMIAL = 3 * Math.sqrt((0.05 * 0.95) / MAKES);
  it.each([0, 1, 5])('after %d makes, a cut at 95 %% sureness runs out once in twenty', (makes) => {
    const { normal } = random(100 + makes);
    const prior = priorBelief(0.11);
    let short = 0;
    for (let i = 0; i < MAKES; i++) {
      const truth = prior.sd * normal();
      const make = (): number => Math.exp(truth + prior.wobble * normal());
      const known = nextMake(after(0.11, Array.from({ length: makes }, make)));
      if (make() > known.factor * reserveFactor(0.95, known.spread)) short++;
    }
    expect(Math.abs(short / MAKES - 0.05)).toBeLessThan(BINOMIAL);
  });

  it('cut from real plans, five makes logged: the cord runs out once in twenty', () => {
    // A thousand makers, ten more makes each by the same cut list.
    const { normal } = random(11);
    const prior = priorBelief(0.11);
    const first = planned(EXAMPLE_PIECE);
    const knots = first.strands[0]!.reasons.find((r) => r.code === 'knot.half')!.mm;
    const ends = /^(end|reserve|knot)/;
    const fixed = first.strands[0]!.reasons.filter((r) => !ends.test(r.code)).reduce(
      (sum, r) => sum + r.mm,
      0,
    );
    let short = 0;
    for (let maker = 0; maker < MAKES / 10; maker++) {
      const truth = prior.sd * normal();
      const factor = (): number => Math.exp(truth + prior.wobble * normal());
      const observations = Array.from({ length: 5 }, () =>
        observe(EXAMPLE_PIECE, first, {
          cords: [{ cut: 9000, leftover: 9000 - fixed - knots * factor() }],
          length: first.fit.length,
          minutes: 1,
        }).filter((o) => o.measure === 'take-up'),
      ).flat();
      expect(observations).toHaveLength(5);
      const strand = planned(EXAMPLE_PIECE, handOf(lessonsFrom(observations))).strands[0]!;
      const tails = strand.reasons
        .filter((r) => r.area === 'end')
        .reduce((sum, r) => sum + r.mm, 0);
      for (let i = 0; i < 10; i++) {
        if (fixed + knots * factor() + tails > strand.total) short++;
      }
    }
    // Makes of one cut list hang together, so the error is wider than that of single ones.
    expect(Math.abs(short / MAKES - 0.05)).toBeLessThan(2.5 * BINOMIAL);
  });
});

describe('lessons', () => {
  const hand: Hand = handOf(lessonsFrom([takeUp(1.2), takeUp(1.25), takeUp(1.22)]));
  it('are kept apart by technique, cord and measure', () => {
    const lessons = lessonsFrom([
      takeUp(1.1),
      { ...takeUp(0.9), measure: 'pitch' },
      { ...takeUp(1.3), cordKind: 'hemp' },
      takeUp(1.2),
    ]);
    expect(lessons.map((lesson) => lesson.observations.length)).toEqual([2, 1, 1]);
    expect(lessons[0]!.before.spread).toBeCloseTo(0.11, 12);
    expect(lessons[0]!.after.rests).toBe(2);
  });
  it('tell what does not agree with the rest', () => {
    const [lesson] = lessonsFrom([1.04, 1.05, 1.06, 1.05, 1.7].map((r) => takeUp(r)));
    const [odd, ...others] = [...lesson!.observations].sort(
      (a, b) => Math.abs(b.surprise) - Math.abs(a.surprise),
    );
    expect(odd!.ratio).toBe(1.7);
    expect(odd!.surprise).toBeGreaterThan(2.5);
    expect(others.every((o) => Math.abs(o.surprise) < 2.5)).toBe(true);
  });
  it('go into the cut list of that technique, and its reasons say so', () => {
    const [plain, known] = [planned(EXAMPLE_PIECE), planned(EXAMPLE_PIECE, hand)];
    const of = (plan: typeof plain, code: string) =>
      plan.strands[0]!.reasons.find((r) => r.code === code);
    const { factor } = hand[0]!;
    expect(of(known, 'knot.half')!.mm).toBeCloseTo(of(plain, 'knot.half')!.mm * factor, 9);
    expect(of(known, 'knot.half')!.detail).toMatch(
      /your hand takes 1\d(\.\d)? % more.*measured 3 times/,
    );
    expect(of(known, 'reserve')!.mm).toBeLessThan(of(plain, 'reserve')!.mm);
    expect(of(known, 'reserve')!.detail).toMatch(/^your makes differ/);
    const sum = known.strands[0]!.reasons.reduce((s, r) => s + r.mm, 0);
    expect(sum).toBeCloseTo(known.strands[0]!.total, 9);
  });
  it('of a pitch change how many are tied, not how long the work is', () => {
    const pitch: Hand = [{ ...hand[0]!, measure: 'pitch', factor: 1.25 }];
    const [plain, known] = [planned(EXAMPLE_PIECE), planned(EXAMPLE_PIECE, pitch)];
    expect(known.fit.length).toBeCloseTo(plain.fit.length, 6);
    const units = plain.parts[0]!.layout.units;
    expect(known.parts[0]!.layout.units).toBeCloseTo(units / 1.25, -1);
  });
  it('of another cord or technique leave the piece as it is', () => {
    const other: Hand = [
      { ...hand[0]!, cordKind: 'hemp' },
      { ...hand[0]!, technique: 'plait' },
    ];
    expect(planned(EXAMPLE_PIECE, other).totals).toEqual(planned(EXAMPLE_PIECE).totals);
  });
});
