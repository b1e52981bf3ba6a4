import { describe, expect, it } from '@jest/globals';

import { TIGHT_TYINGS } from '../tables/tight-tyings.js';
import { asBoard } from './closed.js';
import { circleRound, drawTight, passing, tightOf } from './tight.js';
import { layoutOf, TYING_IDS, tyingOf } from './tyings.js';

describe('the smallest hole that a knot goes through', () => {
  it('is as wide as the smallest circle round it: a triangle and a square, closed forms', () => {
    const corners = (n: number) =>
      Array.from({ length: n }, (_, i) => {
        const a = (2 * Math.PI * i) / n;
        return [3 * Math.cos(a), 3 * Math.sin(a)] as const;
      });
    expect(circleRound(corners(3))).toBeCloseTo(6, 1);
    expect(circleRound(corners(4))).toBeCloseTo(6, 1);
    // A slanted pair: the circle over it.
    expect(
      circleRound([
        [1, 1],
        [4, 5],
      ]),
    ).toBeCloseTo(5, 1);
  });
  it('is that of a cord for a straight cord', () => {
    expect(
      passing(
        [
          [
            [0, 0, 0],
            [5, 0, 0],
          ],
        ],
        5,
      ),
    ).toBe(1);
  });
  it('grows from a knot of one turn to none smaller, and is wider than a cord', () => {
    for (const id of ['overhand', 'figure-eight', 'double-barrel', 'triple-barrel']) {
      const { passes, width } = tightOf(tyingOf(id))!;
      expect(passes).toBeGreaterThan(2);
      // No knot is thicker than it is wide at its widest by more than it leans.
      expect(passes).toBeLessThan(1.1 * width);
    }
  });
});

describe('what a tying takes when it is tight', () => {
  it('is told of all but what falls apart and folded cords', () => {
    const untold = TYING_IDS.map(tyingOf).filter(
      (one) =>
        tightOf(one) === null &&
        !one.loose &&
        one.strands.every(({ foldOf }) => foldOf === undefined),
    );
    expect(untold.map(({ id }) => id)).toEqual([]);
  });
  it('of a lark’s head on one bar is that of a cow hitch, which is the same knot', () => {
    // That both are one knot is proved beside the published ones.
    for (const id of ['bar.front', 'bar.back', 'ring.front', 'ring.back']) {
      expect(tightOf(tyingOf(`larks-head.${id}`))).toEqual(tightOf(tyingOf('cow-hitch')));
    }
  });
  it('of what goes on along the piece is that of as many cells as it shows', () => {
    // An earlier tightening of model ropes, by another method: 19.3 diameters of both cords a snake knot, one every 2.05.
    const snake = tightOf(tyingOf('snake'))!;
    expect(Math.abs(snake.cord / 19.3 - 1)).toBeLessThan(0.03);
    expect(Math.abs(snake.length / 2.05 - 1)).toBeLessThan(0.03);
    const { cord, length } = tightOf(tyingOf('plait.three'))!;
    // Each of three strands is about a quarter longer than its plait: common practice, no source.
    expect(cord / (3 * length)).toBeGreaterThan(1.15);
    expect(cord / (3 * length)).toBeLessThan(1.35);
  });
  it('is more the more turns are wound', () => {
    const cord = (id: string): number => tightOf(tyingOf(id))!.cord;
    for (const family of ['coil.bight', 'coil.straw']) {
      expect(cord(`${family}.4`)).toBeGreaterThan(cord(`${family}.3`));
    }
    expect(cord('turks-head.3x4.2')).toBeGreaterThan(cord('turks-head.3x4.1'));
  });
  it('comes out again as it is kept, of one of them', () => {
    const id = 'cow-hitch';
    const kept = TIGHT_TYINGS[id]!;
    const again = drawTight(asBoard(layoutOf(tyingOf(id))))!;
    again.size.uses.forEach(({ value }, i) => {
      const was = kept.size.uses[i]!;
      expect(Math.abs(value - was.value)).toBeLessThanOrEqual(was.off + 1e-3);
    });
    expect(again.passes).toBeCloseTo(kept.passes, 1);
  });
});
