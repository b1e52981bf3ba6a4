import type { Point3 } from '../base/point.js';

import { round, type Recipe } from '../engine/recipe.js';

/** As laid: length of a hitch. */
const LONG = 4;

/**
 * Single hitches round a bundle along x, each beside the last: out over its own turn, once round, and under itself
 * again.
 *
 * @param ratio diameter of the bundle over that of the cord
 * @param degrees from a hitch to the next, round the bundle
 */
const spiral = (ratio: number, degrees: number, pitch: number | null): Recipe => {
  const id = `hitch-spiral.${ratio}.${pitch ?? 'free'}`;
  const [inner, outer] = [ratio / 2 + 0.9, ratio / 2 + 2];
  const points: Point3[] = [
    round(0, outer, 0),
    round(0.35 * LONG, outer + 0.2, 12),
    round(0.8 * LONG, outer, 24),
    ...Array.from({ length: 9 }, (_, i) => round(LONG * (1.05 - 0.055 * i), inner, 60 + 32 * i)),
    round(0.5 * LONG, inner, 350),
    round(0.5 * LONG, inner, 372),
    round(0.62 * LONG, inner + 0.3, 372 + 0.35 * degrees),
  ];
  return {
    id,
    care: { rounds: 4000 },
    problem: () => ({
      strands: [
        {
          points: points.map(([x, y, z]): Point3 => [(x * (pitch ?? LONG)) / LONG, y, z]),
          diameter: 1,
          ends: { joins: 0, after: 1 },
        },
      ],
      repeats: [
        {
          axis: 'x',
          shift: pitch ?? LONG,
          turn: (degrees * Math.PI) / 180,
          ...(pitch === null && { push: 0 }),
        },
      ],
      rods: [{ y: 0, z: 0, radius: ratio / 2 }],
    }),
    read: ({ lengths, shifts }) => ({ [`${id}.cord`]: lengths[0]!, [`${id}.pitch`]: shifts[0]! }),
  };
};

/** From a hitch to the next, in degrees: about what a hand makes that does not look for it. */
const STEP = 45;
export const HITCHED_ROUND = [1, 2, 3, 5] as const;

export const HITCH_SPIRALS: readonly Recipe[] = HITCHED_ROUND.flatMap((ratio) => [
  spiral(ratio, STEP, null),
  spiral(ratio, STEP, 2),
]);
