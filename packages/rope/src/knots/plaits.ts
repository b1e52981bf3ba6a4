import type { Point3 } from '../base/point.js';

import type { RopeProblem } from '../engine/problem.js';
import { mean, pointsOf, span } from './measures.js';
import type { Recipe } from '../engine/recipe.js';

const POINTS = 24;
const TURN = 2 * Math.PI;

/** Half a period of the one strand whose images are all three: each is the mirror of the one a third on. */
const three = (period: number, push?: number): RopeProblem => ({
  strands: [
    {
      points: Array.from({ length: POINTS }, (_, i): Point3 => {
        const u = i / (2 * POINTS);
        return [period * u, 1.8 * Math.sin(TURN * u), 0.9 * Math.sin(2 * TURN * u)];
      }),
      diameter: 1,
      ends: { joins: 0, after: 3 },
    },
  ],
  repeats: [{ axis: 'x', shift: period / 6, mirror: 'y', ...(push !== undefined && { push }) }],
});

/**
 * Two strands go round one way and two the other, changing from outside to inside at every meeting: the other two are
 * these, a quarter on and in the mirror.
 */
const fourRound = (period: number, push?: number): RopeProblem => ({
  strands: [0, 1].map((s) => ({
    points: Array.from({ length: POINTS }, (_, i): Point3 => {
      const u = i / (2 * POINTS);
      const a = TURN * u + Math.PI * (s + 0.25);
      const r = 1.6 + 0.75 * Math.cos(2 * TURN * u);
      return [period * u, r * Math.cos(a), r * Math.sin(a)];
    }),
    diameter: 1,
    ends: { joins: 1 - s, after: 2 },
  })),
  repeats: [{ axis: 'x', shift: period / 4, mirror: 'y', ...(push !== undefined && { push }) }],
});

/** Every strand goes over, under and over on its way across, and under, over and under on its way back. */
const fourFlat = (period: number, push?: number): RopeProblem => ({
  strands: [
    {
      points: Array.from({ length: 8 }, (_, i): Point3 => {
        const side = 2.4 * Math.sin((Math.PI / 4) * (i - 1));
        return [(period * i) / 8, side, 0.9 * [1, -1, 1, 0, -1, 1, -1, 0][i]!];
      }),
      diameter: 1,
      ends: { joins: 0, after: 4 },
    },
  ],
  repeats: [{ axis: 'x', shift: period / 4, ...(push !== undefined && { push }) }],
});

/** A plait of three whose crossings lie so many diameters apart. */
export const threePlait = (q: number): RopeProblem => three(6 * q);

type Period = (period: number, push?: number) => RopeProblem;

/** Crossings in the period of a strand. */
const FORMS = {
  three: { of: three, crossings: 6 },
  'four-flat': { of: fourFlat, crossings: 8 },
  'four-round': { of: fourRound, crossings: 4 },
} as const satisfies Readonly<Record<string, { of: Period; crossings: number }>>;
type Form = keyof typeof FORMS;

/** What a strand goes aside for each crossing: q sqrt((L / P)^2 - 1), q = P / crossings. */
const plait = (form: Form, q: number): Recipe => {
  const { of, crossings } = FORMS[form];
  const id = `plait.${form}.${q}`;
  return {
    id,
    problem: () => of(q * crossings),
    read: (drawn) => {
      const { repeats = [], strands } = drawn.laid.problem;
      const { ends } = strands[0]!;
      const cells = typeof ends === 'object' ? ends.after : 1;
      const way = cells * repeats[0]!.shift;
      return {
        [`${id}.aside`]: q * Math.sqrt((mean(drawn.lengths) / way) ** 2 - 1),
        [`${id}.width`]:
          2 *
            Math.max(
              ...pointsOf(drawn).map(([, y, z]) =>
                form === 'four-round' ? Math.hypot(y, z) : Math.abs(y),
              ),
            ) +
          1,
        [`${id}.thickness`]: span(pointsOf(drawn).map(([, , z]) => z)) + 1,
      };
    },
  };
};

export const PLAITS: readonly Recipe[] = [
  ...[1, 1.2, 1.5, 2].map((q) => plait('three', q)),
  ...[1, 1.2, 1.5, 2].map((q) => plait('four-flat', q)),
  ...[1, 1.5, 2, 2.5, 3].map((q) => plait('four-round', q)),
];
