import type { Point3 } from '../base/point.js';
import { describe, expect, it } from '@jest/globals';

import type { RopeStrand } from './problem.js';
import { drawTight, loop } from './testing.js';

/** A ring of wire about x, which keeps its shape and goes where it is pushed. */
const body = (radius: number, wire: number, [x, y, z]: Point3): RopeStrand => ({
  points: loop((t): Point3 => [x, y + radius * Math.cos(t), z + radius * Math.sin(t)], 24),
  diameter: wire,
  ends: 'closed',
  rigid: true,
});
const middle = (points: readonly Point3[]): Point3 => {
  const own = points.slice(0, -1);
  return [0, 1, 2].map((k) => own.reduce((sum, p) => sum + p[k]!, 0) / own.length) as never;
};
const far = (a: Point3, b: Point3): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

describe('a ring', () => {
  it.each([
    [3, 1],
    [4, 0.6],
    [3, 2],
  ])(
    'of radius %d has a cord drawn tight about its wire of %d, a circle, and keeps its own shape',
    (radius, wire) => {
      const tight = drawTight({
        strands: [
          {
            points: loop((t): Point3 => [1.4 * Math.sin(t), radius + 1.4 * Math.cos(t), 0.2]),
            diameter: 1,
            ends: 'closed',
          },
          body(radius, wire, [0.3, 0, 0]),
        ],
      }).at(-1)!;
      // Elementary: pi (wire + cord); on the inner side of a ring a little more of the wire is near.
      expect(Math.abs(tight.lengths[0]! / (Math.PI * (wire + 1)) - 1)).toBeLessThan(0.01);
      const ring = tight.curves[1]!;
      const at = middle(ring);
      for (const p of ring) expect(Math.abs(far(p, at) - radius)).toBeLessThan(0.01 * radius);
    },
  );
  it('gives way to a cord that is drawn straight through it, and that one becomes straight', () => {
    const tight = drawTight({
      strands: [
        {
          points: [
            [-8, 0, 0],
            [-2, 0.4, 0],
            [0, 2.6, 0],
            [2, 0.4, 0],
            [8, 0, 0],
          ],
          diameter: 1,
          ends: 'held',
        },
        body(2, 0.8, [0, 2.6, 0]),
      ],
    }).at(-1)!;
    expect(tight.lengths[0]).toBeCloseTo(16, 2);
    expect(tight.overlap).toBeLessThan(2e-3);
    // The cord lies inside it: the ring was moved out of the way.
    const [, y, z] = middle(tight.curves[1]!);
    expect(Math.hypot(y, z)).toBeLessThan(2 - 0.4 - 0.5 + 0.1);
  });
});

describe('beads on a cord', () => {
  it.each([2, 3, 5])('of %d diameters that is drawn through touch each other', (size) => {
    const long = size + 1.5;
    const tight = drawTight({
      strands: [
        {
          points: Array.from({ length: 8 }, (_, i): Point3 => [(long * i) / 8, 0, 0]),
          diameter: 1,
          ends: { joins: 0, after: 1 },
        },
      ],
      balls: [{ strand: 0, along: 0.5, leads: [0, 0], radius: size / 2 }],
      repeats: [{ axis: 'x', shift: long, push: 0 }],
    }).at(-1)!;
    // A straight row has no give: it never quite rests.
    expect(Math.abs(tight.shifts[0]! / size - 1)).toBeLessThan(0.005);
  });
  it('on two cords side by side, turned by half a turn from one to the next, touch across', () => {
    // Taut cords held apart by the beads alone: neighbours are balls whose middles are one diameter apart.
    const [size, long] = [3, 4];
    const tight = drawTight({
      strands: [1, -1].map((side, s) => ({
        points: Array.from({ length: 8 }, (_, i): Point3 => [(long * i) / 8 - long / 2, side, 0]),
        diameter: 1,
        ends: { joins: 1 - s, after: 1 },
      })),
      balls: [{ strand: 0, along: 0.5, leads: [0, 0], radius: size / 2 }],
      repeats: [{ axis: 'x', shift: long, turn: Math.PI, push: 0 }],
    }).at(-1)!;
    const [, y, z] = tight.beads[0]!;
    expect(Math.hypot(tight.shifts[0]!, 2 * y, 2 * z)).toBeGreaterThan(size * 0.998);
    expect(tight.shifts[0]).toBeLessThan(size + 0.01);
  });
});
