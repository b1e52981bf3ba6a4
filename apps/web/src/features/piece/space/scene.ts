import type { Point3, SpaceScene } from '@coiled-strand/core';

/** What of a scene is in sight from above, as an svg has it: y downwards. */
export function viewBoxOf(scene: SpaceScene): string {
  const { middle, size } = boxOf(scene);
  const [w, h] = [size[0] + 2 * ROOM, size[1] + 2 * ROOM];
  return `${middle[0] - w / 2} ${-middle[1] - h / 2} ${w} ${h}`;
}
const ROOM = 1;

/** The box that holds a scene; a unit about the origin for an empty one. */
export function boxOf({ cords, beads, plates = [] }: SpaceScene): {
  readonly middle: Point3;
  readonly size: Point3;
} {
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  const take = (p: Point3, reach: number): void => {
    for (let k = 0; k < 3; k++) {
      low[k] = Math.min(low[k]!, p[k]! - reach);
      high[k] = Math.max(high[k]!, p[k]! + reach);
    }
  };
  for (const { line, diameter } of cords) for (const p of line) take(p, diameter / 2);
  for (const { at, length, height } of beads) take(at, Math.max(length, height) / 2);
  for (const { outlines, thickness } of plates) {
    for (const [x, y] of outlines.flat()) {
      take([x, y, -thickness / 2], 0);
      take([x, y, thickness / 2], 0);
    }
  }
  if (!(high[0]! >= low[0]!)) return { middle: [0, 0, 0], size: [1, 1, 1] };
  const of = (make: (k: number) => number): Point3 => [make(0), make(1), make(2)];
  return {
    middle: of((k) => (low[k]! + high[k]!) / 2),
    size: of((k) => high[k]! - low[k]!),
  };
}
