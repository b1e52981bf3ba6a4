import type { Point3 } from '../base/point.js';

import type { Rod, RopeProblem } from '../engine/problem.js';
import { pointsOf, span } from './measures.js';
import { round, type Recipe } from '../engine/recipe.js';

/** Cores of a sinnet, in diameters of the cord that ties it: where they lie and how thick they are. */
const CORES = {
  one: [{ y: 0, z: 0, radius: 0.5 }],
  'one-thin': [{ y: 0, z: 0, radius: 0.25 }],
  'one-thick': [{ y: 0, z: 0, radius: 1 }],
  'two-flat': [-0.5, 0.5].map((y) => ({ y, z: 0, radius: 0.5 })),
  'three-flat': [-1, 0, 1].map((y) => ({ y, z: 0, radius: 0.5 })),
  'four-flat': [-1.5, -0.5, 0.5, 1.5].map((y) => ({ y, z: 0, radius: 0.5 })),
  'two-by-two': [-0.5, 0.5].flatMap((y) => [-0.5, 0.5].map((z) => ({ y, z, radius: 0.5 }))),
} as const satisfies Readonly<Record<string, readonly Rod[]>>;
type Cores = keyof typeof CORES;

/** Length of a half knot as it is laid, before it is drawn up. */
const LOOSE = 4.4;

/**
 * The cord of a half knot that goes over the cores: under the loop of the other, up, across and down through it.
 * The other does the same behind.
 */
function over(cores: readonly Rod[], pitch: number): Point3[] {
  const wide = Math.max(...cores.map(({ y, radius }) => Math.abs(y) + radius));
  const high = Math.max(...cores.map(({ z, radius }) => Math.abs(z) + radius));
  const [far, side, lead] = [wide + 2.4, wide + 1.1, 0.9];
  const middle = pitch / 2;
  return [
    [0, -far, 0],
    [middle + 0.6 * lead, -side - 0.6, -0.6],
    [middle + lead, -side, 0.1],
    [middle + 0.5 * lead, -0.6 * wide, high + 0.6],
    [middle, 0, high + 1],
    [middle - 0.5 * lead, 0.6 * wide, high + 0.6],
    [middle - lead, side, 0.1],
    [middle - 0.6 * lead, side + 0.6, -0.6],
  ];
}

const behind = (points: readonly Point3[]): Point3[] => points.map(([x, y, z]) => [x, -y, -z]);

/** A half knot of a flat sinnet: the next is the same in the mirror. */
function flat(cores: readonly Rod[], pitch: number | null): RopeProblem {
  const front = over(cores, LOOSE);
  const shift = pitch ?? LOOSE;
  const drawn = (points: readonly Point3[]): Point3[] =>
    points.map(([x, y, z]) => [(x * shift) / LOOSE, y, z]);
  return {
    strands: [front, behind(front)].map((points, s) => ({
      points: drawn(points),
      diameter: 1,
      ends: { joins: s, after: 1 },
    })),
    repeats: [{ axis: 'x', shift, mirror: 'y', ...(pitch === null && { push: 0 }) }],
    rods: cores,
  };
}

const sinnet = (cores: Cores, pitch: number | null): Recipe => {
  const id = `sinnet.${cores}.${pitch ?? 'free'}`;
  return {
    id,
    care: { rounds: 4000 },
    problem: () => flat(CORES[cores], pitch),
    read: (drawn) => ({
      [`${id}.cord`]: drawn.lengths[0]! + drawn.lengths[1]!,
      ...(pitch === null && { [`${id}.pitch`]: drawn.shifts[0]! }),
      [`${id}.width`]: span(pointsOf(drawn).map(([, y]) => y)) + 1,
      [`${id}.thickness`]: span(pointsOf(drawn).map(([, , z]) => z)) + 1,
    }),
  };
};

/** Cores that turn with a spiral: ropes of their own, drawn harder than what ties them. */
const TURNING: Readonly<
  Record<'two' | 'four', readonly (readonly [radius: number, degrees: number])[]>
> = {
  two: [
    [0.5, 90],
    [0.5, 270],
  ],
  four: [45, 135, 225, 315].map((degrees) => [Math.SQRT1_2, degrees] as const),
};
const CORE_PULL = 3;

/** The same side over every time: what was over goes behind in the next, which is turned by so many degrees. */
function spiral(cores: keyof typeof TURNING | Rod, degrees: number): RopeProblem {
  const rods = typeof cores === 'object' ? [cores] : [];
  const turning = typeof cores === 'object' ? [] : TURNING[cores];
  const wide = turning.length === 0 ? rods : [{ y: 0, z: 0, radius: turning[0]![0] + 0.5 }];
  const front = over(wide, LOOSE);
  return {
    strands: [
      ...[front, behind(front)].map((points, s) => ({
        points,
        diameter: 1,
        ends: { joins: 1 - s, after: 1 },
      })),
      ...turning.map(([radius, at], c) => ({
        points: [0, 1, 2, 3].map((i): Point3 =>
          round((LOOSE * i) / 4, radius, at - (degrees * i) / 4),
        ),
        diameter: 1,
        tension: CORE_PULL,
        ends: { joins: 2 + c, after: 1 },
      })),
    ],
    // What pulls the cores is held against from outside.
    repeats: [
      {
        axis: 'x',
        shift: LOOSE,
        turn: (-degrees * Math.PI) / 180,
        push: -CORE_PULL * turning.length,
      },
    ],
    rods,
  };
}

const spiralOf = (name: string, cores: keyof typeof TURNING | Rod, aTurn: number): Recipe => {
  const id = `spiral.${name}.${aTurn}`;
  return {
    id,
    care: { rounds: 4000 },
    problem: () => spiral(cores, 360 / aTurn),
    read: (drawn) => ({
      [`${id}.cord`]: drawn.lengths[0]! + drawn.lengths[1]!,
      [`${id}.pitch`]: drawn.shifts[0]!,
    }),
  };
};

/** How many half knots of a spiral go round once: those with the least cord are found among these. */
export const SPIRALS = {
  one: [7, 8, 9],
  'one-thick': [9, 10, 11],
  two: [8, 9, 10],
  four: [9, 10, 11, 12],
} as const;

export const SINNETS: readonly Recipe[] = [
  ...(Object.keys(CORES) as Cores[]).map((cores) => sinnet(cores, 2)),
  ...([1.5, 1.75, null, 2.5] as const).map((pitch) => sinnet('two-flat', pitch)),
  ...SPIRALS.one.map((aTurn) => spiralOf('one', CORES.one[0], aTurn)),
  ...SPIRALS['one-thick'].map((aTurn) => spiralOf('one-thick', CORES['one-thick'][0], aTurn)),
  ...SPIRALS.two.map((aTurn) => spiralOf('two', 'two', aTurn)),
  ...SPIRALS.four.map((aTurn) => spiralOf('four', 'four', aTurn)),
];
