import { describe, expect, it } from '@jest/globals';
import { EXAMPLE_CORD, EXAMPLE_PIECE } from '../../piece/example.js';
import { templateById } from '../../plan/template/templates.js';
import { planned, random } from '../../testing.js';
import { ALL_TECHNIQUES, handOf, lessonsFrom, type Hand, type Observation } from './hand.js';
import { ENDS_SPREAD, learnEnds, type EndsWere, type EndTried } from './own-ends.js';

const times = (n: number, ratio: number, was: EndsWere): EndTried[] =>
  Array.from({ length: n }, () => ({ ratio, was }));

describe('what fingers need of an end', () => {
  it('is what most need, before anything is said', () => {
    const { factor, spread, rests } = learnEnds([]);
    expect(factor).toBeCloseTo(1, 6);
    expect(spread).toBeCloseTo(ENDS_SPREAD, 3);
    expect(rests).toBe(0);
  });
  it('is as for two normal measurements where an end was just enough', () => {
    // Conjugate normal on the logarithm: prior 0.3, each end 0.15.
    const [n, ratio] = [3, 0.7];
    const precision = 1 / 0.3 ** 2 + n / 0.15 ** 2;
    const { factor, spread } = learnEnds(times(n, ratio, 'enough'));
    expect(Math.log(factor)).toBeCloseTo(((n / 0.15 ** 2) * Math.log(ratio)) / precision, 3);
    expect(spread).toBeCloseTo(1 / Math.sqrt(precision), 3);
  });
  it('is less where shorter ones had plenty, more where longer ones were too short', () => {
    expect(learnEnds(times(2, 0.6, 'plenty')).factor).toBeLessThan(0.65);
    expect(learnEnds(times(2, 1.4, 'short')).factor).toBeGreaterThan(1.4);
    expect(learnEnds([...times(3, 0.5, 'short'), ...times(3, 0.9, 'plenty')]).factor).toBeCloseTo(
      0.68,
      1,
    );
  });
  it('never grows for ends that are long for another reason', () => {
    for (const ratio of [1, 2, 5, 50]) {
      const { factor } = learnEnds(times(20, ratio, 'plenty'));
      expect(factor).toBeLessThanOrEqual(1.0001);
      expect(factor).toBeGreaterThan(ratio >= 2 ? 0.95 : 0.6);
    }
  });
  it('holds for answers that no hand gives', () => {
    for (const was of ['plenty', 'enough', 'short'] as const) {
      for (const ratio of [1e-6, 1e6]) {
        const { factor, spread } = learnEnds(times(200, ratio, was));
        expect(Number.isFinite(factor) && factor > 0 && spread >= 0).toBe(true);
      }
    }
  });
  it('is found for hands that need less and more, from what they say of the ends they get', () => {
    const { normal } = random(3);
    for (const need of [0.6, 1, 1.5]) {
      const tried: EndTried[] = [];
      for (let make = 0; make < 12; make++) {
        // Cut by what is known so far, and longer by what the reserve left.
        const ratio = learnEnds(tried).factor * Math.exp(Math.abs(0.25 * normal()));
        const over = Math.log(ratio / need) + 0.1 * normal();
        tried.push({ ratio, was: over > 0.1 ? 'plenty' : over < -0.1 ? 'short' : 'enough' });
      }
      expect(Math.abs(Math.log(learnEnds(tried).factor / need))).toBeLessThan(0.25);
    }
  });
});

describe('in a plan', () => {
  const end = (ratio: number, was: EndsWere): Observation => ({
    technique: ALL_TECHNIQUES,
    cordKind: EXAMPLE_CORD.kind,
    measure: 'ends',
    ratio,
    was,
    spread: ENDS_SPREAD,
  });
  const [lesson] = lessonsFrom([end(0.6, 'enough'), end(0.6, 'enough'), end(0.65, 'plenty')]);
  const hand: Hand = handOf([lesson!]);
  const endsOf = (plan: ReturnType<typeof planned>) =>
    plan.strands.flatMap(({ reasons }) => reasons.filter(({ area }) => area === 'end'));

  it('ends are cut as long as these fingers need them, and the reason says so', () => {
    const [plain, own] = [planned(EXAMPLE_PIECE), planned(EXAMPLE_PIECE, hand)];
    const [usual, mine] = [endsOf(plain), endsOf(own)];
    expect(usual.length).toBeGreaterThan(0);
    usual.forEach(({ mm, times: each }, i) => {
      expect(mine[i]!.mm).toBeCloseTo(mm * hand[0]!.factor, 9);
      expect(mine[i]!.times?.each).toBeCloseTo(each!.each * hand[0]!.factor, 9);
      expect(mine[i]!.detail).toMatch(/yours need 3\d % less than most, by 3 makes/);
    });
    expect(own.strands[0]!.cut).toBeLessThan(plain.strands[0]!.cut);
    expect(own.strands[0]!.kept).toBeCloseTo(plain.strands[0]!.kept, 9);
  });
  it('what is only trimmed, and the cords of other kinds, stay as they are', () => {
    const start = {
      name: 'x',
      wearer: { name: 'Somebody', wrist: 165, hand: 200, neck: 360, ankle: 215, head: 560 },
      cutting: { confidence: 0.95, step: 10, practice: 'practised' },
    } as const;
    const other: Hand = [{ ...hand[0]!, cordKind: 'hemp' }];
    const told = (of: Hand) => planned(EXAMPLE_PIECE, of).strands.map(({ reasons }) => reasons);
    expect(told(other)).toEqual(
      told([]).map((all) => all.filter(({ code }) => code !== 'reserve.first-make')),
    );
    const chain = templateById('chain-necklace').make(start);
    const wide: Hand = [{ ...hand[0]!, cordKind: chain.strands[0]!.cord.kind }];
    const codes = (plan: ReturnType<typeof planned>) =>
      endsOf(plan).map(({ code, mm }) => [code, mm] as const);
    const fixed = (list: readonly (readonly [string, number])[]) =>
      list.filter(([code]) => code === 'end.chain');
    expect(fixed(codes(planned(chain))).length).toBeGreaterThan(0);
    expect(fixed(codes(planned(chain, wide)))).toEqual(fixed(codes(planned(chain))));
  });
});
