import type { Point3 } from '../base/point.js';

/** Cords touch where their middles are no further apart than this, in diameters. */
const TOUCHES = 1.02;
/** Along one cord its own neighbours touch nothing: nearer than this along it, in diameters. */
const NEIGHBOURS = 2;

/** Parts that an edge is looked at in, so that little hangs on where corners lie. */
const PARTS = 4;

/** A place on a cord. */
export interface Place {
  /** Which way the cord goes there, of length 1. */
  readonly way: Point3;
  readonly at: Point3;
  readonly cord: number;
  /** Length of the cord before it. */
  readonly along: number;
}

/** Places close together along all cords. */
function places(curves: readonly (readonly Point3[])[]): Place[] {
  return curves.flatMap((curve, cord) => {
    let from = 0;
    return curve.slice(0, -1).flatMap((p, i) => {
      const q = curve[i + 1]!;
      const edge = far(p, q);
      const way: Point3 = [(q[0] - p[0]) / edge, (q[1] - p[1]) / edge, (q[2] - p[2]) / edge];
      const out = Array.from({ length: PARTS }, (_, k): Place => {
        const t = k / PARTS;
        const at: Point3 = [
          p[0] + t * (q[0] - p[0]),
          p[1] + t * (q[1] - p[1]),
          p[2] + t * (q[2] - p[2]),
        ];
        return { at, way, cord, along: from + t * edge };
      });
      from += edge;
      return out;
    });
  });
}

const along = (a: Point3, b: Point3): number => Math.abs(a[0] * b[0] + a[1] * b[1] + a[2] * b[2]);

/**
 * Places of cords at which they touch another, or themselves further on: the knot, without what leads to it.
 *
 * @param side how far two cords that touch may go the same way, as the cosine of the angle between them; any
 *   when left out, so that cords side by side touch as well
 */
export function touchingPlaces(curves: readonly (readonly Point3[])[], side = Infinity): Place[] {
  const all = places(curves);
  return all.filter((one) =>
    all.some(
      (other) =>
        (other.cord !== one.cord || Math.abs(other.along - one.along) > NEIGHBOURS) &&
        far(one.at, other.at) < TOUCHES &&
        along(one.way, other.way) <= side,
    ),
  );
}

/** The same as points alone. */
export const touchingPoints = (curves: readonly (readonly Point3[])[]): Point3[] =>
  touchingPlaces(curves).map(({ at }) => at);

/** How far two points are apart. */
export const far = (a: Point3, b: Point3): number =>
  Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
