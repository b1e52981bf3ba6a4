import type { Point3 } from '../base/point.js';

import type { RopeProblem } from '../engine/problem.js';
import { mean } from './measures.js';
import { round, type Recipe } from '../engine/recipe.js';

const POINTS = 32;
/** As laid: a period of the plait, the length of a turn in it, and how far out strands run and weave. */
const PERIOD = 12;
const TURN = 4.5;
const RADIUS = 2.4;
const WEAVE = 0.9;
/** Where a turn lies, and how far round. */
const AT = 2.6;
const ABOUT = 1.25;

/**
 * A round plait of four in which, once in a period, both strands of one colour take a whole turn round the strand of
 * the other that they meet; none without.
 *
 * @param hard how hard the strands are drawn that are gone round, against those that turn
 */
function plait(turns: boolean, hard: number): RopeProblem {
  const long = turns ? TURN : 0;
  const period = PERIOD + long;
  const turning = (phase: number): Point3[] => {
    const out: Point3[] = [];
    for (let i = 0; i < POINTS; i++) {
      const u = i / POINTS;
      const degrees = 360 * u + phase;
      if (i === 0 && turns) {
        const [, c, s] = round(0, 1, degrees);
        for (let k = 0; k <= 12; k++) {
          const a = ((180 - 45 * k) * Math.PI) / 180;
          const [r, t] = [AT + ABOUT * Math.sin(a), ABOUT * Math.cos(a)];
          out.push([(TURN * k) / 12, r * c - t * s, r * s + t * c]);
        }
        continue;
      }
      out.push(round(PERIOD * u + long, RADIUS + WEAVE * Math.cos(4 * Math.PI * u), degrees));
    }
    return out;
  };
  const turned = (phase: number): Point3[] => {
    const out: Point3[] = [];
    for (let i = 0; i < POINTS; i++) {
      const u = i / POINTS;
      const degrees = -360 * u + phase;
      if (i === 0 && turns) {
        for (let k = 0; k <= 4; k++) out.push(round((TURN * k) / 4, AT, degrees));
        continue;
      }
      out.push(round(PERIOD * u + long, RADIUS - WEAVE * Math.cos(4 * Math.PI * u), degrees));
    }
    return out;
  };
  return {
    strands: [turning(0), turning(180), turned(0), turned(180)].map((points, s) => ({
      points,
      diameter: 1,
      tension: s < 2 ? 1 : hard,
      ends: { joins: s, after: 1 },
    })),
    repeats: [{ axis: 'x', shift: period, push: 0 }],
  };
}

const petal = (turns: boolean, hard: number): Recipe => {
  const id = `petals.${turns ? 'turns' : 'plain'}.${hard}`;
  return {
    id,
    care: { rounds: 5000, edge: 0.28, polygons: 2 },
    problem: () => plait(turns, hard),
    read: ({ lengths, shifts }) => ({
      [`${id}.along`]: shifts[0]!,
      [`${id}.turning`]: mean(lengths.slice(0, 2)),
      [`${id}.turned`]: mean(lengths.slice(2)),
    }),
  };
};

/** The middle drawn as hard as the rest, and harder. */
export const PULLS = { even: 1, hard: 1.5 } as const;

export const PETALS: readonly Recipe[] = [
  petal(false, PULLS.even),
  petal(true, PULLS.even),
  petal(true, PULLS.hard),
];
