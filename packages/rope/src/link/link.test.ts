import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';

import type { Point3 } from '../base/point.js';
import { evenly } from '../engine/curve.js';
import { CATALOGUE } from '../knots/catalogue.js';
import { barrel } from '../knots/stoppers.js';
import { TIGHTENED_CURVES } from '../tables/tightened-curves.js';
import { onBoard } from '../board/lift.js';
import { KNOWN_KNOTS } from '../board/known.js';
import { jones, POINTS } from './bracket.js';
import { closedUp } from './closing.js';
import { diagramOf, linking } from './diagram.js';
import {
  BORROMEAN,
  EIGHT_18,
  FIGURE_EIGHT,
  ofTorus,
  product,
  TEN_123,
  TREFOIL,
  whole,
  at,
} from './testing.js';
import { power, PRIME, times } from './modulo.js';

const fourOf = { minLength: 4, maxLength: 4 };

const ring = (n: number, way: (t: number) => Point3): Point3[] =>
  Array.from({ length: n }, (_, i) => way((2 * Math.PI * i) / n));
/** On a torus, p times round its axis and q times through it; right-handed. */
const torus = (p: number, q: number): Point3[] =>
  ring(40 * (p + q), (t) => {
    const r = 3 + Math.cos(q * t);
    return [r * Math.cos(p * t), r * Math.sin(p * t), -Math.sin(q * t)];
  });
const knot = (points: Point3[]): number[] => jones(diagramOf([points]));

const mirrored = (curves: readonly (readonly Point3[])[]): Point3[][] =>
  curves.map((curve) => curve.map(([x, y, z]): Point3 => [x, y, -z]));
const turksHead = (leads: number, bights: number): Point3[] =>
  ring(48 * leads * bights, (t) => {
    const r = 6 + 2 * Math.cos(bights * t);
    const a = leads * t;
    return [r * Math.cos(a), r * Math.sin(a), Math.sin((leads - 1) * bights * t)];
  });
/** Components of a Turk's head whose leads and bights have a common divisor. */
const turksHeads = (leads: number, bights: number, components: number): Point3[][] =>
  Array.from({ length: components }, (_, k) =>
    ring(48 * leads * bights, (t) => {
      const lead = leads / components;
      const phase = (2 * Math.PI * k) / bights;
      const turn = (bights / components) * t;
      const r = 6 + 2 * Math.cos(turn);
      const a = lead * t + phase;
      return [r * Math.cos(a), r * Math.sin(a), Math.sin((leads - 1) * turn)];
    }),
  );

describe('published polynomials', () => {
  it.each([
    ['8_18', EIGHT_18, 1, 45],
    ['10_123', TEN_123, 1, 121],
    ['Borromean rings', BORROMEAN, 3, 16],
  ])('%s is remembered rightly', (_, factors, components, determinant) => {
    expect(factors.reduce((a, b) => a + b, 0)).toBe((-2) ** (components - 1));
    expect(factors.reduce((sum, factor) => sum + Math.abs(factor), 0)).toBe(determinant);
  });

  it.each([
    ['a ring', knot(ring(12, (t): Point3 => [Math.cos(t), Math.sin(t), 0])), whole(0, 1)],
    ['trefoil', knot(torus(2, 3)), TREFOIL],
    ['its mirror image', jones(diagramOf(mirrored([torus(2, 3)]))), whole(-4, -1, 1, 0, 1)],
    ['5_1', knot(torus(2, 5)), whole(2, 1, 0, 1, -1, 1, -1)],
    ['5_1 by the formula', knot(torus(5, 2)), ofTorus(2, 5)],
    ['7_1', knot(torus(2, 7)), ofTorus(2, 7)],
    ['8_19, the torus knot of 3 and 4', knot(torus(3, 4)), ofTorus(3, 4)],
    ['10_124, the torus knot of 3 and 5', knot(torus(3, 5)), ofTorus(3, 5)],
    ['figure-eight, a Turk’s head of 3 leads and 2 bights', knot(turksHead(3, 2)), FIGURE_EIGHT],
    ['8_18, of 3 and 4', knot(turksHead(3, 4)), whole(-4, ...EIGHT_18)],
    ['10_123, of 3 and 5', knot(turksHead(3, 5)), whole(-5, ...TEN_123)],
    [
      'a Turk’s head of 2 leads, a torus knot',
      jones(diagramOf(mirrored([turksHead(2, 5)]))),
      ofTorus(2, 5),
    ],
  ])('%s', (_, got, want) => {
    expect(got).toEqual(want);
  });

  it('Borromean rings, a Turk’s head of 3 leads and 3 bights: none is linked with another', () => {
    const rings = diagramOf(turksHeads(3, 3, 3));
    expect(jones(rings)).toEqual(whole(-3, ...BORROMEAN));
    for (const [one, other] of [
      [0, 1],
      [0, 2],
      [1, 2],
    ] as const) {
      expect(linking(rings, one, other) + 0).toBe(0);
    }
  });

  it('Hopf link, either way round: linked once, with its sign', () => {
    const one = ring(20, (t): Point3 => [3 * Math.cos(t), 3 * Math.sin(t), 0]);
    const other = ring(20, (t): Point3 => [3 + 3 * Math.cos(t), 0, 3 * Math.sin(t)]);
    const [link, back] = [diagramOf([one, other]), diagramOf([one, [...other].reverse()])];
    expect([Math.abs(linking(link, 0, 1)), linking(link, 0, 1)]).toEqual([1, -linking(back, 0, 1)]);
    const [right, left] = linking(link, 0, 1) > 0 ? [link, back] : [back, link];
    expect(jones(right)).toEqual(
      at([
        [1, -1],
        [5, -1],
      ]),
    );
    expect(jones(left)).toEqual(
      at([
        [-1, -1],
        [-5, -1],
      ]),
    );
  });

  it('rings that hang in nothing count once each', () => {
    const two = [0, 5].map((x) => ring(8, (t): Point3 => [x + Math.cos(t), Math.sin(t), 0]));
    expect(jones(diagramOf(two))).toEqual(
      at([
        [-1, -1],
        [1, -1],
      ]),
    );
  });
});

describe('a diagram', () => {
  it('is of the same knot from wherever it is seen', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: -3, max: 3, noNaN: true }), fourOf), ([a, b, c, d]) => {
        const far = Math.hypot(a!, b!, c!, d!);
        fc.pre(far > 0.1);
        const [w, x, y, z] = [a! / far, b! / far, c! / far, d! / far];
        const turned = torus(2, 5).map(([p, q, r]): Point3 => [
          (1 - 2 * (y * y + z * z)) * p + 2 * (x * y - w * z) * q + 2 * (x * z + w * y) * r,
          2 * (x * y + w * z) * p + (1 - 2 * (x * x + z * z)) * q + 2 * (y * z - w * x) * r,
          2 * (x * z - w * y) * p + 2 * (y * z + w * x) * q + (1 - 2 * (x * x + y * y)) * r,
        ]);
        expect(knot(turned)).toEqual(ofTorus(2, 5));
      }),
      { numRuns: 20 },
    );
  });

  it('of two knots on one cord has the product of theirs: granny and square knot are told apart', () => {
    const shifted = (points: readonly Point3[], by: number): Point3[] =>
      points.map(([x, y, z]): Point3 => [x + by, y, z]);
    const both = (a: readonly Point3[], b: readonly Point3[]): number[] =>
      jones(diagramOf(closedUp([[...a, ...shifted(b, 20)]])));
    const left = whole(-4, -1, 1, 0, 1);
    const one = evenly(barrel(1), 120);
    expect(both(one, one)).toEqual(product(TREFOIL, TREFOIL));
    expect(both(one, mirrored([one])[0]!)).toEqual(product(TREFOIL, left));
  });

  it('keeps to a prime under which no digit is lost', () => {
    const below = Array.from({ length: Math.floor(Math.sqrt(PRIME)) - 1 }, (_, i) => i + 2);
    expect(below.filter((by) => PRIME % by === 0)).toEqual([]);
    expect(times(PRIME - 1, PRIME - 1)).toBe(1);
    for (const a of POINTS) expect(times(a, power(a, -1))).toBe(1);
  });
});

/** Smooth curves of the cords of a knot as it is laid, closed up. */
function laid(id: string): Point3[][] {
  const { strands } = CATALOGUE.find((one) => one.id === id)!.problem();
  if (strands.every(({ ends }) => ends === 'closed'))
    return strands.map(({ points }) => [...points]);
  return closedUp(strands.map(({ points }) => evenly(points, 6 * points.length)));
}
const tight = (id: string): Point3[][] => {
  const lines = TIGHTENED_CURVES[id]!.strands.map(({ line }) => line);
  return lines.every((line) => isRing(line)) ? lines.map((line) => [...line]) : closedUp(lines);
};
/** Whether a curve ends beside its beginning. */
const isRing = (line: readonly Point3[]): boolean => {
  const [first, last] = [line[0]!, line.at(-1)!];
  return Math.hypot(first[0] - last[0], first[1] - last[1], first[2] - last[2]) < 1;
};

describe('the knots whose numbers stand in the tables', () => {
  it.each([
    ['overhand', TREFOIL],
    ['figure-eight', FIGURE_EIGHT],
    ['double-barrel', ofTorus(2, 5)],
    ['triple-barrel', ofTorus(2, 7)],
    ['barrel-round.2', ofTorus(2, 5)],
    ['turks-head.3x4.1.4', whole(-4, ...EIGHT_18)],
    ['turks-head.3x5.1.4', whole(-5, ...TEN_123)],
  ])('%s is the knot of that name, as it is laid and as it lies tight', (id, want) => {
    expect(jones(diagramOf(laid(id)))).toEqual(want);
    expect(jones(diagramOf(tight(id)))).toEqual(want);
  });

  it.each(['overhand.2', 'carrick', 'figure-eight.2', 'diamond.3'])(
    '%s is tight what it was laid as: no cord went through another',
    (id) => {
      const [before, after] = [diagramOf(laid(id)), diagramOf(tight(id))];
      expect(jones(after)).toEqual(jones(before));
      for (let one = 0; one < before.components; one++) {
        for (let other = 0; other < one; other++) {
          expect(linking(after, one, other)).toBe(linking(before, one, other));
        }
      }
    },
  );

  it.each(KNOWN_KNOTS.filter(({ board }) => board.cords.length === 1))(
    '$id on the board is the knot of the tables, or its mirror image',
    ({ id, board }) => {
      const onIt = onBoard(board);
      const [as, mirror] = [closedUp(onIt), closedUp(mirrored(onIt))].map((one) =>
        jones(diagramOf(one)),
      );
      expect([as, mirror]).toContainEqual(jones(diagramOf(laid(id))));
    },
  );
});
