import { describe, expect, it } from '@jest/globals';
import type { Point, Primitive } from '../../base/kind/primitive.js';
import { TEMPLATES } from '../../plan/template/templates.js';
import { planned, pointsOf } from '../../testing.js';
import { bend, type Path } from './bend.js';
import { drawClosed } from './closed.js';

/** Round a circle of radius 100 from its right-hand side, clockwise as seen. */
const ROUND: Path = {
  at: (distance, h) => [(100 + h) * Math.cos(distance / 100), (100 + h) * Math.sin(distance / 100)],
  turn: (distance) => Math.PI / 2 + distance / 100,
};
const cord = (line: readonly Point[]): Primitive => ({
  kind: 'cord',
  key: 'c',
  part: 'p',
  strand: 1,
  colour: '#000000',
  texture: 'smooth',
  diameter: 2,
  lines: [line],
  ends: 'round',
  state: 'laid',
});
const radius = ([x, y]: Point): number => Math.hypot(x, y);

describe('shapes bent along a path', () => {
  it('keep their height above the skin all the way, however long a straight line was', () => {
    const line: Point[] = [
      [0, -3],
      [150, -3],
    ];
    const [bent] = bend([cord(line)], ROUND, 0, 1);
    const points = pointsOf([bent!]);
    expect(points.length).toBeGreaterThan(90);
    for (const point of points) expect(radius(point)).toBeCloseTo(103, 9);
    expect(Math.atan2(points.at(-1)![1], points.at(-1)![0])).toBeCloseTo(1.5, 9);
  });
  it('lie in proportion where the path is longer than the work, as on the outside of a thick band', () => {
    const line: Point[] = [
      [0, 0],
      [50, 0],
    ];
    const [bent] = bend([cord(line)], ROUND, 10, 1.2);
    const last = pointsOf([bent!]).at(-1)!;
    expect(Math.atan2(last[1], last[0])).toBeCloseTo(0.7, 9);
  });
  it('keep the shape of what is hard: a bar turns, and stays as long and as straight as it is', () => {
    const bar: Primitive = {
      kind: 'plate',
      key: 'bar',
      part: 'p',
      fill: 'finding',
      outlines: [
        [
          [0, 0],
          [40, 0],
          [40, -4],
          [0, -4],
        ],
      ],
    };
    const [bent] = bend([bar], ROUND, 30, 1.1);
    const corners = (bent as typeof bar).outlines[0]!;
    const side = (a: number, b: number): number =>
      Math.hypot(corners[a]![0] - corners[b]![0], corners[a]![1] - corners[b]![1]);
    expect(side(0, 1)).toBeCloseTo(40, 9);
    expect(side(1, 2)).toBeCloseTo(4, 9);
    expect(side(0, 2)).toBeCloseTo(Math.hypot(40, 4), 9);
  });
});

const start = {
  name: 'x',
  wearer: { name: 'Somebody', wrist: 165, hand: 200, neck: 360, ankle: 215 },
  cutting: { confidence: 0.95, step: 10, practice: 'practised' },
} as const;

describe('a piece closed round the body', () => {
  it.each(TEMPLATES.map((template) => [template.id, template] as const))(
    '%s: every part shows more than one bare line, and none of it lies in the body',
    (_id, template) => {
      const piece = template.make(start);
      const plan = planned(piece);
      const { shapes, body } = drawClosed(piece, plan);
      for (const part of piece.parts) {
        const own = shapes.filter((shape) => 'part' in shape && shape.part === part.id);
        const length = plan.parts.find(({ id }) => id === part.id)!.layout.length;
        if (length === 0) continue;
        const lines = own.reduce(
          (sum, shape) => sum + (shape.kind === 'cord' ? shape.lines.length : 1),
          0,
        );
        // Plain cord, and cord that ends in a loop or hangs, is a line.
        const bare = ['plain', 'loop', 'tail'].includes(part.kind);
        if (!bare) expect(lines).toBeGreaterThan(1);
        for (const point of pointsOf(own)) {
          expect(radius(point)).toBeGreaterThan(body * 0.97);
        }
      }
    },
  );
});
