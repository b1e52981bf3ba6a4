import type { Point } from '../../base/point.js';

/** @example polar(2, 90)[1] // 2 */
export const polar = (r: number, degrees: number): Point => {
  const a = (degrees * Math.PI) / 180;
  return [r * Math.cos(a), r * Math.sin(a)];
};
