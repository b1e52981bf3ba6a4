import type { Point3 } from '../base/point.js';
import { describe, expect, it } from '@jest/globals';

import type { Rod } from './problem.js';
import { drawTight, lengthOf, loop } from './testing.js';

/** Half a turn of two strands that wind about each other; each goes on as the other. */
const twisted = (period: number, radius: number) => ({
  strands: [0, 1].map((s) => ({
    points: Array.from({ length: 12 }, (_, i): Point3 => {
      const a = (Math.PI * i) / 12 + Math.PI * s;
      return [(period * i) / 24, radius * Math.cos(a), radius * Math.sin(a)];
    }),
    diameter: 1,
    ends: { joins: 1 - s, after: 1 },
  })),
  repeats: [{ axis: 'x' as const, shift: period / 2 }],
});

/**
 * Radius of the middles of a double helix of diameter 1 and period P whose strands touch: on both sides of the axis
 * where it is long; wider where they touch further along, which is where the distance is least over the angle.
 * See Przybyl and Pieranski, Helical close packings of ideal ropes (2001).
 */
function touchingRadius(period: number): number {
  const nearest = (r: number): number => {
    let least = Infinity;
    for (let i = -4000; i <= 4000; i++) {
      const t = (Math.PI * i) / 4000;
      least = Math.min(least, 2 * r * r * (1 + Math.cos(t)) + ((period * t) / (2 * Math.PI)) ** 2);
    }
    return Math.sqrt(least);
  };
  let [low, high] = [0.3, 3];
  for (let i = 0; i < 60; i++) {
    const r = (low + high) / 2;
    if (nearest(r) < 1) low = r;
    else high = r;
  }
  return high;
}

describe('a double helix', () => {
  it('touches on the axis down to a period of pi, and widens below it', () => {
    expect(touchingRadius(Math.PI + 0.05)).toBeCloseTo(0.5, 3);
    expect(touchingRadius(2.6)).toBeGreaterThan(0.53);
  });
  it.each([6, 4.5, 3.4, 2.8, 2.4])(
    'of period %d is as long as the helices that touch',
    (period) => {
      const each = lengthOf(drawTight(twisted(period, 1.4)));
      const want = Math.hypot(2 * Math.PI * touchingRadius(period), period);
      expect(Math.abs(each / want - 1)).toBeLessThan(0.002);
    },
  );
});

describe('a wrap', () => {
  it.each([
    [1, 1.4],
    [3, 2],
    [0.5, 3],
  ])('round a cylinder of radius %d, climbing %d a turn, is a helix', (radius, climb) => {
    const at = radius + 1.5;
    const drawn = drawTight({
      strands: [
        {
          points: loop(
            (t): Point3 => [(climb * t) / (2 * Math.PI), at * Math.cos(t), at * Math.sin(t)],
            24,
          ),
          diameter: 1,
          ends: { joins: 0, after: 1 },
        },
      ],
      repeats: [{ axis: 'x', shift: climb }],
      rods: [{ y: 0, z: 0, radius }],
    });
    // Elementary: sqrt((2 pi a)^2 + p^2).
    const want = Math.hypot(2 * Math.PI * (radius + 0.5), climb);
    expect(Math.abs(lengthOf(drawn) / want - 1)).toBeLessThan(0.001);
  });
  const rods = (...at: (readonly [number, number])[]): Rod[] =>
    at.map(([y, z]) => ({ y, z, radius: 0.5 }));
  it.each([
    // Perimeter of the hull of m equal circles side by side or close-packed, and pi d more (Steiner’s formula).
    ['two side by side', rods([-0.5, 0], [0.5, 0]), 2],
    ['three in a triangle', rods([0, 0.57735], [-0.5, -0.288675], [0.5, -0.288675]), 3],
    ['four in a square', rods([-0.5, -0.5], [0.5, -0.5], [-0.5, 0.5], [0.5, 0.5]), 4],
    ['three flat', rods([-1, 0], [0, 0], [1, 0]), 4],
  ])('round %s goes along the hull', (_, on, runs) => {
    const drawn = drawTight({
      strands: [
        {
          points: loop((t): Point3 => [0, 3 * Math.cos(t), 3 * Math.sin(t)], 24),
          diameter: 1,
          ends: 'closed',
        },
      ],
      rods: on,
    });
    expect(Math.abs(lengthOf(drawn) / (runs + 2 * Math.PI) - 1)).toBeLessThan(0.002);
  });
});

describe('a cord over a bead', () => {
  // Held beside the bead's hole at both ends, as by half knots: two tangents and the arc between them.
  it.each([
    [6, 1.9],
    [8, 2.4],
    [4, 1.9],
  ])('of %d diameters, from %d beside its middle, is a string over a circle', (bead, aside) => {
    const drawn = drawTight({
      strands: [
        {
          points: [
            [-bead, 0, 0],
            [0, 0, 0],
            [bead, 0, 0],
          ],
          diameter: 1,
          ends: 'held',
          rigid: true,
        },
        {
          points: [
            [-bead / 2, aside, 0],
            [-bead / 3, bead / 2 + 0.8, 0],
            [0, bead / 2 + 1.4, 0],
            [bead / 3, bead / 2 + 0.8, 0],
            [bead / 2, aside, 0],
          ],
          diameter: 1,
          ends: 'held',
        },
      ],
      balls: [{ strand: 0, along: 0.5, leads: [0, 0], radius: bead / 2 }],
    });
    const [radius, out] = [(bead + 1) / 2, Math.hypot(bead / 2, aside)];
    const arc = Math.PI - 2 * (Math.atan2(aside, bead / 2) + Math.acos(radius / out));
    const want = 2 * Math.sqrt(out ** 2 - radius ** 2) + radius * arc;
    expect(Math.abs(drawn.at(-1)!.lengths[1]! / want - 1)).toBeLessThan(0.003);
  });
});
