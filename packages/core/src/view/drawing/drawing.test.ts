import { polylineLength } from '@coiled-strand/rope';
import { describe, expect, it } from '@jest/globals';
import { endInWork } from '../../piece/ends-in-work.js';
import { EXAMPLE_PIECE } from '../../piece/example.js';

import { planned } from '../../testing.js';
import { drawBench } from './bench.js';
import { drawClosed } from './closed.js';
import { rulerTicks } from './ruler.js';
import { svgPath } from './svg-path.js';

const piece = EXAMPLE_PIECE;
const plan = planned(piece);

describe('bench', () => {
  const bench = drawBench(piece, plan, { firstSide: 'left', tails: true });
  it('lies true to scale from nought to the knotted length', () => {
    const core = bench.shapes.find((s) => s.key === 'band-core-0');
    if (core?.kind !== 'cord') throw new Error('no core');
    expect(core.lines[0]?.[0]?.[0]).toBe(0);
    expect(core.lines[0]?.[1]?.[0]).toBe(plan.fit.length);
    expect(core.diameter).toBeCloseTo(3.6, 9);
  });
  it('draws the band as wide as the model says, within a cord', () => {
    const band = bench.shapes.filter((s) => s.key.startsWith('band-') && s.kind === 'cord');
    const ys = band.flatMap((s) => (s.kind === 'cord' ? s.lines.flat().map((p) => p[1]) : []));
    const width = Math.max(...ys) - Math.min(...ys) + 3.6;
    expect(Math.abs(width - (plan.parts[0]?.layout.width ?? 0))).toBeLessThan(1.8);
  });
  it('draws tails at their true length: what fingers need of thick cord for half knots', () => {
    const tails = bench.shapes.filter((s) => s.kind === 'cord' && s.state === 'tail');
    expect(tails).toHaveLength(2);
    for (const tail of tails) {
      if (tail.kind !== 'cord') continue;
      const end = endInWork(EXAMPLE_PIECE, EXAMPLE_PIECE.strands[0]!.cord);
      expect(Math.abs(polylineLength(tail.lines[0] ?? []) - end)).toBeLessThan(6);
    }
  });
  it('holds everything within its bounds', () => {
    const { bounds } = bench;
    for (const shape of bench.shapes) {
      const points = shape.kind === 'plate' ? shape.outlines.flat() : [];
      for (const [x, y] of points) {
        expect(x).toBeGreaterThanOrEqual(bounds.x);
        expect(x).toBeLessThanOrEqual(bounds.x + bounds.width);
        expect(y).toBeGreaterThanOrEqual(bounds.y);
        expect(y).toBeLessThanOrEqual(bounds.y + bounds.height);
      }
    }
  });
});

describe('closed view', () => {
  const closed = drawClosed(piece, plan);
  it('has the wrist inside the room inside the work', () => {
    expect(2 * Math.PI * closed.body).toBeCloseTo(183, 9);
    expect(2 * Math.PI * closed.inner).toBeCloseTo(plan.fit.target, 6);
    expect(closed.outer - closed.inner).toBeCloseTo(plan.parts[0]?.layout.thickness ?? 0, 9);
  });
  it('shows each half knot once on the outside', () => {
    const outside = closed.shapes.find((s) => s.key === 'closed-band-outside');
    expect(outside?.kind === 'cord' && outside.lines.length).toBe(plan.parts[0]?.layout.units);
  });
});

describe('ruler', () => {
  it('numbers centimetres, with millimetres between when there is room', () => {
    const ticks = rulerTicks(0, 30, 'cm', 0.5);
    expect(ticks).toHaveLength(31);
    expect(ticks.filter((t) => t.label).map((t) => t.label)).toEqual(['0', '1', '2', '3']);
    expect(ticks.filter((t) => t.rank === 'middle').map((t) => t.at)).toEqual([5, 15, 25]);
  });
  it('divides inches into eighths, and thins out when small', () => {
    expect(rulerTicks(0, 25.4, 'in', 1)).toHaveLength(9);
    const far = rulerTicks(0, 1000, 'cm', 12);
    expect(far.every((t) => t.rank === 'major')).toBe(true);
    expect(far.filter((t) => t.label).length).toBeLessThan(20);
  });
});

describe('svgPath', () => {
  it('leaves out what cannot be seen, but never an end', () => {
    const fine = Array.from({ length: 101 }, (_, i): [number, number] => [i / 100, 0]);
    expect(svgPath([fine], false, 0.3).match(/[ML]/g)).toHaveLength(5);
    expect(svgPath([fine], false, 0.3)).toMatch(/L1 0$/);
    expect(
      svgPath(
        [
          [
            [0, 0],
            [0.1, 0],
          ],
        ],
        false,
        5,
      ),
    ).toBe('M0 0L0.1 0');
  });
  it('writes hundredths, as a number is written that was rounded to them', () => {
    const values = [0, -0, 0.004, -0.004, 0.05, -0.05, 0.5, 9.999, 10, 99.995, 100.1, -1234.56];
    const wide = Array.from({ length: 2000 }, (_, i) => Math.tan(i * 0.7) * 10 ** (i % 6));
    const odd = [2 ** 31 / 100, -(2 ** 31), 1e15, 1e21, NaN, Infinity];
    for (const value of [...values, ...wide, ...odd]) {
      const seen = String(Math.round(value * 100) / 100);
      expect(svgPath([[[value, 1]]])).toBe(`M${seen} 1`);
    }
  });
  it('writes lines of any length', () => {
    const long = Array.from({ length: 20_000 }, (_, i): [number, number] => [-i / 7, i * 1000]);
    const parts = long.map(([x, y]) => `${Math.round(x * 100) / 100} ${y}`);
    expect(svgPath([long, [[1, 2]]], true)).toBe(`M${parts.join('L')}ZM1 2Z`);
  });
  it('writes open lines and closed outlines', () => {
    expect(
      svgPath([
        [
          [0, 0],
          [1.005, 2],
        ],
      ]),
    ).toBe('M0 0L1 2');
    expect(
      svgPath(
        [
          [
            [0, 0],
            [1, 0],
            [1, 1],
          ],
        ],
        true,
      ),
    ).toBe('M0 0L1 0L1 1Z');
  });
});
