import type { Point } from '@coiled-strand/core';

/** A place on a line, by how many points along it is. */
export function pointAlong(line: readonly Point[], along: number): Point {
  const i = Math.max(0, Math.min(line.length - 2, Math.floor(along)));
  const [p, q] = [line[i]!, line[i + 1]!];
  const t = along - i;
  return [p[0] + t * (q[0] - p[0]), p[1] + t * (q[1] - p[1])];
}
