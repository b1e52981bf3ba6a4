import type { Point3 } from '../base/point.js';

import { meet } from '../engine/meet.js';

/** Two strands of a link over each other, as seen from above. */
export interface LinkCrossing {
  /**
   * Edges that meet there, counter-clockwise from the one by which the lower strand comes in. Edges are numbered from
   * 1, along one component after the other.
   */
  readonly edges: readonly [number, number, number, number];
  /** 1 where the upper strand goes from the left of the lower one to its right, -1 the other way. */
  readonly sign: 1 | -1;
  /** Components that lie there, from 0. */
  readonly lower: number;
  readonly upper: number;
}

/** A link in space as it is seen from above: a planar diagram. */
export interface LinkDiagram {
  readonly crossings: readonly LinkCrossing[];
  readonly components: number;
  /** Components that cross nothing. */
  readonly apart: number;
}

/** Turned a little, about x and about y in radians, so that no edge lies right over another. */
const OFF = [0.0137, 0.0071] as const;

function seen([x, y, z]: Point3): Point3 {
  const [c, s, d, t] = [Math.cos(OFF[0]), Math.sin(OFF[0]), Math.cos(OFF[1]), Math.sin(OFF[1])];
  const [v, w] = [c * y - s * z, s * y + c * z];
  return [d * x + t * w, v, d * w - t * x];
}

interface Visit {
  readonly component: number;
  /** How far along it, in points. */
  readonly along: number;
}

interface Meeting {
  readonly lower: Visit;
  readonly upper: Visit;
  readonly sign: 1 | -1;
}

const between = (a: number, b: number, share: number): number => a + (b - a) * share;

/** All places where an edge lies over another. */
function meetings(curves: readonly (readonly Point3[])[]): Meeting[] {
  const edges = curves.flatMap((curve, component) =>
    curve.map((from, i) => {
      const to = curve[(i + 1) % curve.length]!;
      const [low, high] = [Math.min(from[0], to[0]), Math.max(from[0], to[0])];
      return { component, i, count: curve.length, from, to, low, high };
    }),
  );
  // Only edges that overlap from left to right are held against each other.
  edges.sort((a, b) => a.low - b.low);
  const found: Meeting[] = [];
  edges.forEach((a, n) => {
    for (let m = n + 1; m < edges.length && edges[m]!.low <= a.high; m++) {
      const b = edges[m]!;
      if (a.component === b.component) {
        const steps = Math.abs(a.i - b.i);
        if (steps === 1 || steps === a.count - 1) continue;
      }
      const at = meet(
        [a.from[0], a.from[1]],
        [a.to[0], a.to[1]],
        [b.from[0], b.from[1]],
        [b.to[0], b.to[1]],
      );
      if (!at) continue;
      const aOver = between(a.from[2], a.to[2], at[0]) > between(b.from[2], b.to[2], at[1]);
      const one = { component: a.component, along: a.i + at[0] };
      const two = { component: b.component, along: b.i + at[1] };
      const turn =
        (a.to[0] - a.from[0]) * (b.to[1] - b.from[1]) -
        (a.to[1] - a.from[1]) * (b.to[0] - b.from[0]);
      found.push({
        lower: aOver ? two : one,
        upper: aOver ? one : two,
        sign: turn > 0 === aOver ? 1 : -1,
      });
    }
  });
  return found;
}

/**
 * The planar diagram of closed curves, seen from above (z towards the viewer).
 *
 * @param curves points of each, the last joined to the first; in general position but for what lies exactly above
 * @example diagramOf([[[1, 0, 0], [0, 1, 0], [-1, 0, 0]]]).crossings.length // 0
 */
export function diagramOf(curves: readonly (readonly Point3[])[]): LinkDiagram {
  const met = meetings(curves.map((curve) => curve.map(seen)));
  const visits = met.flatMap(({ lower, upper }) => [lower, upper]);
  /** The edges by which a strand comes to a crossing and leaves it. */
  const ways = new Map<Visit, readonly [number, number]>();
  let edge = 1;
  let apart = 0;
  curves.forEach((_, component) => {
    const own = visits
      .filter((visit) => visit.component === component)
      .sort((a, b) => a.along - b.along);
    own.forEach((visit, i) => ways.set(visit, [edge + i, edge + ((i + 1) % own.length)]));
    edge += own.length;
    if (own.length === 0) apart += 1;
  });
  return {
    crossings: met.map(({ lower, upper, sign }): LinkCrossing => {
      const [under, over] = [ways.get(lower)!, ways.get(upper)!];
      const [right, left] = sign === 1 ? [over[1], over[0]] : over;
      return {
        edges: [under[0], right, under[1], left],
        sign,
        lower: lower.component,
        upper: upper.component,
      };
    }),
    components: curves.length,
    apart,
  };
}

/** @example writhe(diagramOf([])) // 0 */
export const writhe = ({ crossings }: LinkDiagram): number =>
  crossings.reduce((sum, { sign }) => sum + sign, 0);

/**
 * How often two components go round each other, with its sign: half the signs of the crossings between them (Gauss).
 *
 * @returns a whole number, since closed curves cross each other an even number of times
 */
export const linking = ({ crossings }: LinkDiagram, one: number, other: number): number =>
  crossings
    .filter(
      ({ lower, upper }) =>
        (lower === one && upper === other) || (lower === other && upper === one),
    )
    .reduce((sum, { sign }) => sum + sign, 0) / 2;
