import { describe, expect, it } from '@jest/globals';
import { TEMPLATES, templateById } from './template/templates.js';
import { inMm, planned } from '../testing.js';

const FT = 304.8;
const IN = 25.4;
const start = {
  name: 'x',
  wearer: { name: 'Somebody', wrist: 170, hand: 206, neck: 360, ankle: 215, head: 560 },
  cutting: { confidence: 0.95, step: 10, practice: 'practised' },
} as const;
const rulesOf = (id: string) => planned(templateById(id).make(start)).rules;

// All of these are common practice, no source.
describe('the trade’s rules beside the cut', () => {
  it.each([
    // Five feet of each colour, four colours.
    ['floss-spiral', 0, 20 * FT, 20 * FT, null],
    // Laces of fifteen inches, four of them; two feet of linen for the Turk’s head.
    ['seized-laces', 1, 4 * 15 * IN, 4 * 15 * IN, 'strands'],
    ['seized-laces', 0, 2 * FT, 2 * FT, 'slider cord'],
    // Core twice wrist and 4 in, working cord three times that.
    ['hemp-band', 0, 8 * (170 + 4 * IN), 8 * (170 + 4 * IN), null],
    ['beaded-band', 0, 7 * FT, 7 * FT, null],
  ] as const)('%s, rule %i', (id, index, low, high, whose) => {
    const rule = rulesOf(id)[index]!;
    expect(rule.low).toBeCloseTo(low, 6);
    expect(rule.high).toBeCloseTo(high, 6);
    expect(rule.whose).toBe(whose);
  });
  it('of an arm span a strand is more than enough', () => {
    for (const id of ['floss-stripe', 'floss-chevron']) {
      const [rule] = rulesOf(id);
      expect(inMm(rule!.label)).toBe('An arm span for each strand');
      expect(rule!.cut).toBeLessThan(rule!.low);
    }
  });
  it('for thick cord with a clasp: seven and a half inside takes eight and a half without the clasp', () => {
    const piece = templateById('thick-cord').make(start);
    const sized = { ...piece, wear: { ...piece.wear, length: 7.5 * IN } };
    const [rule] = planned(sized).rules;
    const clasp = piece.closure as unknown as { length: number; recess: number };
    expect(rule!.low + clasp.length - 2 * clasp.recess).toBeCloseTo(8.5 * IN, 6);
    // And the plan, before its working ends, agrees to a quarter inch.
    const kept = planned(sized).strands[0]!.kept;
    expect(Math.abs(kept - rule!.low)).toBeLessThan(IN / 4);
  });
  it('lie within half and twice of what is cut, and name whose cords they are for', () => {
    let seen = 0;
    for (const { id } of TEMPLATES) {
      for (const { low, high, cut } of rulesOf(id)) {
        seen++;
        expect(low).toBeLessThanOrEqual(high);
        expect(cut).toBeGreaterThan(low / 2);
        expect(cut).toBeLessThan(high * 2);
      }
    }
    expect(seen).toBeGreaterThanOrEqual(11);
  });
  it('are told once, and only for the bodies they are meant for', () => {
    expect(rulesOf('seized-laces')).toHaveLength(2);
    const anklet = templateById('floss-stripe').make(start);
    const worn = { ...anklet, wear: { ...anklet.wear, site: 'ankle' as const } };
    expect(planned(worn).rules).toEqual([]);
  });
});
