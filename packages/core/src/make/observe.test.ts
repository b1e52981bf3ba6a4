import { describe, expect, it } from '@jest/globals';
import { ANY_HAND, handOf, lessonsFrom, type Observation } from '../base/learn/hand.js';
import type { Piece } from '../piece/piece.js';
import { templateById } from '../plan/template/templates.js';
import { planned, start } from '../testing.js';
import { observe } from './observe.js';
import type { MakeRecord } from './record.js';
import { endsOf } from '../plan/end-lengths.js';
import { partStates } from './rest.js';

const make = (id: string): Piece => templateById(id).make(start);

/** A make whose hand takes so much more than the model in the technique that takes most of the cord. */
function recordOf(piece: Piece, factor: number, more: Partial<MakeRecord> = {}): MakeRecord {
  const plan = planned(piece);
  const own = endsOf(piece, plan);
  const states = partStates(piece, plan, ANY_HAND, {});
  const weight = (kind: string): number =>
    states
      .filter((state) => state.plan.kind === kind)
      .flatMap(({ cost, plan: { layout } }) => cost.strands.map((s) => s.knots * layout.units))
      .reduce((sum, one) => sum + one, 0);
  const main = plan.parts.map((p) => p.kind).sort((a, b) => weight(b) - weight(a))[0];
  return {
    cords: plan.strands.map((strand, i) => {
      const tails = strand.reasons
        .filter((r) => r.area === 'end')
        .reduce((sum, r) => sum + r.mm, 0);
      const used = states.reduce(
        (sum, { cost, plan: { kind, layout } }) => {
          const { knots, straight } = cost.strands[i]!;
          return sum + layout.units * (knots * (kind === main ? factor : 1) + straight);
        },
        own[i]!.start + own[i]!.end - tails,
      );
      return { cut: 20_000, leftover: 20_000 - used };
    }),
    length: plan.fit.length,
    minutes: 60,
    ...more,
  };
}
const of = (list: readonly Observation[], measure: string): Observation[] =>
  list.filter((one) => one.measure === measure);

describe('what a make says of the hand', () => {
  it.each([
    ['buckle-band', 'square-knot-sinnet'],
    ['beaded-band', 'square-knot-sinnet'],
    ['floss-stripe', 'knotted-floss'],
    ['floss-spiral', 'hitch-spiral'],
  ])('%s: the factor of %s', (id, technique) => {
    const piece = make(id);
    const [found, ...others] = of(observe(piece, planned(piece), recordOf(piece, 1.13)), 'take-up');
    expect(others).toEqual([]);
    expect(found?.technique).toBe(technique);
    expect(found?.cordKind).toBe(
      piece.strands.find((s) => s.legs.some((leg) => leg !== 'core'))!.cord.kind,
    );
    // What the other knots of the piece take is believed to be the model's, as it is here.
    expect(found!.ratio).toBeCloseTo(1.13, 6);
  });

  it('has no pitch where no part grows by its units, nor a time that was not kept apart', () => {
    const piece = make('focal-cord');
    const plan = planned(piece);
    const all = observe(piece, plan, recordOf(piece, 1));
    expect(of(all, 'pitch')).toEqual([]);
    expect(of(all, 'time')).toEqual([]);
    const stages = { prepare: 5, tie: 0, finish: 5 };
    expect(of(observe(piece, plan, recordOf(piece, 1, { stages })), 'time')).toEqual([]);
  });

  it('is left out where it is no hand but a slip of the rule', () => {
    const piece = make('buckle-band');
    const plan = planned(piece);
    expect(of(observe(piece, plan, recordOf(piece, 3)), 'take-up')).toEqual([]);
    expect(of(observe(piece, plan, recordOf(piece, 0.2)), 'take-up')).toEqual([]);
  });

  describe('measured in between', () => {
    const piece = make('buckle-band');
    const plan = planned(piece);
    const [{ id, layout }] = plan.parts as [(typeof plan.parts)[number]];
    const half = Math.round(layout.units / 2);
    const atHalf = (layout.length * half) / layout.units;
    /** Both stretches at a pace of their own. */
    const drifted = (before: number, rest: number, more: Partial<MakeRecord> = {}) =>
      of(
        observe(
          piece,
          plan,
          recordOf(piece, 1, {
            length: atHalf * before + (plan.fit.length - atHalf) * rest,
            between: { done: [{ part: id, units: half }], length: atHalf * before },
            ...more,
          }),
        ),
        'drift',
      );

    it('tells how the rest differs from what lay there then, whatever the make is like', () => {
      expect(drifted(1, 0.95)[0]!.ratio).toBeCloseTo(0.95, 9);
      expect(drifted(1.1, 1.1)[0]!.ratio).toBeCloseTo(1, 9);
      expect(drifted(1.1, 1.1 * 1.04)[0]).toMatchObject({
        technique: 'square-knot-sinnet',
        ratio: expect.closeTo(1.04, 9),
      });
    });
    it('is as unsure as the rulers are, the one in between twice', () => {
      // The ratio worked out anew with every ruler a millimetre off.
      const of = (a: number, b: number): number =>
        Math.log((plan.fit.length + b - (atHalf + a)) / (atHalf + a));
      const [none, one, other] = [of(0, 0), of(0.001, 0), of(0, 0.001)];
      const error = Math.hypot(one - none, other - none) / 0.001;
      expect(drifted(1, 1)[0]!.error).toBeCloseTo(error, 5);
    });
    it('counts the units that were tied, and says nothing of a stretch too short to tell', () => {
      const tied = Math.round(layout.units * 0.9);
      const [less] = drifted(1, 1, { tied });
      expect(less!.ratio).toBeCloseTo((layout.units - half) / (tied - half), 2);
      const at = (units: number) =>
        drifted(1, 1, { between: { done: [{ part: id, units }], length: layout.pitch * units } });
      expect(at(2)).toEqual([]);
      expect(at(layout.units)).toEqual([]);
      expect(
        drifted(1, 1, { between: { done: [{ part: 'gone', units: 5 }], length: 50 } }),
      ).toEqual([]);
    });
  });

  it('goes by the units that were tied, not by those planned', () => {
    const piece = make('buckle-band');
    const plan = planned(piece);
    const { units } = plan.parts[0]!.layout;
    const record = recordOf(piece, 1.1);
    const ratio = (more: Partial<MakeRecord>): number =>
      of(observe(piece, plan, { ...record, ...more }), 'take-up')[0]!.ratio;
    expect(ratio({ tied: units })).toBeCloseTo(ratio({}), 9);
    // The same cord in fewer knots is more in each.
    expect(ratio({ tied: Math.round(units * 0.9) })).toBeGreaterThan(ratio({}) * 1.05);
  });

  it('tells what fingers needed of the shortest end, over what practised ones are given', () => {
    const piece = make('buckle-band');
    const plan = planned(piece);
    const given = plan.strands
      .flatMap(({ reasons }) => reasons)
      .filter(({ fingers }) => fingers)
      .map(({ times }) => times!.each);
    const ends = { shortest: 0.8 * Math.min(...given), was: 'enough' } as const;
    const [told] = of(observe(piece, plan, recordOf(piece, 1, { ends })), 'ends');
    expect(told).toMatchObject({ ratio: expect.closeTo(0.8, 9), was: 'enough' });
    // By a plan that knew it already it is the same.
    const again = planned(piece, handOf(lessonsFrom([told!])));
    expect(of(observe(piece, again, recordOf(piece, 1, { ends })), 'ends')[0]!.ratio).toBeCloseTo(
      0.8,
      9,
    );
    expect(of(observe(piece, plan, recordOf(piece, 1)), 'ends')).toEqual([]);
  });

  it('comes out the same whatever was believed when it was planned', () => {
    const piece = make('floss-stripe');
    const record = recordOf(piece, 1.08);
    const first = of(observe(piece, planned(piece), record), 'take-up');
    const hand = handOf(lessonsFrom(first));
    const again = of(observe(piece, planned(piece, hand), record), 'take-up');
    expect(again[0]!.ratio).toBeCloseTo(first[0]!.ratio, 6);
    expect(again[0]!.spread).toBe(first[0]!.spread);
  });
});

describe('what is left of a piece', () => {
  const piece = make('beaded-band');
  const plan = planned(piece);
  it('is what is not done, unit by unit', () => {
    const [first] = plan.parts;
    const states = partStates(piece, plan, ANY_HAND, { [first!.id]: 5 });
    expect(states[0]).toMatchObject({ done: 5, left: first!.layout.units - 5, pitched: true });
    expect(states[1]).toMatchObject({ done: 0, pitched: false });
    expect(partStates(piece, plan, ANY_HAND, { [first!.id]: 9999 })[0]!.left).toBe(0);
  });
  it('with its ends and what is used is the whole strand, but for the reserve', () => {
    const states = partStates(piece, plan, ANY_HAND, {});
    const ends = endsOf(piece, plan);
    plan.strands.forEach(({ reasons }, i) => {
      const parts = states.reduce(
        (sum, { cost, plan: { layout } }) =>
          sum + layout.units * (cost.strands[i]!.knots + cost.strands[i]!.straight),
        0,
      );
      const told = reasons.filter((r) => r.area !== 'reserve').reduce((sum, r) => sum + r.mm, 0);
      expect(ends[i]!.start + parts + ends[i]!.end).toBeCloseTo(told, 6);
    });
  });
});
