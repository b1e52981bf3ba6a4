import type { Point } from '../../base/kind/primitive.js';

export const arc = (r: number, from: number, to: number): Point[] => {
  const steps = Math.max(8, Math.ceil((Math.abs(to - from) * r) / 1.5));
  return Array.from({ length: steps + 1 }, (_, i) => onRound(r, from + ((to - from) * i) / steps));
};

/** A place on the round: angle 0 on top, growing clockwise. */
export const onRound = (r: number, a: number): Point => [r * Math.sin(a), -r * Math.cos(a)];

/** Turns points about the middle by an angle, clockwise. */
export const turned = (points: readonly Point[], a: number): Point[] =>
  points.map(([x, y]): Point => [
    x * Math.cos(a) - y * Math.sin(a),
    x * Math.sin(a) + y * Math.cos(a),
  ]);
