import type { Point3 } from '../kind/primitive.js';
import { extrapolate } from '../rope/compute.js';
import { far, touchingPoints } from '../rope/touching-points.js';
import type { Drawn } from '../rope/tighten.js';

/** A number and by how much it may be off, both in cord diameters. */
export interface Measured {
  readonly value: number;
  readonly off: number;
}

/** What a knot that is tight takes, and how large it is, in diameters of its cord. */
export interface KnotSize {
  /** By cord: its length less the way between its ends. */
  readonly uses: readonly Measured[];
  readonly length: Measured;
  readonly width: Measured;
  readonly thickness: Measured;
}

/**
 * Axes along which points lie widest, next and least: those of their spread about their mean, by Jacobi’s turns.
 * See Numerical Recipes, 11.1, from memory.
 */
export function axesOf(points: readonly Point3[]): Point3[] {
  const mean = [0, 1, 2].map((k) => points.reduce((sum, p) => sum + p[k]!, 0) / points.length);
  const a = [0, 1, 2].map((i) =>
    [0, 1, 2].map((j) =>
      points.reduce((sum, p) => sum + (p[i]! - mean[i]!) * (p[j]! - mean[j]!), 0),
    ),
  );
  const v = [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ];
  for (let sweep = 0; sweep < 30; sweep++) {
    for (const [p, q] of [
      [0, 1],
      [0, 2],
      [1, 2],
    ] as const) {
      const off = a[p]![q]!;
      if (Math.abs(off) < 1e-12) continue;
      const angle = Math.atan2(2 * off, a[q]![q]! - a[p]![p]!) / 2;
      const [c, s] = [Math.cos(angle), Math.sin(angle)];
      for (let k = 0; k < 3; k++) {
        const [kp, kq] = [a[k]![p]!, a[k]![q]!];
        a[k]![p] = c * kp - s * kq;
        a[k]![q] = s * kp + c * kq;
      }
      for (let k = 0; k < 3; k++) {
        const [pk, qk] = [a[p]![k]!, a[q]![k]!];
        a[p]![k] = c * pk - s * qk;
        a[q]![k] = s * pk + c * qk;
        const [vp, vq] = [v[k]![p]!, v[k]![q]!];
        v[k]![p] = c * vp - s * vq;
        v[k]![q] = s * vp + c * vq;
      }
    }
  }
  return [0, 1, 2]
    .sort((i, j) => a[j]![j]! - a[i]![i]!)
    .map((i): Point3 => [v[0]![i]!, v[1]![i]!, v[2]![i]!]);
}

/** How far points reach along an axis, and half a diameter beyond at both ends. */
const reach = (points: readonly Point3[], [u, v, w]: Point3): number => {
  const along = points.map(([x, y, z]) => u * x + v * y + w * z);
  return Math.max(...along) - Math.min(...along) + 1;
};

interface Plain {
  readonly uses: readonly number[];
  readonly sizes: readonly number[];
}

function plain({ laid, lengths }: Drawn): Plain {
  const curves = lengths.map((_, s) => laid.curve(s));
  const knot = touchingPoints(curves);
  return {
    uses: lengths.map((length, s) => length - far(curves[s]![0]!, curves[s]!.at(-1)!)),
    sizes: knot.length === 0 ? [0, 0, 0] : axesOf(knot).map((axis) => reach(knot, axis)),
  };
}

/** Off by this share at least: what is left where ropes are called at rest, and how coarsely a size is read. */
const USES_LEAST = 3e-4;
const SIZE_LEAST = 0.02;

/**
 * What a knot takes and how large it is, carried on from its two finest polygons.
 *
 * @param drawn at least one polygon, of ropes of diameter 1 that are held
 */
export function knotSize(drawn: readonly Drawn[]): KnotSize {
  const fine = plain(drawn.at(-1)!);
  const coarse = drawn.length > 1 ? plain(drawn.at(-2)!) : fine;
  const edges = (one: Drawn): number => one.edges.reduce((a, b) => a + b, 0);
  const finer = drawn.length > 1 ? edges(drawn.at(-1)!) / edges(drawn.at(-2)!) : Infinity;
  const on = (a: number, b: number, least: number): Measured => {
    const { value, off } = finer > 1.05 ? extrapolate(a, b, finer) : { value: b, off: 0 };
    return { value, off: Math.max(off, least * Math.abs(value)) };
  };
  const [length, width, thickness] = fine.sizes.map((size, k) =>
    on(coarse.sizes[k]!, size, SIZE_LEAST),
  );
  return {
    uses: fine.uses.map((used, s) => on(coarse.uses[s]!, used, USES_LEAST)),
    length: length!,
    width: width!,
    thickness: thickness!,
  };
}
