import { describe, expect, it } from '@jest/globals';
import { sideAt } from '../base/kind/step.js';
import { speak } from '../base/measure/speak.js';
import fc from 'fast-check';
import { EXAMPLE_CORD, EXAMPLE_PIECE } from '../piece/example.js';
import type { Piece } from '../piece/piece.js';
import { BAND_CORDS, inMm, planned as planOf } from '../testing.js';
import { ANY_HAND, handOf, lessonsFrom, type Measure } from '../base/learn/hand.js';
import { templateById } from '../plan/template/templates.js';
import { secondsBesides, tyingSeconds } from './bench-time.js';
import { partKind } from '../craft/part/registry.js';
import { compareOutcome } from './outcome.js';
import type { MakeRecord } from './record.js';
import { actionsBefore, doneByPart, placeOf, totalActions, unitsDone } from './progress.js';
import { callNext, sidesAt } from './call.js';
import { firstSideFor } from '../plan/steps/habits.js';
import { makeSteps } from '../plan/steps/steps.js';

const cord = EXAMPLE_CORD;
const base = EXAMPLE_PIECE;
const beaded = templateById('beaded-band').make({
  name: 'x',
  wearer: { name: 'x', wrist: 165, hand: 200 },
  cutting: base.cutting,
});
/** A band that is closed by a slider, in one stretch: its length can be changed until it is closed. */
const sliding: Piece = { ...beaded, beads: [], parts: [{ ...beaded.parts[0]!, id: 'band' }] };
const habits = { unit: 'cm', cordUnit: 'ft', hand: 'right' } as const;
const stepsOf = (piece: Piece, hand: 'left' | 'right' = 'right') =>
  makeSteps(piece, planOf(piece), { ...habits, hand });

describe('steps', () => {
  it('says the cut and its middle in the maker’s units before anything is tied', () => {
    const [cut] = stepsOf(base);
    expect(speak(cut!.title, habits)).toMatch(/^Cut cord 1 \(slate\): \d+ ft/);
    expect(speak(cut!.text, habits)).toContain('Mark the middle at');
  });
  it('counts as many half knots as the plan has, sides in turn', () => {
    const ties = stepsOf(base).filter((s) => s.part === 'band');
    const units = planOf(base).parts[0]!.layout.units;
    expect(ties.reduce((sum, s) => sum + s.units, 0)).toBe(units);
    expect([0, 1, 2].map((u) => sideAt(ties[0]!, u))).toEqual(['left', 'right', 'left']);
  });
  it('interrupts the work before its last third to try it on, and goes on where it was', () => {
    const steps = stepsOf(sliding);
    const at = steps.findIndex((s) => s.id === 'try-on-early');
    // The core is pulled taut again in between.
    const [before, again, after] = [steps[at - 1]!, steps[at + 1]!, steps[at + 2]!];
    expect(again.actions).toMatchObject([{ do: 'tension' }]);
    const units = planOf(sliding).parts[0]!.layout.units;
    expect(before.units / units).toBeCloseTo(2 / 3, 1);
    expect(after.from).toBe(before.units);
    const sides = [sideAt(before, before.units - 1), sideAt(after, 0)];
    expect(new Set(sides).size).toBe(2);
    expect(sidesAt(after, 0)).toEqual({ last: sides[0], next: sides[1] });
    expect(sidesAt(before, 0)).toEqual({ last: null, next: 'left' });
    expect(sidesAt(steps[0]!, 0)).toBeNull();
  });
  it('lays a core that is set in a buckle round before anything is tied, and never after', () => {
    const steps = stepsOf(base);
    const laid = steps.findIndex(({ actions = [] }) =>
      actions.some((action) => action.do === 'try-on' && action.how === 'laid'),
    );
    expect(steps[laid]!.actions!.map((action) => action.do)).toEqual(['set', 'try-on']);
    expect(laid).toBeLessThan(steps.findIndex(({ part }) => part === 'band'));
    expect(steps.some(({ id }) => id === 'try-on-early')).toBe(false);
  });
  it('mirrors for a left-handed maker', () => {
    const tie = stepsOf(base, 'left').find((s) => s.id === 'tie-band');
    expect(sideAt(tie!, 0)).toBe('right');
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
    const trim = stepsOf(base).find((s) => s.id === 'trim');
    expect(trim?.ends?.stays.map(inMm).join()).toContain('the hitch');
    expect(trim?.ends?.goes.map(inMm)).toEqual([
      'both ends of cord 1 (slate), which tied the knots',
    ]);
  });
  it('adds the caution for a child', () => {
    const child = { ...base, wearer: { name: 'x', wrist: 138, child: true } };
    expect(stepsOf(child).flatMap((s) => s.cautions.map((c) => c.kind))).toContain('child');
  });
  it('joins two cords before the hitch, lays a core’s ends back before knotting', () => {
    const titles = (piece: Piece): string[] => stepsOf(piece).map((s) => inMm(s.title));
    const at = (list: string[], part: string): number =>
      list.findIndex((title) => title.includes(part));
    const joined = titles({ ...base, strands: BAND_CORDS['joined-at-fold'](cord) });
    expect(at(joined, 'Join')).toBeGreaterThan(0);
    expect(at(joined, 'Join')).toBeLessThan(at(joined, 'Hitch'));
    const own = titles({ ...base, strands: BAND_CORDS['own-core'](cord) });
    expect(at(own, 'core ends back')).toBeLessThan(at(own, 'Lay cord 2 (slate) in'));
    expect(at(own, 'Lay cord 2 (slate) in')).toBeLessThan(at(own, 'Tie square knots'));
    const tuck = titles({ ...base, ends: 'tuck' });
    expect(at(tuck, 'Tuck')).toBeLessThan(at(tuck, 'Trim'));
  });
});

describe('waits', () => {
  const waits = (piece: Piece) =>
    stepsOf(piece).flatMap((s) => (s.wait ? [[s.id, s.wait.minutes]] : []));
  it('glue cures a day before it is worn, molten ends a minute before they are touched', () => {
    expect(waits({ ...base, ends: 'glue' })).toEqual([['ends-glue', 24 * 60]]);
    expect(waits(base)).toEqual([['ends-singe', 1]]);
    expect(waits({ ...base, ends: 'tuck' })).toEqual([]);
  });
  it('say what must not be done before they are over', () => {
    const glue = stepsOf({ ...base, ends: 'glue' }).find((s) => s.id === 'ends-glue');
    expect(glue?.wait?.not).toMatch(/Do not wear it/);
    expect(glue?.mistakes?.length).toBeGreaterThan(1);
  });
});

describe('calling out', () => {
  const steps = stepsOf(sliding);
  const at = (id: string): number => steps.findIndex((s) => s.id === id);
  it('says how many more, and what comes then', () => {
    const first = steps[at('tie-band')]!;
    expect(inMm(callNext(steps, { index: at('tie-band'), unit: 0 })!)).toBe(
      `${first.units - 1} half knots more, then lay it round once`,
    );
    expect(inMm(callNext(steps, { index: at('tie-band'), unit: first.units - 3 })!)).toMatch(
      /^two half knots more/,
    );
  });
  it('says of knots from which side, where the bump lies', () => {
    const next = callNext(steps, { index: at('tie-band-on') - 1, unit: 0 });
    expect(inMm(next!)).toMatch(/^\d+ half knots, (left|right) first, where the bump lies$/);
  });
  it('speaks of no bump before the first knot, nor where it lies on the other side', () => {
    const before = callNext(steps, { index: at('tie-band') - 1, unit: 0 });
    expect(inMm(before!)).toMatch(/half knots, left first$/);
    const spiral: Piece = {
      ...sliding,
      parts: sliding.parts.map((part) =>
        part.kind === 'square-knot-sinnet' ? { ...part, form: 'spiral' } : part,
      ),
    };
    const turning = stepsOf(spiral);
    const index = turning.findIndex((s) => s.id === 'tie-band-on') - 1;
    expect(inMm(callNext(turning, { index, unit: 0 })!)).toMatch(/half knots, left first$/);
  });
  it('ends with the last step', () => {
    expect(callNext(steps, { index: steps.length - 1, unit: 0 })).toBeNull();
    expect(callNext(steps, { index: steps.length, unit: 0 })).toBeNull();
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
    .filter(({ area }) => area !== 'reserve' && area !== 'end' && area !== 'knot')
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

describe('time at the bench', () => {
  const plan = planOf(base);
  const { units } = plan.parts[0]!.layout;
  it('is what each takes times what is left, in this hand', () => {
    const all = tyingSeconds(base, plan, ANY_HAND);
    expect(all).toBe(units * partKind('square-knot-sinnet').entry.seconds);
    expect(tyingSeconds(base, plan, ANY_HAND, { band: units - 5 })).toBeCloseTo(
      (all * 5) / units,
      9,
    );
    const slow = [
      {
        technique: 'square-knot-sinnet',
        cordKind: cord.kind,
        measure: 'time' as const,
        factor: 1.5,
        spread: 0.2,
        rests: 3,
      },
    ];
    expect(tyingSeconds(base, plan, slow)).toBeCloseTo(all * 1.5, 9);
    expect(tyingSeconds(base, plan, ANY_HAND, { band: 999 })).toBe(0);
  });
  it('counts what the hands do besides, end by end, but not what waits by itself', () => {
    const all = secondsBesides(stepsOf(base));
    expect(all).toBeGreaterThan(5 * 60);
    expect(all).toBeLessThan(30 * 60);
    // Glue cures for a day while nobody stands by it; each of its two ends is pressed as long as one is singed.
    const glued = secondsBesides(stepsOf({ ...base, ends: 'glue' }));
    expect(Math.abs(glued - all)).toBeLessThan(60);
    const fine = templateById('floss-stripe').make({
      name: 'x',
      wearer: { name: 'x', wrist: 165, hand: 200 },
      cutting: base.cutting,
    });
    expect(secondsBesides(makeSteps(fine, planOf(fine), habits))).toBeGreaterThan(all);
  });
});
