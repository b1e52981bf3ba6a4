import { describe, expect, it } from '@jest/globals';

import type { Board } from '../base/own-knot.js';
import type { Point } from '../base/point.js';
import { boardFaults } from '../board/board.js';
import { KNOWN_KNOTS } from '../board/known.js';
import { asBoard } from './closed.js';
import { tyingOfKnot } from './drawn.js';
import { Reader } from './testing.js';
import type { Tying } from './tying.js';
import { layoutOf, TYING_IDS, tellingOf, tyingOf } from './tyings.js';
import { mapOf } from './telling.js';

const NAMES = TYING_IDS.map((id) => [id] as const);

/** Knots as their makers draw them: those of the board, and those of the catalogue laid on it. */
const DRAWN = [
  ...KNOWN_KNOTS.map(({ id, board }) => ({ id: `board ${id}`, board })),
  ...TYING_IDS.map((id) => ({ id: `drawn ${id}`, board: asBoard(layoutOf(tyingOf(id))) })),
]
  .filter(({ board }) => boardFaults({ ...board, cords: board.cords.map(coarse) }).length === 0)
  .map(({ id, board }): [id: string, tying: Tying] => [id, tyingOfKnot({ name: id, board })])
  .filter(([, { seenOnly }]) => !seenOnly);

/** As few points as a maker draws. */
function coarse(line: readonly Point[]): Point[] {
  return line.filter((_, i) => i % 8 === 0 || i === line.length - 1);
}

describe('the words of a tying', () => {
  it.each([...NAMES.map(([id]): [string, Tying] => [id, tyingOf(id)]), ...DRAWN])(
    '%s can be tied from its sentences alone, and is the same knot then',
    (_, tying) => {
      const { ground, moves } = tellingOf(tying);
      const reader = new Reader(ground);
      for (const sentence of moves) reader.follow(sentence);
      const map = mapOf(layoutOf(tying));
      const names = tying.strands.map(({ name }) => name);
      expect([...reader.names].sort()).toEqual([...names].sort());
      const said = (
        one: { readonly late: number; readonly early: number; lateOver: boolean; side: number },
        of: readonly string[],
      ) => [of[one.late], of[one.early], one.lateOver, one.side];
      expect(reader.map.crossings.map((one) => said(one, reader.names))).toEqual(
        map.crossings.map((one) => said(one, names)),
      );
      const visits = map.visits();
      const read = reader.map.visits();
      names.forEach((name, strand) => {
        expect(read[reader.names.indexOf(name)]).toEqual(visits[strand]);
      });
    },
  );
  it('of what makers draw are there for nearly all of it', () => {
    expect(DRAWN.length).toBeGreaterThan(45);
    for (const { id } of KNOWN_KNOTS) expect(DRAWN.map(([name]) => name)).toContain(`board ${id}`);
  });
  it('are left to the pictures where a cord begins in the midst of the others', () => {
    const board: Board = {
      cords: [
        [
          [0, 0],
          [3, 1],
          [9, 1],
        ],
        [
          [-5, -3],
          [4, -3],
          [4, 4],
          [-3, 4],
          [-3, -6],
        ],
      ],
      turned: [],
    };
    const tying = tyingOfKnot({ name: 'x', board });
    expect(tying.seenOnly).toBe(true);
    const { moves } = tellingOf(tying);
    expect(new Set(moves).size).toBe(layoutOf(tying).goes.length);
    expect(moves[0]).toMatch(/as the picture shows/);
  });

  it.each(NAMES)('%s has a sentence of its own for every move, and a short one', (id) => {
    const { moves, drawUp } = tellingOf(tyingOf(id));
    expect(moves.filter((one, i) => moves.indexOf(one) !== i)).toEqual([]);
    expect([...moves, ...drawUp].filter(({ length }) => length > 140)).toEqual([]);
  });
});
