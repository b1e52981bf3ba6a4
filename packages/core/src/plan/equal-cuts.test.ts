import { describe, expect, it } from '@jest/globals';
import { planned } from '../testing.js';
import { templateById } from './template/templates.js';

const start = {
  name: 'x',
  wearer: { name: 'Somebody', wrist: 165, hand: 200 },
  cutting: { confidence: 0.95, step: 10, practice: 'practised' },
} as const;

describe('strands cut alike', () => {
  // One side of a petal plait makes more petals than the other.
  const own = templateById('petal-band').make(start);
  const alike = { ...own, cutting: { ...own.cutting, equal: true } };
  it('are as long as the longest of their kind, whatever their colour', () => {
    const cuts = planned(own).strands.map((strand) => strand.cut);
    expect(new Set(cuts).size).toBeGreaterThan(1);
    expect(planned(alike).strands.map((strand) => strand.cut)).toEqual(
      cuts.map(() => Math.max(...cuts)),
    );
  });
  it('cost what the plan says that they cost', () => {
    const { totals } = planned(own);
    const sum = (piece: typeof own): number =>
      planned(piece).strands.reduce((all, strand) => all + strand.cut, 0);
    expect(sum(own)).toBe(totals.ownCuts);
    expect(sum(alike)).toBe(totals.equalCuts);
    expect(planned(alike).totals.leftover - totals.leftover).toBeCloseTo(
      totals.equalCuts - totals.ownCuts,
      6,
    );
  });
  it('leave strands of another cord, or folded ones, alone', () => {
    const hemp = templateById('hemp-band').make(start);
    const cuts = planned(hemp).strands.map((strand) => strand.cut);
    const one = {
      ...hemp,
      strands: [
        hemp.strands[0]!,
        { ...hemp.strands[1]!, cord: { ...hemp.strands[1]!.cord, diameter: 1.2 } },
      ],
    };
    const before = planned(one).strands.map((strand) => strand.cut);
    expect(
      planned({ ...one, cutting: { ...one.cutting, equal: true } }).strands.map((s) => s.cut),
    ).toEqual(before);
    expect(cuts).toHaveLength(2);
  });
});
