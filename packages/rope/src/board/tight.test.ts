import type { Board } from '../base/own-knot.js';
import { describe, expect, it } from '@jest/globals';

import { tightened } from '../tables/tightened.js';
import { boardFaults, crossings, inMirror, turnOver } from './board.js';
import { crossingCode } from './code.js';
import { fingerprint, fnv1a } from './fingerprint.js';
import { KNOWN_BOARDS } from './known-boards.js';
import { KNOWN_KNOTS, likenesses } from './known.js';
import { layKnownBoards } from './lay-known.js';
import { ownKnotOf, knownBoard, tightOf } from './testing.js';
import { thinned } from '../engine/thinned.js';
import { takenInFrame } from './size.js';
import { ownKnotFaults } from './tight.js';

describe('FNV-1a', () => {
  // Test vectors that Fowler, Noll and Vo publish with it; from memory.
  it.each([
    ['', 'cbf29ce484222325'],
    ['a', 'af63dc4c8601ec8c'],
    ['foobar', '85944171f73967e8'],
  ])('of “%s” is as published', (text, hash) => {
    expect(fnv1a(text)).toBe(hash);
  });
});

describe('the fingerprint of a board', () => {
  const board = knownBoard('overhand');
  it('is that of the drawing, however it was written down', () => {
    expect(fingerprint(JSON.parse(JSON.stringify(board)) as Board)).toBe(fingerprint(board));
    expect(fingerprint({ ...board, cores: [], beads: [] })).toBe(fingerprint(board));
  });
  it('changes with every point, crossing, core and bead', () => {
    const [cord] = board.cords;
    const others: Board[] = [
      { ...board, cords: [[[-15.2, 0.01], ...cord!.slice(1)]] },
      turnOver(board, crossings(board)[0]!.name),
      { ...board, cores: [0] },
      { ...board, beads: [{ cord: 0, along: 3, size: 3 }] },
    ];
    expect(new Set([board, ...others].map(fingerprint)).size).toBe(5);
  });
});

describe('a line with fewer points', () => {
  it('is nowhere off by more than it may be', () => {
    const line = Array.from({ length: 200 }, (_, i): [number, number, number] => [
      i / 20,
      Math.sin(i / 20),
      Math.cos(i / 30),
    ]);
    const less = thinned(line, 0.02);
    expect(less.length).toBeLessThan(60);
    expect([less[0], less.at(-1)]).toEqual([line[0], line.at(-1)]);
    for (const p of line) {
      const near = Math.min(
        ...less.slice(0, -1).map((a, i) => {
          const b = less[i + 1]!;
          const t = (p[0] - a[0]) / (b[0] - a[0]);
          if (t < 0 || t > 1) return Infinity;
          return Math.hypot(a[1] + t * (b[1] - a[1]) - p[1], a[2] + t * (b[2] - a[2]) - p[2]);
        }),
      );
      expect(near).toBeLessThan(0.035);
    }
  });
});

describe('knots that are known', () => {
  it('are kept as the curves that they were computed from come to lie', () => {
    expect(KNOWN_BOARDS).toEqual(layKnownBoards());
  });
  it('can be laid on a board, each unlike the others', () => {
    const codes = KNOWN_KNOTS.map(({ board }) => {
      expect(boardFaults(board)).toEqual([]);
      return crossingCode(board);
    });
    expect(new Set(codes).size).toBe(codes.length);
  });
  it('are known again in the mirror, and with a curl or a cord slid over another', () => {
    const board = knownBoard('overhand');
    expect(likenesses(inMirror(board), KNOWN_KNOTS)).toEqual([
      { name: 'Overhand knot', how: 'mirrored' },
    ]);
    const [cord] = board.cords;
    const end = cord!.at(-1)!;
    const curled: Board = {
      ...board,
      cords: [
        [
          ...cord!,
          [end[0] + 4, end[1]],
          [end[0] + 4, end[1] + 3],
          [end[0] + 2, end[1] + 3],
          [end[0] + 2, end[1] - 3],
        ],
      ],
    };
    expect(crossings(curled).length).toBe(crossings(board).length + 1);
    expect(likenesses(curled, KNOWN_KNOTS)).toEqual([{ name: 'Overhand knot', how: 'same' }]);
  });
  // The same numbers by another way: a curve laid by hand for the table, and a flat drawing lifted at its crossings.
  it.each([
    ['overhand', 'overhand.uses'],
    ['figure-eight', 'figure-eight.uses'],
    ['double-barrel', 'double-barrel.uses'],
    ['triple-barrel', 'triple-barrel.uses'],
  ] as const)('come out of the drawing as in the table: %s', (id, name) => {
    const { size } = ownKnotOf(id).tight;
    const [use] = size.uses;
    expect(Math.abs(use!.value - tightened(name))).toBeLessThan(use!.off + 0.003 * use!.value);
    const length = tightened(name.replace('uses', 'length') as 'overhand.length');
    expect(Math.abs(size.length.value - length)).toBeLessThan(0.05 * length + 0.1);
  });
});

describe('a knot that comes from elsewhere', () => {
  const knot = ownKnotOf('figure-eight');
  it('is taken as it was kept', () => {
    expect(ownKnotFaults(knot)).toEqual([]);
    const [use] = knot.tight.size.uses;
    const [drawn] = takenInFrame(knot.tight.curves);
    expect(Math.abs(drawn! - use!.value)).toBeLessThan(0.01 * use!.value);
  });
  it('is refused where its numbers are of another drawing, or not those of its curve', () => {
    const other = knownBoard('overhand');
    expect(ownKnotFaults({ ...knot, board: other })).toHaveLength(1);
    const { tight } = knot;
    const less = { ...tight.size, uses: [{ value: 1, off: 0.01 }] };
    expect(ownKnotFaults({ ...knot, tight: { ...tight, size: less } })).toHaveLength(1);
    expect(ownKnotFaults({ ...knot, tight: { ...tight, curves: [] } })).toHaveLength(1);
    const beads: Board['beads'] = [{ cord: 0, along: 1, size: 3 }];
    const strung = { ...knot.board, beads };
    expect(
      ownKnotFaults({ board: strung, tight: { ...tight, of: fingerprint(strung) } }),
    ).toHaveLength(1);
  });
});

describe('a bead that lies in a knot', () => {
  const bare = knownBoard('overhand');
  it('makes it take more, and lies where nothing else does', () => {
    const { along } = crossings(bare)[1]!.late;
    const size = 2.5;
    const board: Board = { ...bare, beads: [{ cord: 0, along: along - 1.5, size }] };
    const tight = tightOf(board);
    const [bead] = tight.beads;
    const plain = ownKnotOf('overhand').tight;
    expect(tight.size.uses[0]!.value).toBeGreaterThan(plain.size.uses[0]!.value + 0.5);
    // Its own cord goes through its middle; all others keep half a diameter off its surface.
    const [curve] = tight.curves;
    const off = curve!.map((p) => Math.hypot(p[0] - bead![0], p[1] - bead![1], p[2] - bead![2]));
    const middle = off.indexOf(Math.min(...off));
    let arc = 0;
    const near = curve!.flatMap((p, i) => {
      if (i <= middle) return [];
      const q = curve![i - 1]!;
      arc += Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2]);
      return arc > size / 2 + 1 ? [off[i]!] : [];
    });
    expect(Math.min(...near)).toBeGreaterThan(size / 2 + 0.5 - 0.05);
  });
});
