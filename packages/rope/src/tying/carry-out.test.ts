import { describe, expect, it } from '@jest/globals';

import { crossings } from '../board/board.js';
import { KNOWN_KNOTS } from '../board/known.js';
import { carriedOut } from './carry-out.js';
import { tyingOfKnot } from './drawn.js';
import { slackIn } from './open.js';
import { layoutOf, TYING_IDS, tyingOf } from './tyings.js';
import { mirror, type Tying } from './tying.js';

const ALL: [string, Tying][] = [
  ...TYING_IDS.map((id): [string, Tying] => [id, tyingOf(id)]),
  ...KNOWN_KNOTS.map(({ id, board }): [string, Tying] => [
    `drawn ${id}`,
    tyingOfKnot({ name: id, board }),
  ]),
];

/** A crossing by where it is and what lies over. */
const said = ([x, y]: readonly number[], over: boolean): string =>
  `${x!.toFixed(6)} ${y!.toFixed(6)} ${over ? 'early' : 'late'}`;

describe('moves carried out', () => {
  it.each(ALL)(
    'of %s end with the crossings of its diagram, and mirrored with theirs',
    (_, tying) => {
      for (const one of [tying, mirror(tying)]) {
        const made = carriedOut(layoutOf(one))!;
        const { board } = layoutOf(one);
        const drawn = crossings(board);
        expect(made).toHaveLength(drawn.length);
        const places = drawn.map(({ at, early, earlyOver }) => {
          const own = made.find(({ at: [x, y] }) => x === at[0] && y === at[1])!;
          // What lies over is the same, whichever of both was laid first.
          const same = own.early.cord === early.cord && own.early.along === early.along;
          return [said(at, same ? !own.lateOver : own.lateOver), said(at, earlyOver)];
        });
        for (const [hand, board] of places) expect(hand).toBe(board);
      }
    },
  );
  it.each([['overhand'], ['square-bend'], ['coil.bight.3'], ['turks-head.3x4.1']])(
    'of %s come to a stop where two of them change places, or one is left out',
    (id) => {
      const layout = layoutOf(tyingOf(id));
      const count = layout.goes.length;
      /** The same with its goes in another order, each with what it passes. */
      const inOrder = (order: readonly number[]) => ({
        ...layout,
        goes: order.map((go) => layout.goes[go]!),
        crossings: layout.crossings.flatMap((one) => {
          const go = order.indexOf(one.go);
          return go < 0 ? [] : [{ ...one, go }];
        }),
      });
      const all = Array.from({ length: count }, (_, i) => i);
      expect(carriedOut(inOrder(all))).toHaveLength(layout.crossings.length);
      expect(carriedOut(inOrder([...all].reverse()))).toBeNull();
      // The last may be left out: nothing goes past it.
      expect(carriedOut(inOrder(all.filter((go) => go !== count - 2)))).toBeNull();
    },
  );
});

describe('what a knot takes more while it lies open', () => {
  it.each([
    ['overhand', 'double-barrel', 'triple-barrel'],
    ['sliding.1', 'sliding.2', 'sliding.3'],
    ['diamond.4', 'diamond.3', 'diamond.2'],
    ['turks-head.3x2.1', 'turks-head.3x4.1'],
  ])('grows from %s on', (...ids) => {
    const all = ids.map((id) => slackIn(tyingOf(id), 1, 1));
    expect([...all].sort((a, b) => a - b)).toEqual(all);
    expect(all[0]).toBeGreaterThan(5);
  });
  it('grows with the room about its cords, and is never less than none', () => {
    for (const id of TYING_IDS) {
      const [tight, snug, wide] = [0, 1, 2].map((room) => slackIn(tyingOf(id), 2, room));
      expect(tight).toBeGreaterThanOrEqual(0);
      expect(snug).toBeGreaterThanOrEqual(tight!);
      expect(wide).toBeGreaterThanOrEqual(snug!);
    }
  });
});
