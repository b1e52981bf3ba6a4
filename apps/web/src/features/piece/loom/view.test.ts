import { describe, expect, it } from '@jest/globals';
import { knotsInRow, readyPattern, type FlossPart } from '@coiled-strand/core';
import { nextSign } from './loom-edits';
import { headUnder, knotUnder, loomView, pointOf, repeatsDrawn, stepFrom, zoomFor } from './view';

const part = (ready: string, strands: number): FlossPart => ({
  id: 'band',
  kind: 'knotted-floss',
  ...readyPattern(ready).make({ strands, colours: 2, text: 'X' }).pattern,
  order: null,
  repeats: null,
  ending: 'anywhere',
  tension: 'even',
});

describe('the loom on the screen', () => {
  it.each([
    ['stripe', 8],
    ['chevron', 10],
    ['letters', 12],
    ['stripe', 7],
  ])('finds every knot of %s on %i strands where it is drawn', (ready, strands) => {
    const band = part(ready, strands);
    const view = loomView(band, strands, 3);
    for (let row = 0; row < band.rows.length; row++) {
      for (let knot = 0; knot < knotsInRow(band.lay, row, strands); knot++) {
        const [x, y] = pointOf(view, { row, knot });
        expect(knotUnder(view, band.rows, [x, y])).toEqual({ row, knot });
        expect(knotUnder(view, band.rows, [x + 3, y - 3])).toEqual({ row, knot });
        expect(y).toBeGreaterThan(0);
        expect(y).toBeLessThan(view.height);
      }
    }
  });
  it('finds no knot beside the band, nor behind its repeat', () => {
    const band = part('stripe', 8);
    const view = loomView(band, 8, 3);
    expect(knotUnder(view, band.rows, [view.width + 200, 40])).toBeNull();
    expect(knotUnder(view, band.rows, [200, -60])).toBeNull();
    const behind = pointOf(view, { row: band.rows.length, knot: 1 });
    expect(knotUnder(view, band.rows, [behind[0] + 2 * view.lattice.along, behind[1]])).toBeNull();
  });
  it('knows the strand whose head is touched', () => {
    const view = loomView(part('stripe', 8), 8, 3);
    expect(headUnder(view, [20, view.height / 2 - 3.5 * view.lattice.across])).toBe(0);
    expect(headUnder(view, [20, view.height / 2 + 3.5 * view.lattice.across])).toBe(7);
    expect(headUnder(view, [20, 0])).toBeNull();
    expect(headUnder(view, [200, 60])).toBeNull();
  });
  it('goes from knot to knot and stays on the band', () => {
    const { rows } = part('stripe', 8);
    expect(stepFrom(rows, { row: 0, knot: 3 }, { along: 1 })).toEqual({ row: 1, knot: 2 });
    expect(stepFrom(rows, { row: 0, knot: 0 }, { along: -1, across: -1 })).toEqual({
      row: 0,
      knot: 0,
    });
    expect(stepFrom(rows, { row: 2, knot: 1 }, { along: Infinity })).toEqual({ row: 15, knot: 1 });
  });
  it('draws short repeats over and over, and many strands smaller', () => {
    expect(repeatsDrawn({ rows: ['>>', '>'] })).toBe(22);
    expect(repeatsDrawn({ rows: Array.from({ length: 90 }, () => '-') })).toBe(1);
    expect(zoomFor(40)).toBeLessThan(zoomFor(8));
  });
  it('turns a knot through all kinds and back', () => {
    let sign = '>';
    const seen = new Set<string>();
    while (!seen.has(sign)) {
      seen.add(sign);
      sign = nextSign('crossing', sign);
    }
    expect(seen.size).toBe(5);
    expect(nextSign('leader', nextSign('leader', '-'))).toBe('-');
  });
});
