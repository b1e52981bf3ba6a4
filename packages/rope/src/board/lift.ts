import type { Point, Point3 } from '../base/point.js';
import type { Board, BoardBead } from '../base/own-knot.js';

import { subdivided } from '../curves/spline.js';
import type { Ball, RopeProblem } from '../engine/problem.js';
import { far } from '../engine/touching-points.js';
import { crossings, type BoardCrossing } from './board.js';

/** Height of a cord over or under another where they cross, in diameters, before it is drawn tight. */
const APART = 0.8;
/** How far beyond all that is drawn the ends are held, in diameters. */
const LEAD = 6;

/** A place along a cord, in points from its beginning, and how high it lies there. */
type Height = readonly [along: number, z: number];

/** Height anywhere along a cord, straight between crossings and level at the ends. */
function heightAt(heights: readonly Height[], along: number): number {
  const next = heights.findIndex(([at]) => at >= along);
  if (next === 0) return heights[0]![1];
  if (next < 0) return heights.at(-1)?.[1] ?? 0;
  const [[from, low], [to, high]] = [heights[next - 1]!, heights[next]!];
  return low + ((high - low) * (along - from)) / Math.max(to - from, 1e-9);
}

/** The end of a cord, led straight out from the middle of the board. */
const ledOut = ([x, y]: Point, far: number): Point3 => {
  const out = Math.hypot(x, y);
  return out < 1e-6 ? [far, 0, 0] : [(x / out) * far, (y / out) * far, 0];
};

/** A line from one point to another gone on with, so far beyond it. */
function goneOn([ax, ay]: Point, [bx, by]: Point, beyond: number): Point3 {
  const long = Math.hypot(bx - ax, by - ay) || 1;
  return [bx + ((bx - ax) * beyond) / long, by + ((by - ay) * beyond) / long, 0];
}

/** Points of a cord where it was drawn and where it crosses, each with how far along it is, in points. */
type Drawn = readonly (readonly [along: number, at: Point3])[];

/** A cord as it was drawn, over and under where it crosses. */
function lifted({ cords }: Board, cord: number, all: readonly BoardCrossing[]): Drawn {
  const points = cords[cord]!;
  const heights: Height[] = all
    .flatMap(({ early, late, earlyOver }): Height[] => [
      ...(early.cord === cord ? [[early.along, earlyOver ? APART : -APART] as const] : []),
      ...(late.cord === cord ? [[late.along, earlyOver ? -APART : APART] as const] : []),
    ])
    .concat([
      [-1, 0],
      [points.length, 0],
    ])
    .sort(([a], [b]) => a - b);
  const drawn: readonly (readonly [along: number, at: Point])[] = [
    ...points.map((at, i) => [i, at] as const),
    ...all.flatMap(({ at, early, late }) =>
      [early, late].filter((one) => one.cord === cord).map(({ along }) => [along, at] as const),
    ),
  ].sort(([a], [b]) => a - b);
  return drawn.map(([along, [x, y]]) => [along, [x, y, heightAt(heights, along)]]);
}

/** The cords of a board as they lie on it, over and under each other, in diameters. */
export const onBoard = (board: Board): Point3[][] => {
  const all = crossings(board);
  return board.cords.map((_, cord) => lifted(board, cord, all).map(([, at]) => at));
};

/** A line between points is laid with one so often, in diameters: a smooth curve through them keeps to it. */
const CLOSE = 0.4;

/** How far along a line in diameters a place lies that is so many points along. */
function lengthTo(line: Drawn, place: number): number {
  let sum = 0;
  for (let i = 1; i < line.length; i++) {
    const [a, p] = line[i - 1]!;
    const [b, q] = line[i]!;
    if (a >= place) break;
    sum += far(p, q) * Math.min(1, (place - a) / Math.max(b - a, 1e-9));
  }
  return sum;
}

/** Where a bead lies between what only leads to the knot: before the first crossing of its cord, and after the last. */
function ballOf(
  { cord, along, size }: BoardBead,
  line: Drawn,
  all: readonly BoardCrossing[],
  [from, to]: readonly [Point3, Point3],
): Ball {
  const places = all
    .flatMap(({ early, late }) => [early, late])
    .filter((one) => one.cord === cord)
    .map((one) => one.along);
  const [first, last, long] = [
    lengthTo(line, Math.min(...places, along)),
    lengthTo(line, Math.max(...places, along)),
    lengthTo(line, Infinity),
  ];
  return {
    strand: cord,
    along: last > first ? (lengthTo(line, along) - first) / (last - first) : 0.5,
    leads: [far(from, line[0]![1]) + first, far(to, line.at(-1)![1]) + long - last],
    radius: size / 2,
  };
}

/**
 * The cords of a board in space: each lies over or under where it crosses another, and its ends are held outside.
 * Cores lie straight. Nothing else is told of how it lies: the rope finds that as it is drawn tight.
 *
 * @param board with at least one cord, without faults
 * @returns ropes of diameter 1
 */
export function inSpace(board: Board): RopeProblem {
  const all = crossings(board);
  const { cores = [], beads = [] } = board;
  const out = LEAD + Math.max(...board.cords.flat().map(([x, y]) => Math.hypot(x, y)));
  const lines = board.cords.map((_, cord) => lifted(board, cord, all));
  const ends = board.cords.map((points, cord): [Point3, Point3] => {
    const [from, to] = [points[0]!, points.at(-1)!];
    return cores.includes(cord)
      ? [goneOn(to, from, out), goneOn(from, to, out)]
      : [ledOut(from, out), ledOut(to, out)];
  });
  return {
    strands: lines.map((line, cord) => {
      const [from, to] = ends[cord]!;
      const rigid = cores.includes(cord);
      const way = rigid ? [from, to] : [from, ...line.map(([, at]) => at), to];
      return {
        points: rigid ? way : subdivided(way, CLOSE),
        diameter: 1,
        ends: 'held' as const,
        ...(rigid ? { rigid } : {}),
      };
    }),
    ...(beads.length > 0 && {
      balls: beads.map((bead) => ballOf(bead, lines[bead.cord]!, all, ends[bead.cord]!)),
    }),
  };
}
