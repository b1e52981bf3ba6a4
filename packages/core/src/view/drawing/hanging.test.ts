import { describe, expect, it } from '@jest/globals';
import { planPiece } from '../../plan/steps/plan-piece.js';
import { TEMPLATES, templateById } from '../../plan/template/templates.js';
import type { Primitive } from '../../base/kind/primitive.js';
import type { Piece } from '../../piece/piece.js';
import type { Plan } from '../../plan/plan-types.js';
import { drawBench } from './bench.js';
import { drawHanging, type HangingView } from './hanging.js';

const wearer = { name: 'x', wrist: 165, hand: 200, neck: 360, ankle: 215, head: 560 };
const cutting = { confidence: 0.95, step: 10, practice: 'practised' } as const;
const necklaces = TEMPLATES.map((template) =>
  template.make({ name: template.id, wearer, cutting }),
).filter(({ wear }) => wear.site === 'neck');
const hung = (piece: Piece): { plan: Plan; view: HangingView } => {
  const plan = planPiece(piece);
  if (!plan.ok) throw new Error('it cannot be planned');
  return { plan, view: drawHanging(piece, plan, 'left') };
};

describe('a piece on a neck', () => {
  it.each(necklaces.map((piece) => [piece.name, piece] as const))(
    'is drawn whole and level: %s',
    (_, piece) => {
      const { plan, view } = hung(piece);
      const points = view.shapes.flatMap((shape) =>
        shape.kind === 'cord'
          ? shape.lines.flat()
          : shape.kind === 'plate'
            ? shape.outlines.flat()
            : shape.kind === 'bead'
              ? [shape.at]
              : shape.line,
      );
      expect(points.length).toBeGreaterThan(20);
      for (const point of points) expect(point.every(Number.isFinite)).toBe(true);
      // What is longer hangs lower.
      expect(view.hang.drop).toBeGreaterThan(0);
      expect(view.lowest).toBeGreaterThanOrEqual(view.hang.drop);
      expect(view.girth).toBe(plan.fit.girth);
      // No cord of its own lies further out than it is long.
      expect(view.bounds.width).toBeLessThan(2 * (view.hang.neck + 90));
    },
  );

  it('says where a stone comes to lie: under the lowest point of the line, straight down', () => {
    const { view } = hung(necklaces.find(({ name }) => name === 'wrapped-stone')!);
    const [stone, ...others] = view.hanging;
    expect(others).toEqual([]);
    expect(stone!.from).toBeCloseTo(view.hang.drop, -1);
    expect(stone!.to).toBeCloseTo(view.lowest, 3);
    expect(stone!.to - stone!.from).toBeGreaterThan(20);
  });

  it('hangs the ends of a lariat straight down from the lowest point, at their length', () => {
    const { plan, view } = hung(necklaces.find(({ name }) => name === 'lariat')!);
    const cords = view.shapes.flatMap((shape) => (shape.kind === 'cord' ? shape.lines.flat() : []));
    const lowest = Math.max(...cords.map(([, y]) => y));
    expect(lowest).toBeGreaterThan(view.hang.drop + 60);
    expect(lowest).toBeLessThan(plan.fit.length / 2);
  });

  it('drops as far as the girth of the neck lets it, and says where that was assumed', () => {
    const piece = necklaces.find(({ name }) => name === 'wrapped-stone')!;
    const long: Piece = { ...piece, wear: { ...piece.wear, length: 520 } };
    const drop = (neck: number): number =>
      hung({ ...long, wearer: { ...wearer, neck } }).view.hang.drop;
    expect(drop(330)).toBeGreaterThan(drop(400));
    const { neck: _, ...unknown } = wearer;
    expect(hung({ ...long, wearer: unknown }).view.measured).toBe(false);
    expect(hung(long).view.measured).toBe(true);
  });

  it('mirrors nothing: what lies above the line on the bench lies towards the neck', () => {
    const band = templateById('buckle-band').make({ name: 'x', wearer, cutting });
    const piece: Piece = { ...band, wear: { site: 'neck', turns: 1, length: 460 } };
    const { plan, view } = hung(piece);
    const bench = drawBench(piece, plan, { firstSide: 'left', tails: false });
    const straight = (shapes: readonly Primitive[]) =>
      shapes.flatMap((shape) =>
        shape.kind === 'cord' && shape.lines.length === 1
          ? [{ key: `${shape.part} ${shape.key}`, line: shape.lines[0]! }]
          : [],
      );
    const there = new Map(straight(view.shapes).map(({ key, line }) => [key, line]));
    let compared = 0;
    for (const { key, line } of straight(bench.shapes)) {
      const [y, ...others] = new Set(line.map((point) => point[1]));
      // A core in its lane: level from end to end, above or below the middle.
      const hung = there.get(key);
      if (!hung || others.length > 0 || Math.abs(y!) < 0.5) continue;
      const lowest = Math.max(...hung.map((point) => point[1]));
      expect(lowest - view.hang.drop).toBeCloseTo(y!, 1);
      compared++;
    }
    expect(compared).toBeGreaterThan(0);
  });
});
