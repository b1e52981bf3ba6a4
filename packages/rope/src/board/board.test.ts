import type { Point } from '../base/point.js';
import type { Board, KnotSize } from '../base/own-knot.js';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { kept } from '../../../../scripts/lib/kept.mjs';

import { tightened } from '../tables/tightened.js';
import { draw, type RopeOutcome } from '../engine/outcome.js';
import { allOf } from '../engine/testing.js';
import { USUAL } from '../engine/tighten.js';
import { alike, crossingCode } from './code.js';

import { BOARD_LIMITS, boardFaults, crossings, inMirror, turnOver } from './board.js';
import { inSpace } from './lift.js';

import { axesOf, knotSize } from './size.js';

/** In from the left, round and through its own loop: three crossings, over and under by turns. */
const OVERHAND: Board = {
  cords: [
    [
      [-8, 0],
      [0, 2],
      [5, 0],
      [4, -5],
      [0, -6],
      [-4, -4],
      [-3, 1],
      [0, 5],
      [3, 3],
      [1, -2],
      [1, -9],
    ],
  ],
  turned: [],
};

/** Crossings turned so that over and under take turns along the cord. */
function alternating(board: Board): Board {
  let now = board;
  for (const { name } of crossings(board)) {
    const tries = [now, turnOver(now, name)];
    now = tries.find((one) => alternatesTo(one, name)) ?? now;
  }
  return now;
}
function alternatesTo(board: Board, until: string): boolean {
  const all = crossings(board);
  const known = all.slice(0, all.findIndex(({ name }) => name === until) + 1);
  const visits = all
    .flatMap((one) => [
      { at: one.early.along, over: one.earlyOver, one },
      { at: one.late.along, over: !one.earlyOver, one },
    ])
    .sort((a, b) => a.at - b.at);
  return visits.every(({ over, one }, i) => !known.includes(one) || over === (i % 2 === 0));
}

/** What becomes of a board, and the size of a knot that is tight. */
const outcome = (board: Board): { readonly how: RopeOutcome['how']; readonly size?: KnotSize } =>
  kept('outcome', board, () => {
    const outcome = allOf(draw(inSpace(board), { ...USUAL, polygons: 2 }));
    return outcome.how === 'tight'
      ? { how: outcome.how, size: knotSize(outcome.drawn) }
      : { how: outcome.how };
  });

/** Size of a knot that is tight. */
function sizeOf(board: Board): KnotSize {
  const { how, size } = outcome(board);
  if (!size) throw new Error(`it is ${how}`);
  return size;
}

describe('crossings', () => {
  it('are found where cords cross, once each, and keep their names while cords are moved', () => {
    const found = crossings(OVERHAND);
    expect(found).toHaveLength(3);
    const moved = {
      ...OVERHAND,
      cords: [OVERHAND.cords[0]!.map(([x, y]): Point => [1.1 * x + 2, y - 1])],
    };
    expect(crossings(moved).map(({ name }) => name)).toEqual(found.map(({ name }) => name));
  });
  it('are turned and turned back', () => {
    const [first] = crossings(OVERHAND);
    const turned = turnOver(OVERHAND, first!.name);
    expect(crossings(turned)[0]!.earlyOver).toBe(!first!.earlyOver);
    expect(turnOver(turned, first!.name)).toEqual(OVERHAND);
  });
});

describe('the crossing code', () => {
  it('is the same however a knot lies, from whichever end it runs, and seen from behind', () => {
    const code = crossingCode(alternating(OVERHAND));
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        fc.double({ min: 0.3, max: 3, noNaN: true }),
        fc.boolean(),
        (angle, size, reversed) => {
          const { cords, turned } = alternating(OVERHAND);
          const [c, s] = [size * Math.cos(angle), size * Math.sin(angle)];
          const laid = cords[0]!.map(([x, y]): Point => [c * x - s * y, s * x + c * y]);
          const board: Board = { cords: [reversed ? [...laid].reverse() : laid], turned };
          if (!reversed) expect(crossingCode(board)).toBe(code);
          // Run from the other end the crossings are named anew; the knot is the same once they alternate.
          else expect(alike(alternating(board), { cords, turned })).not.toBeNull();
        },
      ),
    );
  });
  it('tells left from right, and one crossing turned from none', () => {
    const knot = alternating(OVERHAND);
    expect(alike(knot, inMirror(knot))).toBe('mirrored');
    expect(alike(knot, knot)).toBe('same');
    expect(alike(knot, turnOver(knot, crossings(knot)[1]!.name))).toBeNull();
  });
});

describe('a drawn knot', () => {
  it.each([
    ['an overhand knot', alternating(OVERHAND)],
    ['one of the left hand', inMirror(alternating(OVERHAND))],
  ])('that is %s takes what that takes, and is as large', (_, board) => {
    const { uses, length, width, thickness } = sizeOf(board);
    const [first] = uses;
    const want = tightened('overhand.uses');
    expect(Math.abs(first!.value - want)).toBeLessThan(first!.off + 0.002 * want);
    expect(first!.off).toBeLessThan(0.02 * want);
    // Seen along its own axes it is as wide as from the line of pull, and flatter the third way.
    expect(Math.abs(length.value - tightened('overhand.length'))).toBeLessThan(0.4);
    expect(width.value).toBeLessThan(length.value + 0.1);
    expect(thickness.value).toBeLessThan(tightened('overhand.width'));
    expect(thickness.value).toBeGreaterThan(2);
  });
  it('falls apart where one crossing is turned, and nothing holds', () => {
    const knot = alternating(OVERHAND);
    for (const { name } of crossings(knot))
      expect(outcome(turnOver(knot, name)).how).toBe('falls-apart');
  });
});

describe('the axes of points', () => {
  it('are those along which they lie widest', () => {
    const [c, s] = [Math.cos(0.7), Math.sin(0.7)];
    const points = Array.from({ length: 60 }, (_, i): [number, number, number] => {
      const [u, v, w] = [5 * Math.sin(i), 2 * Math.sin(2.3 * i + 1), 0.5 * Math.sin(3.7 * i)];
      return [c * u - s * v, s * u + c * v, w];
    });
    const [first, , last] = axesOf(points);
    expect(Math.abs(first![0] * c + first![1] * s)).toBeGreaterThan(0.99);
    expect(Math.abs(last![2])).toBeGreaterThan(0.99);
  });
});

describe('faults of a board', () => {
  it('are told with the cord that has them', () => {
    expect(boardFaults(OVERHAND)).toEqual([]);
    expect(boardFaults({ cords: [], turned: [] })).toHaveLength(1);
    expect(boardFaults({ cords: [[[0, 0]]], turned: [] })).toEqual([
      { cord: 0, message: 'A cord needs a beginning and an end.' },
    ]);
    const far: Board = {
      cords: [
        [
          [0, 0],
          [1e9, NaN],
        ],
      ],
      turned: [],
    };
    expect(boardFaults(far)[0]!.cord).toBe(0);
    const zigzag = (n: number, upright: boolean): Point[] =>
      Array.from({ length: n }, (_, i) => (upright ? [i % 2 ? 9 : -9, i] : [i, i % 2 ? 9 : -9]));
    const crowded: Board = { cords: [zigzag(12, true), zigzag(12, false)], turned: [] };
    expect(crossings(crowded).length).toBeGreaterThan(BOARD_LIMITS.crossings);
    expect(boardFaults(crowded)).toHaveLength(1);
  });
});
