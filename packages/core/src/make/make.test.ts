import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { EXAMPLE_CORD, EXAMPLE_PIECE } from '../piece/example.js';
import type { Piece } from '../piece/piece.js';
import { BAND_CORDS, planned as planOf } from '../testing.js';
import { handOf, lessonsFrom, type Measure } from '../learn/hand.js';
import { partKind } from '../part/registry.js';
import { compareOutcome, type MakeRecord } from './outcome.js';
import { actionsBefore, doneByPart, placeOf, totalActions, unitsDone } from './progress.js';
import { firstSideFor, makeSteps } from './steps.js';

const cord = EXAMPLE_CORD;
const base = EXAMPLE_PIECE;
const habits = { unit: 'cm', cordUnit: 'ft', hand: 'right' } as const;
const stepsOf = (piece: Piece, hand: 'left' | 'right' = 'right') =>
  makeSteps(piece, planOf(piece), { ...habits, hand });

describe('steps', () => {
  it('says the cut and its middle in the maker’s units before anything is tied', () => {
    const [cut] = stepsOf(base);
    expect(cut?.title).toMatch(/^Cut cord 1: \d+ ft/);
    expect(cut?.text).toContain('mark the middle at');
  });
  it('counts as many half knots as the plan has, sides in turn', () => {
    const tie = stepsOf(base).find((s) => s.id === 'tie-band');
    expect(tie?.units).toBe(planOf(base).parts[0]?.layout.units);
    expect([0, 1, 2].map((u) => tie?.sideOf?.(u))).toEqual(['left', 'right', 'left']);
  });
  it('mirrors for a left-handed maker', () => {
    const tie = stepsOf(base, 'left').find((s) => s.id === 'tie-band');
    expect(tie?.sideOf?.(0)).toBe('right');
    expect(firstSideFor('left')).toBe('right');
  });
  it('keeps flame to cord that melts and names the ends that stay', () => {
    const cautions = (piece: Piece): string[] =>
      stepsOf(piece).flatMap((s) => s.cautions.map((c) => c.kind));
    expect(cautions(base)).toContain('flame');
    const hemp: Piece = {
      ...base,
      strands: BAND_CORDS['one-cord']({ ...cord, kind: 'hemp' }),
      ends: 'glue',
    };
    expect(cautions(hemp)).not.toContain('flame');
    expect(cautions(hemp)).toContain('glue');
    expect(stepsOf(base).find((s) => s.id === 'trim')?.text).toContain('the hitch stay');
  });
  it('adds the caution for a child', () => {
    const child = { ...base, wearer: { name: 'x', wrist: 138, child: true } };
    expect(stepsOf(child).flatMap((s) => s.cautions.map((c) => c.kind))).toContain('child');
  });
  it('joins two cords before the hitch, lays a core’s ends back before knotting', () => {
    const titles = (piece: Piece): string[] => stepsOf(piece).map((s) => s.title);
    const at = (list: string[], part: string): number =>
      list.findIndex((title) => title.includes(part));
    const joined = titles({ ...base, strands: BAND_CORDS['joined-at-fold'](cord) });
    expect(at(joined, 'Join')).toBeGreaterThan(0);
    expect(at(joined, 'Join')).toBeLessThan(at(joined, 'Hitch'));
    const own = titles({ ...base, strands: BAND_CORDS['own-core'](cord) });
    expect(at(own, 'core ends back')).toBeLessThan(at(own, 'Lay cord 2 in'));
    expect(at(own, 'Lay cord 2 in')).toBeLessThan(at(own, 'Tie square knots'));
    const tuck = titles({ ...base, ends: 'tuck' });
    expect(at(tuck, 'Tuck')).toBeLessThan(at(tuck, 'Trim'));
  });
});

describe('progress', () => {
  it('finds its place for every number of actions, and back', () => {
    const steps = stepsOf(base);
    fc.assert(
      fc.property(fc.nat(totalActions(steps)), (done) => {
        const { index, unit } = placeOf(steps, done);
        expect(actionsBefore(steps, index) + unit).toBe(done);
      }),
    );
    expect(placeOf(steps, 10_000).index).toBe(steps.length);
    expect(placeOf(steps, -4)).toEqual({ index: 0, unit: 0 });
  });
  it('counts the half knots of the band only while it is tied', () => {
    const steps = stepsOf(base);
    const before = actionsBefore(
      steps,
      steps.findIndex((s) => s.part === 'band'),
    );
    expect(unitsDone(steps, before - 1, 'band')).toBe(0);
    expect(unitsDone(steps, before + 7, 'band')).toBe(7);
    expect(unitsDone(steps, totalActions(steps), 'band')).toBe(planOf(base).parts[0]?.layout.units);
    expect(unitsDone(steps, 5, 'clasp')).toBe(0);
    expect(doneByPart(steps, before + 7)).toEqual({ band: 7, closure: 1 });
  });
});

describe('outcome', () => {
  const plan = planOf(base);
  const strand = plan.strands[0];
  const fixed = (strand?.reasons ?? [])
    .filter((r) => !/^(reserve|end|knot)/.test(r.code))
    .reduce((s, r) => s + r.mm, 0);
  const working = (strand?.reasons ?? []).find((r) => r.code === 'knot.half')?.mm ?? 0;
  const outcome = (own: MakeRecord): ReturnType<typeof compareOutcome> =>
    compareOutcome(base, plan, own);
  const factor = (own: MakeRecord, measure: Measure): number | undefined =>
    outcome(own).observations.find((o) => o.measure === measure)?.ratio;
  const record = (takeUp: number) => ({
    cords: [{ cut: strand?.cut ?? 0, leftover: (strand?.cut ?? 0) - fixed - working * takeUp }],
    length: plan.fit.length,
    minutes: 40,
  });
  it('finds the take-up a hand really had', () => {
    for (const takeUp of [0.9, 1, 1.17]) {
      expect(factor(record(takeUp), 'take-up')).toBeCloseTo(takeUp, 9);
    }
  });
  it('sets predicted against actual', () => {
    const compared = outcome({ ...record(1), length: plan.fit.length * 1.02 });
    expect(compared.length.off).toBeCloseTo(0.02, 9);
    expect(Math.abs(compared.cords[0]?.off ?? 1)).toBeLessThan(0.01);
  });
  it('finds the pitch of a hand by the length that came out, and by how many were tied', () => {
    const units = plan.parts[0]!.layout.units;
    const usual = factor(record(1), 'pitch')!;
    expect(usual).toBeCloseTo(1, 1);
    const longer = { ...record(1), length: plan.fit.length * 1.05 };
    expect(factor(longer, 'pitch')).toBeCloseTo(usual * 1.05, 9);
    const fewer = { ...record(1), tied: units - 6 };
    expect(factor(fewer, 'pitch')).toBeCloseTo((usual * units) / (units - 6), 9);
  });
  it('takes the time of tying alone for the time per unit', () => {
    const { layout, kind } = plan.parts[0]!;
    const tie = (layout.units * partKind(kind).entry.seconds * 1.3) / 60;
    const stages = { prepare: 12, tie, finish: 9 };
    expect(factor({ ...record(1), stages }, 'time')).toBeCloseTo(1.3, 9);
    expect(factor(record(1), 'time')).toBeUndefined();
  });
  it('measures the model and not what was learnt before', () => {
    const learnt = outcome(record(1.1)).observations.find((o) => o.measure === 'take-up')!;
    const hand = handOf(lessonsFrom([learnt]));
    const known = planOf(base, hand);
    const own = known.strands[0]!;
    const again = compareOutcome(base, known, {
      ...record(1),
      cords: [{ cut: own.cut, leftover: own.cut - fixed - working * 1.1 }],
    });
    expect(again.observations.find((o) => o.measure === 'take-up')?.ratio).toBeCloseTo(1.1, 2);
  });
  it('refuses a record of another piece, and no take-up from an impossible leftover', () => {
    expect(() => outcome({ ...record(1), cords: [] })).toThrow(RangeError);
    const none = { cords: [{ cut: 100, leftover: 100 }], length: 200, minutes: 1 };
    expect(factor(none, 'take-up')).toBeUndefined();
  });
});
