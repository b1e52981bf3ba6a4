import type { Point3 } from '../base/point.js';
import type { Cell } from '../base/cell.js';

/** Where a point of a cell lies so many cells further on. */
export function imageOf(
  { shift = 0, turn = 0, mirror }: Pick<Cell, 'shift' | 'turn' | 'mirror'>,
  [x, y, z]: Point3,
  cell: number,
): Point3 {
  const odd = mirror !== undefined && cell % 2 !== 0;
  const [v, w] = [odd && mirror === 'y' ? -y : y, odd && mirror === 'z' ? -z : z];
  const [c, s] = [Math.cos(turn * cell), Math.sin(turn * cell)];
  return [x + cell * shift, c * v - s * w, s * v + c * w];
}

/** A line as hands see it that work mirrored: left and right are changed. */
export const mirroredLine = (line: readonly Point3[]): Point3[] =>
  line.map(([x, y, z]): Point3 => [x, -y, z]);

/** The stretch of a line between two places along x; the line may go back and forth, and is one stretch. */
export function between(line: readonly Point3[], from: number, to: number): Point3[] {
  const first = line.findIndex(([x]) => x >= from);
  const last = line.findLastIndex(([x]) => x <= to);
  return first < 0 || last <= first ? [] : line.slice(first, last + 1);
}

/**
 * Cells of a knot one after the other: the way of every strand through all of them, in cord diameters, from x = 0 to as
 * many shifts. A strand that goes on only some cells further is there that many times.
 *
 * @param cell one that repeats along x
 * @param count how many, >= 1
 * @param begun how many cells lie before these, which decides how the first is turned
 */
export function repeated(cell: Cell, count: number, begun = 0): Point3[][] {
  const shift = cell.shift ?? 0;
  const { strands } = cell;
  const after = Math.max(1, ...strands.map((one) => one.after ?? 1));
  const lines = strands.flatMap((_, first) =>
    Array.from({ length: after }, (_, late): Point3[] => {
      let strand = first;
      const line: Point3[] = [];
      for (let at = late - after; at < count;) {
        const own = strands[strand]!;
        for (const p of own.line.slice(0, -1)) line.push(imageOf(cell, p, at + begun));
        strand = own.joins ?? strand;
        at += own.after ?? 1;
      }
      return line;
    }),
  );
  return lines.map((line) =>
    between(
      line.map(([x, y, z]): Point3 => [x - begun * shift, y, z]),
      0,
      count * shift,
    ),
  );
}

/** How wide and thick some lines are, with the cord about them, in diameters. */
export function acrossOf(lines: readonly (readonly Point3[])[]): readonly [number, number] {
  const reach = (k: 1 | 2): number => {
    let most = 0;
    for (const line of lines) for (const p of line) most = Math.max(most, Math.abs(p[k]));
    return 2 * most + 1;
  };
  return [reach(1), reach(2)];
}

/** Lines in diameters made so large: so many mm along for each diameter, and across by so much. */
export const sized = (
  line: readonly Point3[],
  along: number,
  wide: number,
  high: number,
  x = 0,
): Point3[] => line.map(([u, v, w]): Point3 => [x + u * along, v * wide, w * high]);

/**
 * Cells laid to a length in mm, as wide and thick as their part: along it they are drawn out, across it widened, by what
 * its model says.
 *
 * @param d diameter in mm of the cord that ties
 */
export function laidTo(
  cell: Cell,
  count: number,
  length: number,
  d: number,
  across?: { readonly width: number; readonly thickness: number },
): { readonly lines: Point3[][]; readonly rods: Point3[][] } {
  const lines = repeated(cell, count);
  const along = length / Math.max(1e-9, count * (cell.shift ?? 1));
  const [wide, high] = acrossOf(lines);
  const spread = (mm: number | undefined, own: number): number =>
    mm === undefined || own <= 1.01 ? d : Math.max(0.2 * d, (mm - d) / (own - 1));
  const [sy, sz] = [spread(across?.width, wide), spread(across?.thickness, high)];
  return {
    lines: lines.map((line) => sized(line, along, sy, sz)),
    rods: (cell.rods ?? []).map(({ y, z }): Point3[] => [
      [0, y * sy, z * sz],
      [length, y * sy, z * sz],
    ]),
  };
}

/** A knot of held strands about the middle of a part: what leads to it is cut off a little beyond it. */
export function knotInSpace(cell: Cell, d: number, length: number): Point3[][] {
  const beyond = length / d / 2 + 0.5;
  return cell.strands.map(({ line }) => sized(between(line, -beyond, beyond), d, d, d, length / 2));
}

/** The cell among some whose number is nearest to one. */
export const nearestOf = (numbers: readonly number[], to: number): number =>
  numbers.reduce((best, one) => (Math.abs(one - to) < Math.abs(best - to) ? one : best));
