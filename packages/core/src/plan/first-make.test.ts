import { describe, expect, it } from '@jest/globals';
import type { Hand } from '../base/learn/hand.js';
import { PRACTICES } from '../base/material/practice.js';
import { MEASURED_HAND, planned } from '../testing.js';
import { FIRST_MAKE, firstMake } from './first-make.js';
import { TEMPLATES, templateById } from './template/templates.js';

const start = {
  name: 'x',
  wearer: { name: 'Somebody', wrist: 170, hand: 206, neck: 360, ankle: 215, head: 560 },
  cutting: { confidence: 0.95, step: 1, practice: 'practised' },
} as const;

describe('a first make', () => {
  it.each(TEMPLATES.map(({ id }) => [id]))(
    '%s: is cut longer by a twentieth of what stays and by a beginner’s ends, and by no more once one is logged',
    (id) => {
      const piece = templateById(id).make(start);
      const [first, later] = [planned(piece), planned(piece, MEASURED_HAND)];
      const all = [...first.strands, ...first.auxiliary];
      [...later.strands, ...later.auxiliary].forEach(({ reasons, total }, i) => {
        const own = all[i]!.reasons.filter(({ code }) => code === FIRST_MAKE);
        const more = reasons.reduce((sum, { area, mm, fingers, given }) => {
          if (given) return sum;
          // Beginners hold on to a quarter more of an end than practised hands do.
          if (fingers) return sum + 0.25 * mm;
          return area === 'end' || area === 'reserve' ? sum : sum + 0.05 * mm;
        }, 0);
        expect(own).toHaveLength(more > 0 ? 1 : 0);
        expect(all[i]!.total - total).toBeCloseTo(more, 6);
        expect(reasons.some(({ code }) => code === FIRST_MAKE)).toBe(false);
      });
      // The size of the piece is the same, and so is where its cord goes.
      expect(first.fit.length).toBe(later.fit.length);
      first.strands.forEach(({ kept }, i) => expect(kept).toBe(later.strands[i]!.kept));
    },
  );
  it('never runs short of work that comes out a twentieth longer', () => {
    const piece = templateById('triple-wrap').make(start);
    const [strand] = planned(piece).strands;
    const work = strand!.reasons
      .filter(({ area }) => area === 'run' || area === 'knot')
      .reduce((sum, { mm }) => sum + mm, 0);
    expect(strand!.cut).toBeGreaterThanOrEqual(strand!.kept + 0.05 * work);
  });
  it('of those who call themselves experts is given the ends of practised hands', () => {
    const end = [
      { area: 'end', code: 'x', label: 'End', detail: '', mm: 80, fingers: true },
    ] as const;
    const more = PRACTICES.map((practice) => firstMake(end, practice, [])[0]?.mm ?? 0);
    expect(more).toEqual([0, expect.closeTo(20, 9), expect.closeTo(20, 9)]);
  });
  it('takes nothing more of a loop that is there already', () => {
    const loop = [
      { area: 'run', code: 'x', label: 'Loop', detail: '', mm: 500, given: true },
    ] as const;
    expect(firstMake(loop, 'learner', [])).toEqual([]);
  });
});

// All of these are common practice, no source.
describe('the cuts of a first make beside those of the trade', () => {
  /** As cords are cut: to the whole centimetre. */
  const cutting = { ...start.cutting, step: 10 };
  /** Floss is tied to a count: an arm span is what a hand holds, and most of it is left over. */
  const FLOSS = ['floss-stripe', 'floss-chevron', 'floss-spiral'];

  it.each(TEMPLATES.filter(({ id }) => !FLOSS.includes(id)).map(({ id }) => [id]))(
    '%s: no further than 15 %% under',
    (id) => {
      for (const { low, cut } of planned(templateById(id).make({ ...start, cutting })).rules) {
        expect(cut / low).toBeGreaterThanOrEqual(0.85);
      }
    },
  );
  it('are nearer to them than those of a measured hand', () => {
    const off = (hand?: Hand): number =>
      ['beaded-band', 'buckle-band'].reduce((sum, id) => {
        const { low, high, cut } = planned(templateById(id).make(start), hand).rules[0]!;
        return sum + Math.max(0, low - cut, cut - high) / low;
      }, 0);
    expect(off()).toBeLessThan(off(MEASURED_HAND));
  });
  it('of floss stay under, with the reasons beside them', () => {
    for (const id of FLOSS) {
      const plan = planned(templateById(id).make(start));
      expect(plan.rules[0]!.cut / plan.rules[0]!.low).toBeGreaterThan(0.7);
      for (const { reasons, total } of plan.strands) {
        expect(reasons.reduce((sum, { mm }) => sum + mm, 0)).toBeCloseTo(total, 6);
      }
    }
  });
});
