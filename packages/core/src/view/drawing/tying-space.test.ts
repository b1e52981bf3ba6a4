import { describe, expect, it } from '@jest/globals';
import { far, layoutOf, TYING_IDS, tyingOf } from '@coiled-strand/rope';
import type { Point3 } from '../../base/kind/primitive.js';
import { testCord } from '../../testing.js';
import { tyingInSpace } from './tying-space.js';

const piece = { strands: Array.from({ length: 6 }, () => ({ cord: testCord(2) })) } as never;
const shown = (tying: string, mirrored = false) => {
  const strands = tyingOf(tying).strands.map(({ kind }, i) => (kind === 'bar' ? null : i + 1));
  return tyingInSpace(piece, { tied: [{ tying, mirrored, strands }] }, 0)!;
};

describe('a tying in space', () => {
  it.each(TYING_IDS.filter((id) => !/x\d\.[23]$/.test(id)).map((id) => [id]))(
    '%s: every move goes on from where its cord lies',
    (id) => {
      const { lies, moves } = shown(id);
      expect(moves).toHaveLength(layoutOf(tyingOf(id)).goes.length);
      const ends: Point3[] = lies.map(({ line }) => line.at(-1)!);
      for (const [one] of moves) {
        const { line } = one!;
        expect(line.flat().every(Number.isFinite)).toBe(true);
        const from = ends.findIndex((end) => far(end, line[0]!) < 1e-6);
        expect(from).toBeGreaterThanOrEqual(0);
        ends[from] = line.at(-1)!;
      }
    },
  );
  it('is turned to the other side for hands that work mirrored', () => {
    const [right, left] = [shown('overhand'), shown('overhand', true)];
    right.moves.forEach(([one], i) =>
      expect(left.moves[i]![0]!.line[0]![0]).toBeCloseTo(-one!.line[0]![0], 6),
    );
  });
  it('shows cords that go as one side by side', () => {
    const together = [[2, 3]];
    const { moves } = tyingInSpace(
      piece,
      { tied: [{ tying: 'overhand', mirrored: false, strands: [1], together }] },
      0,
    )!;
    for (const move of moves) {
      expect(move.map(({ run }) => run.strand)).toEqual([1, 2, 3]);
      const [first, , last] = move.map(({ line }) => line[0]!);
      // Three cords of 2 mm: their outer ones lie as far apart as two of them are wide.
      expect(far(first!, last!)).toBeCloseTo(2 * 0.95 * 2, 1);
    }
  });
  it('tells cords of one colour apart by shades, since no stripe is drawn there', () => {
    const { lies } = shown('half-knot.left');
    expect(new Set(lies.map(({ run }) => run.cord.colour.hex)).size).toBe(4);
    expect(lies.every(({ run }) => !('stripe' in run))).toBe(true);
  });
  it('has the post that a Turk’s head is laid round, thinner than the knot is wide', () => {
    const posts = shown('turks-head.3x4.1').lies.filter(({ diameter }) => diameter !== undefined);
    expect(posts).toHaveLength(1);
    expect(posts[0]!.diameter!).toBeGreaterThan(2);
    const nearest = Math.min(
      ...shown('turks-head.3x4.1')
        .moves.flat()
        .flatMap(({ line }) => line.map(([x, y]) => Math.hypot(x, y))),
    );
    // Half the cord lies nearer to it than its middle.
    expect(posts[0]!.diameter! / 2).toBeLessThan(nearest - 1);
  });
  it('is none where its cords are not in the piece', () => {
    const tied = [{ tying: 'overhand', mirrored: false, strands: [99] }];
    expect(tyingInSpace(piece, { tied }, 0)).toBeNull();
  });
});
