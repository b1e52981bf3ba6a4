import type { Point3 } from '../base/point.js';
import { describe, expect, it } from '@jest/globals';

import { extrapolate } from './compute.js';
import { barrel } from '../knots/stoppers.js';
import type { RopeProblem } from './problem.js';
import { drawTight, lengthOf, loop, ring, trefoil } from './testing.js';

/*
 * The engine against what others have published of tight knots: ropelength, the length over the radius of the rope.
 */

/** Ropelength, extrapolated from the two finest polygons. */
function ropelength(problem: RopeProblem): number {
  const [coarse, fine] = drawTight(problem, { polygons: 2 }).map((one) => 2 * lengthOf([one]));
  return extrapolate(coarse!, fine!, 1.4).value;
}
const off = (got: number, want: number): number => Math.abs(got / want - 1);

describe('ropelength of tight knots', () => {
  it('Hopf link: 8 pi exactly (Cantarella, Kusner, Sullivan 2002)', () => {
    const link = ropelength({
      strands: [
        loop((t): Point3 => [3 * Math.cos(t), 3 * Math.sin(t), 0]),
        loop((t): Point3 => [3 + 3 * Math.cos(t), 0, 3 * Math.sin(t)]),
      ].map((points) => ({ points, diameter: 1, ends: 'closed' })),
    });
    expect(off(link, 8 * Math.PI)).toBeLessThan(0.001);
  });
  it.each([
    // Ashton, Cantarella, Piatek, Rawdon, Knot Tightening by Constrained Gradient Descent (2011); the last two from
    // memory.
    ['trefoil', 32.74, trefoil()],
    [
      'figure-eight',
      42.09,
      loop((t): Point3 => {
        const r = 2 * (2 + Math.cos(2 * t));
        return [r * Math.cos(3 * t), r * Math.sin(3 * t), 2.6 * Math.sin(4 * t)];
      }),
    ],
    [
      '5_1',
      47.2,
      loop((t): Point3 => {
        const r = 2 * (2 + 0.7 * Math.cos(5 * t));
        return [r * Math.cos(2 * t), r * Math.sin(2 * t), -1.6 * Math.sin(5 * t)];
      }, 160),
    ],
    [
      // The Lissajous knot of 3, 2 and 7.
      '5_2',
      49.47,
      loop(
        (t): Point3 => [4 * Math.cos(3 * t + 0.7), 4 * Math.cos(2 * t + 0.2), 4 * Math.cos(7 * t)],
        140,
      ),
    ],
  ])('%s: %d', (_, want, points) => {
    expect(off(ropelength(ring(points)), want)).toBeLessThan(0.005);
  });
  it.each([
    ['granny', 1],
    ['square', -1],
  ])('a %s knot saves 4 pi - 4 against two trefoils, and not more than 4 pi', (_, hand) => {
    // Two tight knots spliced where they touch a common plane (Cantarella, Kusner, Sullivan 2002, from memory).
    const one = barrel(1).slice(1, -1);
    const other = one.map(([x, y, z]): Point3 => [x + 11.2, y, hand * z]);
    const round: Point3[] = [
      [18, 4, 0],
      [14, 9, 0],
      [5.6, 11, 0],
      [-3, 9, 0],
      [-7, 4, 0],
    ];
    const both = ropelength(ring([...one, ...other, ...round]));
    expect(both).toBeLessThan((2 * 32.74 - (4 * Math.PI - 4)) * 1.005);
    expect(both).toBeGreaterThan(2 * 32.74 - 4 * Math.PI);
  });
});
