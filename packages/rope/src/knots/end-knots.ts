import type { Point3 } from '../base/point.js';

import { meet } from '../engine/meet.js';
import { mean, pointsOf, span } from './measures.js';
import { held, type Recipe } from '../engine/recipe.js';

/** How much wider than it becomes a knot is drawn. */
const LOOSE = 1.6;
/** How far out along the axis its ends are held. */
const END = 8;

/** What stands further from the axis than this is the knot, and no end that leads in or out. */
const OUT = 1.6;

/**
 * A diamond knot of three and more: every end lays a bight over the next, and goes on round the outside under it and up through the
 * middle. The way of one: radius, degrees about the axis and height. The others are the same, turned.
 *
 * Given for four ends; between fewer of them the same way goes round by larger steps.
 */
const DIAMOND: readonly (readonly [radius: number, degrees: number, height: number])[] = [
  [0.75, 0, -END],
  [0.75, 0, -3],
  [0.8, 0, 0.5],
  [1.4, 0, 2],
  [2.4, 0, 2.2],
  [3, 5, 1.2],
  [3, 10, -0.5],
  [3.2, 30, -1.8],
  [3.9, 65, -2],
  [4.2, 95, -1.6],
  [3.9, 120, -1],
  [3, 150, -0.3],
  [2.2, 172, 0.4],
  [1.9, 185, 1],
  [1.3, 205, 2.2],
  [0.9, 215, 3.5],
  [0.75, 215, 5],
  [0.75, 215, END],
];

function diamond(ends: 3 | 4): Point3[][] {
  const wider = 4 / ends;
  return Array.from({ length: ends }, (_, k) =>
    DIAMOND.map(([radius, degrees, height]): Point3 => {
      const a = ((degrees * wider + (360 * k) / ends) * Math.PI) / 180;
      const r = LOOSE * radius;
      return [LOOSE * height, r * Math.cos(a), r * Math.sin(a)];
    }),
  );
}

/**
 * A diamond knot of two: a carrick bend whose ends are each led on round the outside of the other’s beginning and up
 * through the middle. Both cords begin below it, on the axis.
 */
export const diamondOfTwo = (): Point3[][] =>
  carrickWays().map((way, k) => {
    const side = k === 0 ? 1 : -1;
    const [first, last] = [way[0]!, way.at(-1)!];
    const [from, to] = [Math.atan2(first[1], first[0]), Math.atan2(last[1], last[0])];
    const polar = (r: number, a: number, z: number): Point3 => [
      r * Math.cos(a),
      r * Math.sin(a),
      z,
    ];
    const flat: Point3[] = [
      [0.5 * side, 0, -LOOSE * END],
      [0.5 * side, 0, -6],
      polar(1.2, from, -4.5),
      polar(3.6, from, -3.6),
      polar(5, from, -1.6),
      ...way.map(([x, y, z]): Point3 => [x, y, -z]),
      polar(6, to - 0.2, -0.6),
      polar(6.6, to - 0.45, -2.6),
      polar(5, to - 0.75, -4),
      polar(2.4, to - 0.9, -3),
      polar(0.8, to - 1, -0.5),
      polar(0.5, to - 1, 3),
      polar(0.5, to - 1, LOOSE * END),
    ];
    return flat.map(([x, y, z]): Point3 => [z, x, y]);
  });

const diamondOf = (ends: 2 | 3 | 4): Recipe => ({
  id: `diamond.${ends}`,
  problem: () => ({
    strands: (ends === 2 ? diamondOfTwo() : diamond(ends)).map((points) => held(points)),
  }),
  read: (drawn) => {
    const knot = pointsOf(drawn).filter(([, y, z]) => Math.hypot(y, z) > OUT);
    const length = span(knot.map(([x]) => x)) + 1;
    const way = 2 * LOOSE * END;
    return {
      [`diamond.beyond.${ends}`]: mean(drawn.lengths) - way,
      [`diamond.length.${ends}`]: length,
      [`diamond.width.${ends}`]: 2 * Math.max(...knot.map(([, y, z]) => Math.hypot(y, z))) + 1,
    };
  },
});

/**
 * A carrick bend of two cords, laid flat: the eight-crossing knot of three leads and four bights, opened at two
 * bights that lie across from each other. Over and under take turns.
 */
export function carrickWays(): Point3[][] {
  const at = (t: number): readonly [number, number] => {
    const r = 3.2 + 1.7 * Math.cos((4 * t) / 3);
    return [r * Math.cos(t), r * Math.sin(t)];
  };
  const round = 6 * Math.PI;
  const visits = crossings(at, round);
  const height = (t: number): number => {
    const next = visits.findIndex((v) => v > t);
    const [i, from, to] =
      next <= 0
        ? [
            visits.length - 1,
            visits.at(-1)! - (next === 0 ? round : 0),
            visits[0]! + (next === 0 ? 0 : round),
          ]
        : [next - 1, visits[next - 1]!, visits[next]!];
    const share = (t - from) / (to - from);
    const sign = i % 2 === 0 ? 1 : -1;
    return 0.8 * sign * (1 - 2 * share);
  };
  const gap = 0.12;
  return [
    [gap, round / 2 - gap],
    [round / 2 + gap, round - gap],
  ].map(([from, to]) => {
    const way = Array.from({ length: 80 }, (_, i): Point3 => {
      const t = from! + ((to! - from!) * i) / 79;
      const [x, y] = at(t);
      return [x, y, height(t)];
    });
    return way;
  });
}

/** Its cords led out to both sides. */
const carrick = (): Point3[][] =>
  carrickWays().map((way) => {
    const out = ([x, y]: Point3): Point3[] => [
      [Math.sign(x) * 14, Math.sign(y) * 0.6, 0],
      [Math.sign(x) * 8, Math.sign(y) * 0.6, 0],
    ];
    return [...out(way[0]!), ...way, ...out(way.at(-1)!).reverse()];
  });

/** Where a closed flat curve crosses itself: the places along it, in order. */
function crossings(at: (t: number) => readonly [number, number], round: number): number[] {
  const n = 1200;
  const points = Array.from({ length: n + 1 }, (_, i) => at((round * i) / n));
  const found: number[] = [];
  for (let i = 0; i < n; i++) {
    for (let j = i + 2; j < n; j++) {
      if (i === 0 && j === n - 1) continue;
      const at = meet(points[i]!, points[i + 1]!, points[j]!, points[j + 1]!);
      if (at) found.push((round * (i + at[0])) / n, (round * (j + at[1])) / n);
    }
  }
  return found.sort((a, b) => a - b);
}

const carrickOf = (flat: boolean): Recipe => {
  const id = flat ? 'carrick.flat' : 'carrick';
  return {
    id,
    problem: () => ({
      strands: carrick().map((points) => held(points)),
      ...(flat && { between: 0.5 }),
    }),
    read: (drawn) => {
      const knot = pointsOf(drawn).filter(([, y, z]) => Math.abs(y) > 1.2 || Math.abs(z) > 1.2);
      return {
        [`${id}.beyond`]: mean(drawn.lengths) - 28,
        [`${id}.length`]: span(knot.map(([x]) => x)) + 1,
        [`${id}.width`]: span(knot.map(([, y]) => y)) + 1,
        [`${id}.thickness`]: span(knot.map(([, , z]) => z)) + 1,
      };
    },
  };
};

export const END_KNOTS_TIGHT: readonly Recipe[] = [
  ...([2, 3, 4] as const).map(diamondOf),
  carrickOf(false),
  carrickOf(true),
];
