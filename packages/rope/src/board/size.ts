import type { KnotSize, KnotMeasure } from '../base/own-knot.js';
import type { Point3 } from '../base/point.js';

import { polylineLength } from '../curves/spline.js';
import { extrapolate } from '../engine/compute.js';
import { added, cross, dot, scaled } from '../engine/vector.js';
import { touchingPlaces, type Place } from '../engine/touching-points.js';
import type { Drawn } from '../engine/tighten.js';

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

/** Cords that go the same way, within 20 degrees, only lie side by side: they lead to the knot or out of it. */
const SIDE_BY_SIDE = Math.cos((20 * Math.PI) / 180);

const crossingPlaces = (curves: readonly (readonly Point3[])[]): Place[] =>
  touchingPlaces(curves, SIDE_BY_SIDE);
const pointsOf = (places: readonly Place[]): Point3[] => places.map(({ at }) => at);

/**
 * What each cord takes of a knot: from where it first crosses another that it touches, or itself, to where it last
 * does, less the way that it comes on by that. However its ends were led away to be held is no part of it.
 *
 * @param along the axis of the knot
 * @param lengths of the cords along their curves, where these are known better than by their corners
 */
export function takenOf(
  curves: readonly (readonly Point3[])[],
  places: readonly Place[],
  along: Point3,
  lengths: readonly number[] = curves.map(polylineLength),
): number[] {
  return curves.map((curve, cord) => {
    const own = places.filter((place) => place.cord === cord);
    const [first, last] = [own[0], own.at(-1)];
    if (!first || !last) return 0;
    // Its ends are straight: what the corners leave out is inside.
    const outside = first.along + (polylineLength(curve) - last.along);
    const [from, to] = endsOf(curve);
    const turned = dot(to, along) < dot(from, along) ? -1 : 1;
    const way = turned * (dot(last.at, along) - dot(first.at, along));
    const over = lengths[cord]! - outside - way;
    // A straight core takes nothing, and no crumb of rounding.
    return over > 1e-6 ? over : 0;
  });
}

/** A knot's own axes: along the piece, across it, and towards the viewer. */
export type Frame = readonly [along: Point3, across: Point3, up: Point3];

/** Cords whose ends are apart by less than this, together, in diameters, come out where they go in. */
const SAME_SIDE = 2;

/**
 * The axes of a knot: along the piece is from where its first cord comes in to where it goes out, and the others with
 * it; across it is where the knot is widest besides. Of cords that go out where they come in, along is where it is widest of all.
 *
 * @param ends first and last point of every cord
 * @param knot points at which cords touch, at least one
 */
export function frameOf(
  ends: readonly (readonly [from: Point3, to: Point3])[],
  knot: readonly Point3[],
): Frame {
  const ways = ends.map(([from, to]): Point3 => [
    to[0] - from[0],
    to[1] - from[1],
    to[2] - from[2],
  ]);
  const longest = ways.reduce((a, b) => (Math.hypot(...b) > Math.hypot(...a) ? b : a));
  // A cord that was drawn from the other end goes the same way.
  const way = ways.reduce<Point3>(
    (sum, one) => added(sum, scaled(one, (dot(one, longest) < 0 ? -1 : 1) / ways.length)),
    [0, 0, 0],
  );
  const long = Math.hypot(...way);
  const first = dot(way, ways[0]!) < 0 ? -1 : 1;
  const along = long > SAME_SIDE ? scaled(way, first / long) : axesOf(knot)[0]!;
  const level = knot.map((p): Point3 => {
    const by = dot(p, along);
    return [p[0] - by * along[0], p[1] - by * along[1], p[2] - by * along[2]];
  });
  const wide = axesOf(level)[0]!;
  const upright = Math.abs(dot(wide, along)) < 0.5 ? wide : axesOf(level)[1]!;
  const up = cross(along, upright);
  // Seen from above, as it was drawn; what is on edge is left as it comes.
  return up[2] >= 0 ? [along, upright, up] : [along, scaled(upright, -1), scaled(up, -1)];
}

/** How far points reach along an axis, and half a diameter beyond at both ends. */
const reach = (points: readonly Point3[], axis: Point3): number => {
  const along = points.map((p) => dot(p, axis));
  return Math.max(...along) - Math.min(...along) + 1;
};

interface Plain {
  readonly uses: readonly number[];
  readonly sizes: readonly number[];
}

/** The cords that tell which way a knot lies: its cores where it has some, else all. */
function guidesOf<T>(curves: readonly T[], strands: readonly { readonly rigid?: boolean }[]): T[] {
  const cores = curves.filter((_, s) => strands[s]?.rigid === true);
  return cores.length > 0 ? cores : [...curves];
}

const endsOf = (curve: readonly Point3[]): readonly [Point3, Point3] => [curve[0]!, curve.at(-1)!];

function plain({ laid, lengths }: Drawn): Plain {
  const curves = lengths.map((_, s) => laid.curve(s));
  const places = crossingPlaces(curves);
  if (places.length === 0) return { uses: lengths.map(() => 0), sizes: [0, 0, 0] };
  const frame = frameOf(guidesOf(curves, laid.problem.strands).map(endsOf), pointsOf(places));
  return {
    uses: takenOf(curves, places, frame[0], lengths),
    sizes: frame.map((axis) => reach(pointsOf(places), axis)),
  };
}

/** What each cord takes of a knot that lies in its own frame: see takenOf. */
export const takenInFrame = (curves: readonly (readonly Point3[])[]): number[] =>
  takenOf(curves, crossingPlaces(curves), [1, 0, 0]);

/**
 * A knot that was drawn, turned and moved into its own frame: it begins at x = 0, its middle lies on the x axis.
 *
 * @returns its cords, and points that go with them
 */
export function inFrame(
  curves: readonly (readonly Point3[])[],
  strands: readonly { readonly rigid?: boolean }[],
  more: readonly Point3[] = [],
): { readonly curves: Point3[][]; readonly more: Point3[] } {
  const knot = pointsOf(crossingPlaces(curves));
  const about = knot.length > 0 ? knot : curves.flat();
  const frame = frameOf(guidesOf(curves, strands).map(endsOf), about);
  const [x0, y0, z0] = frame.map((axis, k) => {
    const all = about.map((p) => dot(p, axis));
    const low = Math.min(...all);
    return k === 0 ? low - 0.5 : (low + Math.max(...all)) / 2;
  }) as [number, number, number];
  const turned = (p: Point3): Point3 => [
    dot(p, frame[0]) - x0,
    dot(p, frame[1]) - y0,
    dot(p, frame[2]) - z0,
  ];
  return { curves: curves.map((curve) => curve.map(turned)), more: more.map(turned) };
}

/**
 * Off by this share at least: by so much one drawing of a knot comes to rest otherwise than another of the same knot; and
 * how coarsely a size is read.
 */
const USES_LEAST = 5e-3;
const SIZE_LEAST = 0.02;
/** Of one that was left before it was at rest. */
const RESTLESS = 0.03;

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
  const rest = drawn.length > 1 && drawn.at(-1)!.settled ? 0 : RESTLESS;
  const on = (a: number, b: number, least: number): KnotMeasure => {
    const { value, off } = finer > 1.05 ? extrapolate(a, b, finer) : { value: b, off: 0 };
    return { value, off: Math.max(off, least * Math.abs(value)) + rest * Math.abs(value) };
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
