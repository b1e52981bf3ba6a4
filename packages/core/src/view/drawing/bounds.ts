import type { BeadSolid, Bounds, Point, Primitive } from '../../base/kind/primitive.js';

/** Two corners of the rectangle that holds a bead, turned as it is. */
function cornersOf({ at: [x, y], length, height, turn }: BeadSolid): Point[] {
  const [c, s] = [Math.abs(Math.cos(turn)) / 2, Math.abs(Math.sin(turn)) / 2];
  const [dx, dy] = [length * c + height * s, length * s + height * c];
  return [
    [x - dx, y - dy],
    [x + dx, y + dy],
  ];
}

/** The lines that a shape lies between, and how far it reaches beyond them in mm. */
function reachOf(shape: Primitive): readonly [lines: readonly (readonly Point[])[], grow: number] {
  switch (shape.kind) {
    case 'cord':
      return [shape.lines, shape.diameter / 2];
    case 'plate':
      return [shape.outlines, 0];
    case 'bead':
      return [[cornersOf(shape)], 0];
    case 'arrow':
      return [[shape.line], 0];
  }
}

/** The rectangle round all shapes, with their stroke widths and a margin, in mm. */
export function boundsOf(shapes: readonly Primitive[], margin = 0): Bounds {
  // Shared with a function of its own, these would be boxed anew for each of many thousand points.
  let x0 = Infinity;
  let y0 = Infinity;
  let x1 = -Infinity;
  let y1 = -Infinity;
  for (const shape of shapes) {
    const [lines, grow] = reachOf(shape);
    for (const line of lines) {
      for (const point of line) {
        const x = point[0];
        const y = point[1];
        x0 = Math.min(x0, x - grow);
        y0 = Math.min(y0, y - grow);
        x1 = Math.max(x1, x + grow);
        y1 = Math.max(y1, y + grow);
      }
    }
  }
  if (x0 > x1) return { x: 0, y: 0, width: 0, height: 0 };
  return {
    x: x0 - margin,
    y: y0 - margin,
    width: x1 - x0 + 2 * margin,
    height: y1 - y0 + 2 * margin,
  };
}
