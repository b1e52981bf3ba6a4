import type { Point3 } from '../base/point.js';

import { across, pointsOf } from './measures.js';
import type { Recipe } from '../engine/recipe.js';

/** As laid: height of a knot, and how much wider than it becomes. */
const HIGH = 4.5;
const WIDER = 1.25;

/**
 * Two cords, each laid under the other and up through its loop, again and again (a wall knot of two strands). The way
 * of one; the other is the same half a turn on, and so is every next knot.
 */
const WAY: readonly (readonly [radius: number, degrees: number, height: number])[] = [
  [0.55, 0, 0],
  [0.8, 10, 0.9],
  [1.5, 40, 1.3],
  [1.75, 90, 0.9],
  [1.8, 140, 0.2],
  [1.8, 180, -0.2],
  [1.75, 215, -0.25],
  [1.35, 245, -0.1],
  [0.85, 265, 0.5],
  [0.7, 270, 1.3],
];

/** @param degrees that every knot is turned by against the one before */
const knots = (degrees: number): Recipe => {
  const id = `two-cord.${degrees}`;
  return {
    id,
    care: { rounds: 4000 },
    problem: () => ({
      strands: [0, 1].map((s) => ({
        points: [...WAY, [0.6, 270 + 0.6 * (degrees - 270), 2.1] as const].map(
          ([r, turned, h]): Point3 => {
            const a = ((180 * s + turned) * Math.PI) / 180;
            return [h * WIDER, WIDER * r * Math.cos(a), WIDER * r * Math.sin(a)];
          },
        ),
        diameter: 1,
        ends: { joins: s, after: 1 },
      })),
      repeats: [{ axis: 'x', shift: HIGH, turn: (degrees * Math.PI) / 180, push: 0 }],
    }),
    read: (drawn) => ({
      [`${id}.cord`]: drawn.lengths[0]! + drawn.lengths[1]!,
      [`${id}.pitch`]: drawn.shifts[0]!,
      [`${id}.width`]: across(pointsOf(drawn)),
    }),
  };
};

export const TWO_CORD_KNOTS: readonly Recipe[] = [180, 360].map(knots);
