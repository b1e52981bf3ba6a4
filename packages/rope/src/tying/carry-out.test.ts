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
        const made = carriedOut(one)!;
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
  it('come to a stop where what is to be passed is not laid yet', () => {
    const bend = tyingOf('square-bend');
    const [first, ...others] = bend.moves;
    expect(carriedOut(bend)).not.toBeNull();
    // The last first: its end would have to be where nothing has led it.
    const layout = layoutOf(bend);
    expect(layout.goes.length).toBeGreaterThan(2);
    expect(() => layoutOf({ ...bend, moves: [...others, first!] })).toThrow();
  });
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
