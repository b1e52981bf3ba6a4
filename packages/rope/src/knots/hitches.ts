import type { Point3 } from '../base/point.js';

import type { RopeProblem } from '../engine/problem.js';
import { pointsOf, span } from './measures.js';
import type { Recipe } from '../engine/recipe.js';

/** As laid: the way to the next carried cord, and between rows. */
const WAY = 9;
const ROWS = 8.5;

/**
 * A double half hitch round a carried cord along x: over it, round behind, up in front of where it came from, and
 * once more round beyond that, out between both turns. The thread goes on to the next cord, down along y.
 *
 * @param radius of the carried cord
 */
function hitch(radius: number): { readonly points: Point3[]; readonly way: number } {
  const wider = Math.max(1, (radius + 0.7) / 1.2);
  const way = WAY + 2 * radius + 4 * (wider - 1);
  const at = (degrees: number, r: number, x: number): Point3 => {
    const a = (degrees * Math.PI) / 180;
    const y = r * Math.cos(a);
    return [x, Math.abs(y) < 3 ? y * wider : y, r * Math.sin(a) * wider];
  };
  const points: Point3[] = [
    [0.5, way / 2, -0.2],
    at(320, 2, 0.6),
    at(290, 1.35, 0.6),
    at(270, 1.2, 0.6),
    at(225, 1.2, 0.1),
    at(180, 1.2, -0.6),
    at(135, 1.2, -1.3),
    at(90, 1.2, -2),
    at(45, 1.2, -2.4),
    at(0, 1.2, -2.5),
    at(-45, 1.2, -2.5),
    at(-90, 1.4, -2.2),
    at(-135, 2.1, -0.8),
    at(-180, 2.6, 1),
    at(-225, 2.2, 2.6),
    at(-270, 1.4, 3.3),
    at(-315, 1.2, 3.5),
    at(-360, 1.2, 3.5),
    at(-405, 1.2, 3.3),
    at(-450, 1.2, 2.8),
    at(-495, 1.2, 2),
    at(-540, 1.2, 1.2),
    at(-570, 1.25, 0.7),
    [0.45, -1.9 * wider, 1.7],
    [0.4, -3, 1.2],
  ];
  return { points, way };
}

/** A field of them: along the thread from cord to cord, and along the cords from row to row. */
const field = (radius: number, push: number): RopeProblem => {
  const { points, way } = hitch(radius);
  return {
    strands: [{ points, diameter: 1, ends: { joins: 0, after: 1 } }],
    repeats: [
      { axis: 'y', shift: -way, push: 0 },
      { axis: 'x', shift: ROWS, push },
    ],
    rods: [{ y: 0, z: 0, radius }],
  };
};

const double = (ratio: number, push: number, name: string): Recipe => {
  const id = `hitch.${name}.${ratio}`;
  return {
    id,
    care: { rounds: 5000 },
    problem: () => field(ratio / 2, push),
    read: (drawn) => ({
      [`${id}.cord`]: drawn.lengths[0]!,
      [`${id}.width`]: Math.abs(drawn.shifts[0]!),
      [`${id}.height`]: drawn.shifts[1]!,
      [`${id}.thickness`]: span(pointsOf(drawn).map(([, , z]) => z)) + 1,
    }),
  };
};

/** What they are tied round, in diameters of the thread; and of those that are pushed up. */
export const HITCHED = [0.5, 1, 2, 3] as const;
export const HITCHED_PUSHED = 1;

export const HITCHES: readonly Recipe[] = [
  ...HITCHED.map((ratio) => double(ratio, 1, 'even')),
  double(HITCHED_PUSHED, 2.3, 'pushed'),
];
