import type { BeadSolid, Bounds, Point, Primitive } from '../kind/primitive.js';

/** Two corners of the rectangle that holds a bead, turned as it is. */
function cornersOf({ at: [x, y], length, height, turn }: BeadSolid): Point[] {
  const [c, s] = [Math.abs(Math.cos(turn)) / 2, Math.abs(Math.sin(turn)) / 2];
  const [dx, dy] = [length * c + height * s, length * s + height * c];
  return [
    [x - dx, y - dy],
    [x + dx, y + dy],
  ];
}

/** The rectangle round all shapes, with their stroke widths and a margin, in mm. */
export function boundsOf(shapes: readonly Primitive[], margin = 0): Bounds {
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity];
  const take = (lines: readonly (readonly Point[])[], grow: number): void => {
    for (const line of lines) {
      for (const [x, y] of line) {
        x0 = Math.min(x0, x - grow);
        y0 = Math.min(y0, y - grow);
        x1 = Math.max(x1, x + grow);
        y1 = Math.max(y1, y + grow);
      }
    }
  };
  for (const shape of shapes) {
    if (shape.kind === 'cord') take(shape.lines, shape.diameter / 2);
    else if (shape.kind === 'plate') take(shape.outlines, 0);
    else if (shape.kind === 'bead') take([cornersOf(shape)], 0);
    else take([shape.line], 0);
  }
  if (x0 > x1) return { x: 0, y: 0, width: 0, height: 0 };
  return {
    x: x0 - margin,
    y: y0 - margin,
    width: x1 - x0 + 2 * margin,
    height: y1 - y0 + 2 * margin,
  };
}
