import type { Point, Point3 } from '../base/point.js';

/**
 * Uniform Catmull-Rom spline through the points, sampled. The first and last point only steer the
 * ends: the curve runs from the second to the last but one.
 *
 * @param points at least four
 * @param samples samples per span, >= 1
 */
export function catmullRom(points: readonly Point3[], samples: number): Point3[] {
  const out: Point3[] = [];
  for (let i = 1; i < points.length - 2; i++) {
    const [a, b, c, d] = points.slice(i - 1, i + 3) as [Point3, Point3, Point3, Point3];
    for (let j = 0; j < samples; j++) {
      const t = j / samples;
      const at = (k: 0 | 1 | 2): number =>
        0.5 *
        (2 * b[k] +
          (c[k] - a[k]) * t +
          (2 * a[k] - 5 * b[k] + 4 * c[k] - d[k]) * t * t +
          (3 * b[k] - a[k] - 3 * c[k] + d[k]) * t * t * t);
      out.push([at(0), at(1), at(2)]);
    }
  }
  const last = points[points.length - 2];
  if (last) out.push(last);
  return out;
}

/** The same line with more points, evenly on each edge, so that no edge is longer than so much. */
export function subdivided(line: readonly Point3[], longest: number): Point3[] {
  return line.flatMap((p, i): Point3[] => {
    const q = line[i + 1];
    if (!q) return [p];
    const parts = Math.max(1, Math.ceil(polylineLength([p, q]) / longest));
    return Array.from({ length: parts }, (_, k): Point3 => {
      const t = k / parts;
      return [p[0] + t * (q[0] - p[0]), p[1] + t * (q[1] - p[1]), p[2] + t * (q[2] - p[2])];
    });
  });
}

/** Length of a polyline, in the unit of its points. */
export function polylineLength(points: readonly (readonly number[])[]): number {
  let sum = 0;
  for (let i = 1; i < points.length; i++) {
    const a = points[i - 1]!;
    const b = points[i]!;
    sum += Math.hypot(...b.map((v, k) => v - a[k]!));
  }
  return sum;
}

/** A line moved aside to its left, as it is seen from above. */
export function aside(line: readonly (Point | Point3)[], by: number): Point[] {
  return line.map(([x, y], i): Point => {
    const [p, q] = [line[Math.max(0, i - 1)]!, line[Math.min(line.length - 1, i + 1)]!];
    const long = Math.hypot(q[0] - p[0], q[1] - p[1]) || 1;
    return [x - (by * (q[1] - p[1])) / long, y + (by * (q[0] - p[0])) / long];
  });
}

/** A smooth flat line through all of the points, ends included. */
export function smoothLine(points: readonly Point[], samples: number): Point[] {
  const flat = points.map(([x, y]): Point3 => [x, y, 0]);
  const [first, last] = [flat[0], flat.at(-1)];
  if (!first || !last || flat.length < 2) return [...points];
  return catmullRom([first, ...flat, last], samples).map(([x, y]): Point => [x, y]);
}

/**
 * A smooth flat line through all of the points that makes no loop or cusp where they lie unevenly: a centripetal
 * Catmull-Rom spline (C. Yuksel, S. Schaefer, J. Keyser, Parameterization and applications of Catmull-Rom curves,
 * Computer-Aided Design 43, 2011). Each point is there, after so many samples for each span before it.
 *
 * @param points at least two, no two in a row at one place
 */
export function evenLine(points: readonly Point[], samples: number): Point[] {
  const all = [
    mirroredAbout(points[1]!, points[0]!),
    ...points,
    mirroredAbout(points.at(-2)!, points.at(-1)!),
  ];
  const out: Point[] = [];
  for (let i = 1; i < all.length - 2; i++) {
    const [a, b, c, d] = all.slice(i - 1, i + 3) as [Point, Point, Point, Point];
    const knot = (p: Point, q: Point): number => Math.sqrt(Math.hypot(q[0] - p[0], q[1] - p[1]));
    const t1 = knot(a, b);
    const t2 = t1 + knot(b, c);
    const t3 = t2 + knot(c, d);
    for (let j = 0; j < samples; j++) {
      const t = t1 + ((t2 - t1) * j) / samples;
      const between = (p: Point, q: Point, from: number, to: number): Point => {
        const s = (t - from) / (to - from);
        return [p[0] + s * (q[0] - p[0]), p[1] + s * (q[1] - p[1])];
      };
      const [ab, bc, cd] = [between(a, b, 0, t1), between(b, c, t1, t2), between(c, d, t2, t3)];
      out.push(between(between(ab, bc, 0, t2), between(bc, cd, t1, t3), t1, t2));
    }
  }
  return [...out, points.at(-1)!];
}

const mirroredAbout = ([x, y]: Point, [u, v]: Point): Point => [2 * u - x, 2 * v - y];
