import type { Point, Point3 } from '../kind/primitive.js';
import type { RopeProblem } from '../rope/problem.js';
import { crossings, type Board } from './board.js';

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

/**
 * The cords of a board in space: each lies over or under where it crosses another, and its ends are held outside.
 * Nothing else is told of how it lies: the rope finds that as it is drawn tight.
 *
 * @param board with at least one cord, without faults
 * @returns ropes of diameter 1
 */
export function inSpace(board: Board): RopeProblem {
  const all = crossings(board);
  const far = LEAD + Math.max(...board.cords.flat().map(([x, y]) => Math.hypot(x, y)));
  const strands = board.cords.map((points, cord) => {
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
    const middle = drawn.map(([along, [x, y]]): Point3 => [x, y, heightAt(heights, along)]);
    const ends = [points[0]!, points.at(-1)!].map((end) => ledOut(end, far)) as [Point3, Point3];
    return { points: [ends[0], ...middle, ends[1]], diameter: 1, ends: 'held' as const };
  });
  return { strands };
}
