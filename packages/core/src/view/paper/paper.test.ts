import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { makeSteps } from '../../plan/steps/steps.js';
import { planPiece } from '../../plan/steps/plan-piece.js';
import { EXAMPLE_PIECE } from '../../piece/example.js';
import { TEMPLATES } from '../../plan/template/templates.js';
import { stripMarks } from './marks.js';
import { onSheets, PAPERS, tilesOf } from './sheets.js';

describe('paper', () => {
  it('is as large as the standards say', () => {
    // ISO 216: sides as 1 to root 2, A0 is a square metre, halved four times.
    const { width, height } = PAPERS.a4;
    expect(height / width).toBeCloseTo(Math.SQRT2, 2);
    expect((width * height * 16) / 1e6).toBeCloseTo(1, 2);
    expect(PAPERS.letter.width / 25.4).toBeCloseTo(8.5, 9);
    expect(PAPERS.letter.height / 25.4).toBeCloseTo(11, 9);
  });
});

describe('rows', () => {
  const lengths = fc.record({
    from: fc.double({ min: -100, max: 100, noNaN: true }),
    long: fc.double({ min: 1, max: 5000, noNaN: true }),
    room: fc.double({ min: 100, max: 400, noNaN: true }),
    overlap: fc.double({ min: 0, max: 30, noNaN: true }),
  });
  it('hold all of a length, each as long as there is room, and overlap by as much as was asked', () => {
    fc.assert(
      fc.property(lengths, ({ from, long, room, overlap }) => {
        const tiles = tilesOf(from, from + long, room, overlap);
        expect(tiles[0]!.from).toBeCloseTo(from, 9);
        expect(tiles.at(-1)!.to).toBeCloseTo(from + long, 6);
        tiles.forEach((tile, i) => {
          expect(tile.to - tile.from).toBeLessThanOrEqual(room + 1e-6);
          expect(tile.to).toBeGreaterThan(tile.from);
          const next = tiles[i + 1];
          if (next) expect(tile.to - next.from).toBeCloseTo(overlap, 6);
        });
      }),
    );
  });
  it('are no more than are needed', () => {
    expect(tilesOf(0, 273, 273, 10)).toHaveLength(1);
    expect(tilesOf(0, 273.1, 273, 10)).toHaveLength(2);
    expect(tilesOf(0, 536, 273, 10)).toHaveLength(2);
  });
  it('cannot be all overlap', () => {
    expect(() => tilesOf(0, 100, 10, 10)).toThrow(RangeError);
  });
  it('go on as many sheets as they need, each on one', () => {
    expect(onSheets([1, 2, 3, 4, 5], 40, 90, 130)).toEqual([
      [1, 2],
      [3, 4, 5],
    ]);
    // One that is higher than the sheet still has a sheet of its own.
    expect(onSheets([1, 2], 300, 90, 130)).toEqual([[1], [2]]);
    expect(onSheets([], 40, 90, 130)).toEqual([]);
  });
});

describe('marks along a piece', () => {
  const plan = planPiece(EXAMPLE_PIECE);
  if (!plan.ok) throw new Error('the example was not planned');
  it('count half knots to the last, each with the side that its bump is on, by turns for a right and a left hand', () => {
    for (const hand of ['right', 'left'] as const) {
      const marks = stripMarks(EXAMPLE_PIECE, plan, makeSteps(EXAMPLE_PIECE, plan, { hand }));
      const units = marks.flatMap((mark) => (mark.kind === 'unit' ? [mark] : []));
      const { layout, start } = plan.parts[0]!;
      expect(units).toHaveLength(layout.units);
      expect(units.at(-1)!.at).toBeCloseTo(start + layout.length, 6);
      expect(units.filter(({ last }) => last)).toHaveLength(1);
      const sides = units.map(({ side }) => side);
      expect(sides[0]).toBe(hand === 'right' ? 'left' : 'right');
      sides.slice(1).forEach((side, i) => expect(side).not.toBe(sides[i]));
    }
  });
  it.each(TEMPLATES.map((template) => [template.id, template] as const))(
    'of %s lie on it, its beads numbered from one end to the other',
    (_, template) => {
      const piece = template.make({
        name: 'x',
        wearer: { name: 'x', wrist: 165, hand: 205, neck: 360, ankle: 220, head: 560 },
        cutting: { confidence: 0.95, step: 10, practice: 'practised' },
      });
      const planned = planPiece(piece);
      if (!planned.ok) return;
      const marks = stripMarks(piece, planned, makeSteps(piece, planned, { hand: 'right' }));
      for (const { at } of marks) {
        expect(at).toBeGreaterThan(-1e-6);
        expect(at).toBeLessThan(planned.fit.length + 1e-6);
      }
      const beads = marks.flatMap((mark) => (mark.kind === 'bead' ? [mark] : []));
      expect(beads.map(({ number }) => number)).toEqual(beads.map((__, i) => i + 1));
      const strung = planned.parts.flatMap(({ layout }) => layout.beads);
      expect(beads).toHaveLength(strung.filter(({ spacer }) => spacer !== true).length);
    },
  );
});
