import type { Arrow, CordStroke, Point, Primitive, Thing } from '../../base/kind/primitive.js';
import type { Run } from '../../base/kind/run.js';
import { CORD_KIND_FACTS, effectiveDiameter } from '../../base/material/cord.js';
import { lanesOf } from './lanes.js';

/** A cord that is drawn, with a stripe where another of its colour lies beside it. */
export type Drawn = Pick<Run, 'strand' | 'cord'> & Pick<CordStroke, 'stripe'>;

/** A cord drawn along lines, at its diameter under tension. */
export const strokeOf = (
  run: Drawn,
  key: string,
  part: string,
  lines: readonly (readonly Point[])[],
  state: CordStroke['state'],
  ends: CordStroke['ends'] = 'butt',
): CordStroke => ({
  kind: 'cord',
  key,
  part,
  strand: run.strand,
  colour: run.cord.colour.hex,
  ...(run.stripe && { stripe: run.stripe }),
  texture: CORD_KIND_FACTS[run.cord.kind].texture,
  diameter: effectiveDiameter(run.cord),
  lines,
  ends,
  state,
});

/**
 * Runs lying straight in their lanes from one place along the piece to another.
 * @param lanes where each lies, when others lie beside them
 */
export function straightRuns(
  runs: readonly Run[],
  part: string,
  from: number,
  to: number,
  state: CordStroke['state'] = 'laid',
  lanes: ReadonlyMap<number, number> = lanesOf(runs),
): CordStroke[] {
  return runs.map((run) => {
    const y = lanes.get(run.index) ?? 0;
    return strokeOf(
      run,
      `${part}-run-${run.index}-${Math.round(from * 10)}`,
      part,
      [
        [
          [from, y],
          [to, y],
        ],
      ],
      state,
    );
  });
}

/** Runs drawn together to a width in mm, as something that holds them all does. */
export function gatheredRuns(
  runs: readonly Run[],
  part: string,
  length: number,
  width: number,
  state: CordStroke['state'] = 'laid',
): CordStroke[] {
  const across = runs.reduce((sum, run) => sum + effectiveDiameter(run.cord), 0);
  const by = across > width ? width / across : 1;
  return straightRuns(runs, part, 0, length, state).map((stroke) => ({
    ...stroke,
    lines: stroke.lines.map((line) => line.map(([x, y]): Point => [x, y * by])),
  }));
}

/** The same shapes, named as what of a closure they are. */
export const asThing = (shapes: readonly Primitive[], thing: Thing): Primitive[] =>
  shapes.map((shape) => (shape.kind === 'arrow' ? shape : { ...shape, thing }));

const map = (shape: Primitive, move: (p: Point) => Point, turn: number): Primitive => {
  switch (shape.kind) {
    case 'cord':
      return { ...shape, lines: shape.lines.map((line) => line.map(move)) };
    case 'plate':
      return { ...shape, outlines: shape.outlines.map((line) => line.map(move)) };
    case 'bead':
      return { ...shape, at: move(shape.at), turn: shape.turn + turn };
    case 'arrow':
      return { ...shape, line: shape.line.map(move) } satisfies Arrow;
  }
};

/** The same shapes, moved along and across the bench by mm. */
export const moved = (shapes: readonly Primitive[], dx: number, dy = 0): Primitive[] =>
  dx === 0 && dy === 0
    ? [...shapes]
    : shapes.map((shape) => map(shape, ([x, y]): Point => [x + dx, y + dy], 0));

/** The same shapes, turned left to right about x = 0. */
export const flipped = (shapes: readonly Primitive[]): Primitive[] =>
  shapes.map((shape) => map(shape, ([x, y]): Point => [-x, y], 0));

/** Shapes of the bench hanging down: along the piece becomes downwards, the place x at y = 0. */
export const hanging = (shapes: readonly Primitive[], x: number): Primitive[] =>
  shapes.map((shape) => {
    const turned = map(shape, ([px, py]): Point => [py, px - x], 0);
    return turned.kind === 'bead' ? { ...turned, turn: Math.PI / 2 - turned.turn } : turned;
  });

/** The same shapes, mirrored across the line y = 0. */
export const flippedAcross = (shapes: readonly Primitive[]): Primitive[] =>
  shapes.map((shape) => {
    const mirrored = map(shape, ([x, y]): Point => [x, -y], 0);
    return mirrored.kind === 'bead' ? { ...mirrored, turn: -mirrored.turn } : mirrored;
  });
