import { describe, expect, it } from '@jest/globals';
import { deep } from '../../../../../../scripts/lib/deep.mjs';
import {
  drawHanging,
  EXAMPLE_PIECE,
  planPiece,
  svgOf,
  TEMPLATES,
  type Piece,
  type Plan,
} from '@coiled-strand/core';
import { parse } from 'csv-parse/sync';
import { csvOf } from '../../../ui/shell/csv';
import { drawable, drawingOf } from './drawable';
import { cutTable, needsTable } from './tables';

const UNITS = { unit: 'cm', cordUnit: 'cm' } as const;
function planned(piece: Piece): Plan {
  const plan = planPiece(piece);
  if (!plan.ok) throw new Error('it was not planned');
  return plan;
}
const PLAN = planned(EXAMPLE_PIECE);
const read = (csv: string): unknown[][] => parse(csv);

describe('tables', () => {
  it('of the cut list say what is cut in mm, and add up', () => {
    const [head, ...rows] = read(csvOf(cutTable(PLAN)));
    const at = head!.indexOf('cut mm');
    expect(rows).toHaveLength(PLAN.strands.length + PLAN.auxiliary.length);
    const all = rows.reduce((sum, row) => sum + Number(row[at]), 0);
    expect(all).toBeCloseTo(PLAN.totals.cut, 6);
  });
  it('of needs name everything with its number', () => {
    const [, ...rows] = read(csvOf(needsTable(PLAN, UNITS)));
    const { beads, needs } = PLAN.counters;
    expect(rows).toHaveLength(beads.length + needs.length);
    for (const [what, number] of rows) {
      expect(what).not.toBe('');
      expect(Number(number)).toBeGreaterThan(0);
    }
  });
  it('bring any text through: commas, quotes, lines; and none is a sum to a spreadsheet', () => {
    const texts = ['a, b', 'say “x” or "y"', 'two\nlines', 'Zażółć', ''];
    expect(
      read(csvOf({ head: ['x'], rows: texts.map((text) => [text]) }))
        .slice(1)
        .flat(),
    ).toEqual(texts);
    expect(read(csvOf({ head: ['x'], rows: [['=1+1'], [-3]] }))).toEqual([
      ['x'],
      ["'=1+1"],
      ['-3'],
    ]);
  });
});

describe('drawings', () => {
  const parsed = (text: string): Element => {
    const { documentElement } = new DOMParser().parseFromString(text, 'image/svg+xml');
    expect(documentElement.getElementsByTagName('parsererror')).toHaveLength(0);
    return documentElement;
  };
  it.each(TEMPLATES.map(({ id }) => [id]))('of %s are SVG in millimetres, every one', (id) => {
    const piece = TEMPLATES.find((one) => one.id === id)!.make({
      name: 'A <b> & "c"',
      wearer: { name: 'Ola', wrist: 165, hand: 205, neck: 360, ankle: 220, head: 560 },
      cutting: { confidence: 0.95, step: 10, practice: 'practised' },
    });
    const plan = planned(piece);
    const all = drawable(piece, plan, 'right', UNITS);
    expect(all.length).toBeGreaterThan(3);
    // Of a sample every third: the piece itself and closed are among the first of all.
    const seen = deep(
      all,
      all.filter((_, i) => i < 3 || i % 3 === 0),
    );
    for (const { value } of seen) {
      const { title, bounds, shapes } = drawingOf(piece, plan, 'right', value);
      const svg = parsed(svgOf(title, bounds, shapes));
      expect(svg.getAttribute('width')).toMatch(/^[\d.]+mm$/u);
      const [, , width, height] = svg.getAttribute('viewBox')!.split(' ').map(Number);
      expect(parseFloat(svg.getAttribute('width')!)).toBeCloseTo(width!, 6);
      expect(parseFloat(svg.getAttribute('height')!)).toBeCloseTo(height!, 6);
      expect(svg.getElementsByTagName('title')[0]!.textContent).toContain('A <b> & "c"');
      expect(svg.getElementsByTagName('path').length).toBeGreaterThan(0);
      expect(svg.outerHTML).not.toMatch(/NaN|undefined|Infinity/u);
    }
  });
  it('show a necklace on its neck, true to scale, and what is worn open not closed', () => {
    const made = (id: string): Piece =>
      TEMPLATES.find((one) => one.id === id)!.make({
        name: 'x',
        wearer: { name: 'Ola', wrist: 165, hand: 205, neck: 360 },
        cutting: { confidence: 0.95, step: 10, practice: 'practised' },
      });
    const values = (piece: Piece): string[] =>
      drawable(piece, planned(piece), 'right', UNITS).map(({ value }) => value.split(' ')[0]!);
    expect(values(EXAMPLE_PIECE)).toContain('closed');
    expect(values(EXAMPLE_PIECE)).not.toContain('worn');
    const lariat = made('lariat');
    expect(values(lariat)).toContain('worn');
    expect(values(lariat)).not.toContain('closed');
    // Open round a wrist it is seen from the side, as on the screen.
    const round: Piece = { ...lariat, wear: { ...lariat.wear, site: 'wrist' } };
    expect(values(round)).toContain('closed');
    expect(values(round)).not.toContain('worn');
    const closed = drawingOf(round, planned(round), 'right', 'closed');
    expect(svgOf(closed.title, closed.bounds, closed.shapes)).not.toMatch(/NaN|Infinity/u);
    const { title, bounds } = drawingOf(lariat, planned(lariat), 'right', 'worn');
    expect(title).toBe('x, on the neck');
    const hanging = drawHanging(lariat, planned(lariat), 'left');
    expect(bounds).toEqual(hanging.bounds);
    expect(bounds.y + bounds.height).toBeGreaterThan(hanging.lowest);
  });
  it('of a piece are as wide as it is from end to end', () => {
    const { title, bounds, shapes } = drawingOf(EXAMPLE_PIECE, PLAN, 'right', 'piece');
    const svg = parsed(svgOf(title, bounds, shapes));
    expect(parseFloat(svg.getAttribute('width')!)).toBeGreaterThan(PLAN.fit.length);
    const xs = [...svg.getElementsByTagName('path')].flatMap((path) =>
      [...path.getAttribute('d')!.matchAll(/[ML](-?[\d.]+) /gu)].map(([, x]) => Number(x)),
    );
    expect(Math.min(...xs)).toBeGreaterThanOrEqual(bounds.x - 0.01);
    expect(Math.max(...xs)).toBeLessThanOrEqual(bounds.x + bounds.width + 0.01);
  });
});
