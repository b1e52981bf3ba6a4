import type { Point3 } from '../base/point.js';

/** @example dot([1, 2, 3], [1, 0, 1]) // 4 */
export const dot = (a: Point3, b: Point3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/** @example cross([1, 0, 0], [0, 1, 0]) // [0, 0, 1] */
export const cross = (a: Point3, b: Point3): Point3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];

/** @example unit([0, 3, 4]) // [0, 0.6, 0.8] */
export const unit = (a: Point3): Point3 => {
  const far = Math.hypot(...a);
  return [a[0] / far, a[1] / far, a[2] / far];
};

/** @example added([1, 2, 3], [1, 1, 1]) // [2, 3, 4] */
export const added = (a: Point3, b: Point3): Point3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];

/** @example scaled([1, 2, 3], 2) // [2, 4, 6] */
export const scaled = (a: Point3, by: number): Point3 => [a[0] * by, a[1] * by, a[2] * by];
