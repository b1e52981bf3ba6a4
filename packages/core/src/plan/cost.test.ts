import { describe, expect, it } from '@jest/globals';
import { TEMPLATES, templateById } from './template/templates.js';
import { planCost } from './cost.js';
import { start } from '../testing.js';

describe('what planning costs', () => {
  it('is little for everything that is worn', () => {
    for (const template of TEMPLATES) {
      expect(planCost(template.make(start)).sum).toBeLessThan(20_000);
    }
  });
  it('grows with strands, with counts and with parts, and names what is most of it', () => {
    const band = templateById('floss-stripe').make(start);
    const part = band.parts.find(({ kind }) => kind === 'knotted-floss')!;
    const of = (strands: number, repeats: number, parts: number): number =>
      planCost({
        strands: Array.from({ length: strands }, () => band.strands[0]!),
        parts: Array.from({ length: parts }, () => ({ ...part, repeats })),
      }).sum;
    expect(of(10, 10, 1)).toBe(100 * band.strands[0]!.legs.length);
    expect(of(60, 500, 400)).toBe(60 * 500 * 400 * band.strands[0]!.legs.length);
    const parts = [part, { ...part, repeats: 90 }, { ...part, repeats: 20 }];
    expect(planCost({ strands: band.strands, parts }).most!.index).toBe(1);
    expect(planCost({ strands: band.strands, parts: [] })).toEqual({ sum: 0, most: null });
  });
});
