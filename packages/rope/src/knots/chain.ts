import type { Point3 } from '../base/point.js';

import { pointsOf, span } from './measures.js';
import type { Recipe } from '../engine/recipe.js';

/** As laid: length of a stitch. */
const LONG = 4.5;

/**
 * One stitch of a chain, from where the loop before it has gone to the back: along the back of that loop’s own stitch,
 * up through the loop before, over its head, out as a loop that the next stitch comes up through, and back the same way.
 * Along in stitches, across and up in diameters.
 */
const WAY: readonly Point3[] = [
  [-1, 0.5, -1.1],
  [-0.62, 0.25, -1.4],
  [-0.3, -0.1, -1.4],
  [-0.1, -0.5, -1],
  [0, -0.6, 0],
  [0.14, -0.65, 0.9],
  [0.36, -0.8, 1.2],
  [0.7, -1.2, 0.9],
  [1, -1.6, 0.2],
  [1.2, -1.3, 0],
  [1.3, 0, 0],
  [1.2, 1.3, 0],
  [1, 1.6, 0.2],
  [0.7, 1.2, 0.9],
  [0.36, 0.8, 1.2],
  [0.14, 0.65, 0.9],
  [0, 0.6, 0],
];

/** @param pitch length of a stitch in diameters; null where it is pulled as tight as it goes */
const chain = (id: string, pitch: number | null): Recipe => ({
  id,
  care: { rounds: 6000 },
  problem: () => ({
    strands: [
      {
        points: WAY.map(([x, y, z]): Point3 => [x * (pitch ?? LONG), y, z]),
        diameter: 1,
        ends: { joins: 0, after: 1 },
      },
    ],
    repeats: [{ axis: 'x', shift: pitch ?? LONG, ...(pitch === null && { push: 0 }) }],
  }),
  read: (drawn) => {
    const points = pointsOf(drawn);
    return {
      [`${id}.cord`]: drawn.lengths[0]!,
      [`${id}.pitch`]: drawn.shifts[0]!,
      [`${id}.width`]: span(points.map(([, y]) => y)) + 1,
      [`${id}.thickness`]: span(points.map(([, , z]) => z)) + 1,
    };
  },
});

/** Length in diameters of a stitch that something long sits on. */
export const LONG_STITCH = 4;

/** Chains of one cord, as they are crocheted: pulled as tight as it goes, and with a stitch drawn long. */
export const CHAINS: readonly Recipe[] = [
  chain('chain', null),
  chain(`chain.${LONG_STITCH}`, LONG_STITCH),
];
