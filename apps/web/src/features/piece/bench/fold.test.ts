import { describe, expect, it } from '@jest/globals';
import { drawBench, planPiece, TEMPLATES } from '@coiled-strand/core';
import { EDGE_PX, fold, TOLD_PX } from './fold';
import { placeUnder } from './view-store';

const TOOLS = 46;
const drawings = TEMPLATES.map((template) => {
  const piece = template.make({
    name: template.id,
    wearer: { name: 'x', wrist: 165, hand: 200, neck: 360, ankle: 215, head: 560 },
    cutting: { confidence: 0.95, step: 10, practice: 'practised' },
  });
  const plan = planPiece(piece);
  if (!plan.ok) throw new Error(`${template.id} cannot be planned`);
  return [template.id, drawBench(piece, plan, { firstSide: 'left', tails: false })] as const;
});

describe.each([
  ['a desk', 1280],
  ['a phone', 390],
])('the bench folded on %s', (_, width) => {
  it.each(drawings)(
    'shows all of it once, in rows that do not lie over each other: %s',
    (_id, drawing) => {
      const { scale, rows } = fold(drawing, width, TOOLS);
      const { x, width: long } = drawing.bounds;
      expect(rows[0]!.from).toBeCloseTo(x, 6);
      expect(rows.at(-1)!.to).toBeGreaterThanOrEqual(x + long - 1e-6);
      rows.forEach((row, i) => {
        expect(row.skips).toBeNull();
        expect((row.to - row.from) * scale).toBeCloseTo(width - 2 * EDGE_PX, 6);
        const before = rows[i - 1];
        if (!before) return;
        expect(row.from).toBeCloseTo(before.to, 6);
        expect(row.offset).toBeCloseTo(before.offset + before.height, 6);
      });
      // Never smaller than in one row.
      expect(scale * long).toBeGreaterThanOrEqual(width - 2 * EDGE_PX - 1e-6);
      expect(rows.length).toBeLessThanOrEqual(6);
    },
  );

  it('breaks a part that goes on and on, and says from where to where', () => {
    const [, lariat] = drawings.find(([id]) => id === 'lariat')!;
    const { rows } = fold(lariat, width, TOOLS, [{ id: 'long', from: 90, to: 1100 }]);
    const told = rows.filter(({ skips }) => skips !== null);
    expect(told).toHaveLength(1);
    expect(told[0]).toMatchObject({ skips: 'long', height: TOLD_PX });
    expect(told[0]!.from).toBeGreaterThan(90);
    expect(told[0]!.to).toBeLessThan(1100);
    const whole = fold(lariat, width, TOOLS).rows;
    expect(rows.length).toBeLessThan(whole.length);
    expect(rows.at(-1)!.to).toBeCloseTo(whole.at(-1)!.to, 6);
  });

  it('knows the millimetre under a pixel of each row', () => {
    const [, lariat] = drawings.find(([id]) => id === 'lariat')!;
    const folded = fold(lariat, width, TOOLS);
    expect(folded.rows.length).toBeGreaterThan(2);
    const frame = { scale: folded.scale, x: 0, width, folded, folds: true };
    for (const { from, to, offset, height } of folded.rows) {
      for (const y of [offset + 1, offset + height - 1]) {
        expect(placeUnder(frame, EDGE_PX, y)).toBeCloseTo(from, 6);
        expect(placeUnder(frame, width - EDGE_PX, y)).toBeCloseTo(to, 6);
      }
    }
  });
});
