import type { Point3 } from '../base/point.js';

/**
 * Part of a line from one place to another.
 *
 * @param along how far along each point of the line lies, in points of what it was made from
 */
export function stretch(
  line: readonly Point3[],
  along: readonly number[],
  from: number,
  to: number,
): Point3[] {
  const at = (place: number): Point3 => {
    const next = Math.max(
      1,
      along.findIndex((a) => a >= place),
    );
    const [p, q, a, b] = [line[next - 1]!, line[next]!, along[next - 1]!, along[next]!];
    const t = b > a ? (place - a) / (b - a) : 0;
    return [p[0] + t * (q[0] - p[0]), p[1] + t * (q[1] - p[1]), p[2] + t * (q[2] - p[2])];
  };
  return [at(from), ...line.filter((_, i) => along[i]! > from && along[i]! < to), at(to)];
}
