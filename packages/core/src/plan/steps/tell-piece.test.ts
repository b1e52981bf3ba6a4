import { describe, expect, it } from '@jest/globals';
import { IN_MM, speak } from '../../base/measure/speak.js';
import { TEMPLATES, templateById } from '../template/templates.js';
import { planPiece } from './plan-piece.js';
import { tellPiece } from './tell-piece.js';
import type { Plan } from '../plan-types.js';

const start = {
  name: 'x',
  wearer: { name: 'x', wrist: 165, hand: 200, neck: 360, ankle: 215, head: 560 },
  cutting: { confidence: 0.95, step: 10, practice: 'practised' },
} as const;

describe('a piece in words', () => {
  it.each(TEMPLATES.map(({ id }) => id))('is told from one end to the other: %s', (id) => {
    const piece = templateById(id).make(start);
    const plan = planPiece(piece) as Plan;
    const told = tellPiece(piece, plan).map((one) => speak(one, IN_MM));
    expect(told).toHaveLength(piece.parts.length + 2);
    expect(told[0]).toMatch(/^At the start: \S/);
    expect(told.at(-1)).toMatch(/^At the end, at \d+ mm: \S/);
    piece.parts.forEach((_, i) => expect(told[i + 1]).toMatch(new RegExp(`^Part ${i + 1}, `)));
    // Every bead of the counters is told.
    for (const { name, count } of plan.counters.beads) {
      const named = new RegExp(`(?:(\\d+) × )?${name.replace(/[.()]/g, '\\$&')}`, 'g');
      const sum = told
        .flatMap((one) => [...one.matchAll(named)])
        .reduce((total, [, times]) => total + Number(times ?? 1), 0);
      expect([name, sum]).toEqual([name, count]);
    }
  });
  it('says how many of what is counted are done', () => {
    const piece = templateById('buckle-band').make(start);
    const plan = planPiece(piece) as Plan;
    const { id, layout } = plan.parts[0]!;
    const [, part] = tellPiece(piece, plan, { [id]: 7 }).map((one) => speak(one, IN_MM));
    expect(part).toContain(`7 of ${layout.units} half knots done`);
  });
});
