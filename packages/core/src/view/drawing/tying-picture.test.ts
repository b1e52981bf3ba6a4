import { describe, expect, it } from '@jest/globals';
import { layoutOf, TYING_IDS, tyingOf } from '@coiled-strand/rope';
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
        // Of a knot round a post its way is seen twice: in the whole, and laid straight.
        const ways = tyingOf(id).round === 'rims' ? 2 : 1;
        expect(shapes.filter(({ kind }) => kind === 'arrow')).toHaveLength(ways);
        expect(shapes.some((shape) => shape.kind === 'cord' && shape.state === 'moving')).toBe(
          true,
        );
      }
    },
  );
  it.each([
    ['turks-head.3x2.1', 5],
    ['turks-head.3x4.3', 20],
    ['turks-head.5x4.3', 6],
  ])('of %s show every crossing of a move with cords of 9 px on a phone', (id, move) => {
    const { frame, shapes } = shown(id).moves[Math.min(move, shown(id).moves.length - 1)]!;
    const widest = Math.max(
      ...shapes.flatMap((shape) => (shape.kind === 'cord' ? [shape.diameter] : [])),
    );
    // The picture is 300 px wide there.
    expect((300 * widest) / frame.width).toBeGreaterThan(9);
    const { crossings } = layoutOf(tyingOf(id));
    const across = new Set(
      shapes.flatMap((shape) =>
        shape.kind === 'cord' && shape.state === 'laid' && shape.diameter === widest
          ? [shape.key.replace(/-(end-\d|-?\d+)$/, '')]
          : [],
      ),
    );
    const go = Math.min(move, shown(id).moves.length - 1);
    expect(across.size).toBe(crossings.filter((one) => one.go === go).length);
  });
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
  it('tell cords of one colour apart, an even pair by a stripe that is seen on its colour', () => {
    const marks = ({ shapes }: MovePicture): Set<string> =>
      new Set(
        shapes.flatMap((shape) =>
          shape.kind === 'cord' ? [`${shape.colour} ${shape.stripe ?? 'plain'}`] : [],
        ),
      );
    expect(marks(shown('half-knot.left').moves[0]!).size).toBe(4);
    const pair = (hex: string): Set<string> => {
      const cord = testCord(2, { colour: { name: 'one', hex } });
      const tied = { tying: 'half-knot.left', mirrored: false, strands: [null, null, 1, 2] };
      const two = { strands: [{ cord }, { cord }] } as never;
      return marks(tyingShown(two, { tied: [tied] }, 0)!.moves[0]!);
    };
    expect(pair('#5b6b78')).toEqual(new Set(['#8d867a plain', '#5b6b78 plain', '#5b6b78 #fbf7ee']));
    expect(pair('#f2ead8')).toContain('#f2ead8 #453c33');
  });
  it('are none for a step told in words, nor for cords that are not there', () => {
    expect(tyingShown(piece, {}, 0)).toBeNull();
    const tied = [{ tying: 'overhand', mirrored: false, strands: [99] }];
    expect(tyingShown(piece, { tied }, 0)).toBeNull();
  });
});
