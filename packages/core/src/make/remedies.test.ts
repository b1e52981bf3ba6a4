import { describe, expect, it } from '@jest/globals';
import { ANY_HAND } from '../base/learn/hand.js';
import { EXAMPLE_CORD, EXAMPLE_PIECE } from '../piece/example.js';
import type { Piece } from '../piece/piece.js';
import { templateById } from '../plan/template/templates.js';
import { BAND_CORDS, inMm, planned } from '../testing.js';
import { forecast, type HalfWay } from './forecast.js';
import { remedies, type Remedy } from './remedies.js';

const start = {
  name: 'x',
  wearer: { name: 'Somebody', wrist: 165, hand: 200, neck: 360 },
  cutting: { confidence: 0.95, step: 10, practice: 'practised' },
} as const;
const beaded = templateById('beaded-band').make(start);

/** What is proposed when so much of each strand is left after some of the parts. */
function proposed(piece: Piece, parts: number, left: (number | null)[]): Remedy[] {
  const plan = planned(piece);
  const begun = plan.parts.slice(0, parts);
  const half: HalfWay = {
    done: Object.fromEntries(begun.map((p) => [p.id, p.layout.units])),
    length: begun.reduce((sum, p) => sum + p.layout.length, 0),
    left,
  };
  return remedies(piece, plan, ANY_HAND, half, forecast(piece, plan, ANY_HAND, half));
}
const codes = (list: readonly Remedy[]): string[] => list.map((r) => r.code);

describe('what can be done', () => {
  it('is nothing when every cord lasts', () => {
    expect(proposed(beaded, 3, [null, 5000])).toEqual([]);
  });
  it('is fewer knots between beads, a joint, or to stop, when the working cord is scarce', () => {
    const hemp = templateById('hemp-band').make(start);
    const { needs } = forecast(hemp, planned(hemp), ANY_HAND, {
      done: {},
      length: 0,
      left: [null, null],
    }).strands[1]!;
    const list = proposed(hemp, 0, [null, needs * 0.97]);
    expect(codes(list)).toEqual(['fewer-knots', 'join-cord', 'stop-short']);
    expect(list[0]!.lasts).toBeGreaterThan(0.3);
    expect(inMm(list[0]!.text)).toMatch(/two half knots.*\d+ mm shorter/);
    // The new cord makes up what is missing, and what lies beside the old one.
    const more = Number(/([\d.]+) mm for cord 2/.exec(inMm(list[1]!.text))![1]);
    expect(more).toBeGreaterThan(40);
    expect(more).toBeLessThan(needs / 2);
  });
  it('is to swap core and working cord when the core has enough of the same thickness', () => {
    const own: Piece = { ...EXAMPLE_PIECE, strands: BAND_CORDS['own-core'](EXAMPLE_CORD) };
    const list = proposed(own, 0, [9000, 900]);
    expect(codes(list)).toContain('swap-cords');
    expect(inMm(list.find((r) => r.code === 'swap-cords')!.text)).toContain(
      'Cord 1 has 9000 mm left',
    );
    const thin: Piece = {
      ...own,
      strands: own.strands.map((s, i) =>
        i === 0 ? { ...s, cord: { ...s.cord, diameter: 2 } } : s,
      ),
    };
    expect(codes(proposed(thin, 0, [9000, 900]))).not.toContain('swap-cords');
  });
  it('says how the closure makes up for a piece that stops short', () => {
    const hemp = templateById('hemp-band').make(start);
    const plan = planned(hemp);
    const left = plan.strands.map(() => 160);
    const stop = proposed(hemp, 1, left).find((r) => r.code === 'stop-short');
    expect(inMm(stop!.text)).toMatch(/mm less than planned; .*makes up for it/);
  });
});
