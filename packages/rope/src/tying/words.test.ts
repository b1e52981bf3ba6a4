import { describe, expect, it } from '@jest/globals';

import { Reader } from './testing.js';
import { layoutOf, TYING_IDS, tellingOf, tyingOf } from './tyings.js';
import { mapOf } from './telling.js';

const NAMES = TYING_IDS.map((id) => [id] as const);

describe('the words of a tying', () => {
  it.each(NAMES)('%s can be tied from its sentences alone, and is the same knot then', (id) => {
    const tying = tyingOf(id);
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
  });

  it.each(NAMES)('%s has a sentence of its own for every move, and a short one', (id) => {
    const { moves, drawUp } = tellingOf(tyingOf(id));
    expect(moves.filter((one, i) => moves.indexOf(one) !== i)).toEqual([]);
    expect([...moves, ...drawUp].filter(({ length }) => length > 140)).toEqual([]);
  });
});
