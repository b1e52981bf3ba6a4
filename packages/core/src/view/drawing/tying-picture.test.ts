import { describe, expect, it } from '@jest/globals';
import { TYING_IDS, tyingOf } from '@coiled-strand/rope';
import { testCord } from '../../testing.js';
import { svgPath } from './svg-path.js';
import { tyingShown, type MovePicture } from './tying-picture.js';

const cords = 6;
const piece = { strands: Array.from({ length: cords }, () => ({ cord: testCord(2) })) } as never;
const shown = (tying: string, mirrored = false) => {
  const strands = tyingOf(tying).strands.map(({ kind }, i) =>
    kind === 'bar' ? null : (i % cords) + 1,
  );
  return tyingShown(piece, { tied: [{ tying, mirrored, strands }] }, 0)!;
};
/** All that is drawn of a move, and in which state. */
const drawn = ({ shapes }: MovePicture): string =>
  shapes
    .map((shape) => (shape.kind === 'cord' ? `${shape.state} ${svgPath(shape.lines)}` : shape.kind))
    .join(' ');

describe('the pictures of a tying', () => {
  it.each(TYING_IDS.filter((id) => !/x\d\.3$/.test(id)).map((id) => [id]))(
    '%s: one for each move, no two alike, each with an arrow along what moves',
    (id) => {
      const { moves } = shown(id);
      expect(new Set(moves.map(drawn)).size).toBe(moves.length);
      for (const { shapes } of moves) {
        expect(shapes.filter(({ kind }) => kind === 'arrow')).toHaveLength(1);
        expect(shapes.some((shape) => shape.kind === 'cord' && shape.state === 'moving')).toBe(
          true,
        );
      }
    },
  );
  it('never show the finished knot before it is finished', () => {
    const { moves } = shown('overhand');
    const laid = (move: MovePicture): number =>
      move.shapes.filter((shape) => shape.kind === 'cord' && shape.state === 'planned').length;
    expect(moves.slice(0, -1).every((move) => laid(move) > 0)).toBe(true);
    expect(laid(moves.at(-1)!)).toBe(0);
  });
  it('are seen in a mirror by hands that begin on the right', () => {
    const [right, left] = [shown('overhand').moves[0]!, shown('overhand', true).moves[0]!];
    expect(left.frame.x).toBeCloseTo(-right.frame.x - right.frame.width, 6);
    expect(left.text).toBe(right.text.replace('anticlockwise', 'clockwise'));
  });
  it('tell cords of one colour apart', () => {
    const colours = shown('half-knot.left').moves[0]!.shapes.flatMap((shape) =>
      shape.kind === 'cord' ? [shape.colour] : [],
    );
    expect(new Set(colours).size).toBe(4);
  });
  it('are none for a step told in words, nor for cords that are not there', () => {
    expect(tyingShown(piece, {}, 0)).toBeNull();
    const tied = [{ tying: 'overhand', mirrored: false, strands: [99] }];
    expect(tyingShown(piece, { tied }, 0)).toBeNull();
  });
});
