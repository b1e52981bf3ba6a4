import { bundleShape, catmullRom, polylineLength, smoothLine } from '@coiled-strand/rope';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { Point3 } from '../../base/kind/primitive.js';

/** Perimeter of the convex hull of circles, by rolling a tangent round it. */
function hullPerimeter(centres: readonly (readonly [number, number])[], radius: number): number {
  const steps = 20_000;
  let sum = 0;
  for (let i = 0; i < steps; i++) {
    const a = (2 * Math.PI * i) / steps;
    // Cauchy: the perimeter of a convex body is the integral of its support function.
    sum += Math.max(...centres.map(([x, y]) => x * Math.cos(a) + y * Math.sin(a))) + radius;
  }
  return (sum * 2 * Math.PI) / steps;
}

describe('hull of the bare core', () => {
  it.each([
    ['one', [[0, 0]]],
    [
      'two-flat',
      [
        [-0.5, 0],
        [0.5, 0],
      ],
    ],
    [
      'two-by-two',
      [
        [-0.5, -0.5],
        [0.5, -0.5],
        [-0.5, 0.5],
        [0.5, 0.5],
      ],
    ],
  ] as const)('of %s agrees with Cauchy’s formula', (bundle, centres) => {
    for (const ratio of [0.5, 1, 1.7]) {
      const scaled = centres.map(([x, y]): [number, number] => [x * ratio, y * ratio]);
      expect(bundleShape(bundle, ratio).perimeter).toBeCloseTo(hullPerimeter(scaled, ratio / 2), 5);
    }
  });
  it('grows with the core, and is never shorter than twice its width', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('one', 'two-flat', 'two-by-two'),
        fc.double({ min: 0.2, max: 3, noNaN: true }),
        (bundle, ratio) => {
          const shape = bundleShape(bundle, ratio);
          expect(shape.perimeter).toBeGreaterThan(2 * shape.width);
          expect(bundleShape(bundle as 'one', ratio * 1.1).perimeter).toBeGreaterThan(
            shape.perimeter,
          );
        },
      ),
    );
  });
});

describe('splines', () => {
  const point = fc
    .tuple(...[0, 1, 2].map(() => fc.double({ min: -50, max: 50, noNaN: true })))
    .map((p) => p as unknown as Point3);
  it('run through every point between the first and the last', () => {
    fc.assert(
      fc.property(fc.array(point, { minLength: 4, maxLength: 12 }), (points) => {
        const curve = catmullRom(points, 5);
        points.slice(1, -1).forEach((p, i) => {
          const q = curve[i * 5]!;
          expect(Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2])).toBeLessThan(1e-9);
        });
      }),
    );
  });
  it('keep a straight line straight and its length', () => {
    const line = [0, 1, 2, 3, 4].map((x): Point3 => [x, 2 * x, 0]);
    expect(polylineLength(catmullRom(line, 8))).toBeCloseTo(2 * Math.sqrt(5), 12);
  });
  it('measure a helix as geometry does', () => {
    // Length per turn of radius a and pitch p: sqrt((2 pi a)^2 + p^2), elementary.
    const [a, p] = [2, 3];
    const helix = Array.from({ length: 2001 }, (_, i): Point3 => {
      const t = i / 2000;
      return [p * t, a * Math.cos(2 * Math.PI * t), a * Math.sin(2 * Math.PI * t)];
    });
    expect(polylineLength(helix)).toBeCloseTo(Math.hypot(2 * Math.PI * a, p), 4);
  });
  it('smooth a flat line through all of its points, ends included', () => {
    const smooth = smoothLine(
      [
        [0, 0],
        [10, 5],
        [20, 0],
      ],
      4,
    );
    expect(smooth[0]).toEqual([0, 0]);
    expect(smooth.at(-1)).toEqual([20, 0]);
    expect(smooth).toContainEqual([10, 5]);
    expect(smoothLine([[1, 2]], 4)).toEqual([[1, 2]]);
  });
});
