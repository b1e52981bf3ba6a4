import type { Point, Primitive } from '../../base/kind/primitive.js';
import { boundsOf } from './bounds.js';
import { turned } from './round.js';

/** The path that a piece lies along: a place and a direction for every distance along it, in mm. */
export interface Path {
  /** @param h height above the skin in mm */
  at(distance: number, h: number): Point;
  /** Direction in radians, clockwise from the x axis. */
  turn(distance: number): number;
}

/** Cord is bent in steps of this many mm. */
const STEP = 1.5;

/** Points in between, so that a long straight line follows the bend. */
function inSteps(line: readonly Point[]): Point[] {
  const out: Point[] = [];
  line.forEach((point, i) => {
    const before = line[i - 1];
    if (before) {
      const [dx, dy] = [point[0] - before[0], point[1] - before[1]];
      const steps = Math.max(1, Math.ceil(Math.abs(dx) / STEP));
      for (let k = 1; k < steps; k++) {
        out.push([before[0] + (dx * k) / steps, before[1] + (dy * k) / steps]);
      }
    }
    out.push(point);
  });
  return out;
}

/**
 * Shapes seen from their edge (skin at y = 0, outside at y < 0) laid along a path: cords bend with it,
 * beads and plates keep their shape and turn.
 *
 * @param from where on the path x = 0 comes to lie
 * @param scale lengths on the path over lengths in the drawing
 */
export function bend(
  shapes: readonly Primitive[],
  path: Path,
  from: number,
  scale: number,
): Primitive[] {
  const place = ([x, y]: Point): Point => path.at(from + x * scale, -y);
  return shapes.map((shape): Primitive => {
    switch (shape.kind) {
      case 'cord':
        return { ...shape, lines: shape.lines.map((line) => inSteps(line).map(place)) };
      case 'bead': {
        const turn = shape.turn + path.turn(from + shape.at[0] * scale);
        return { ...shape, at: place(shape.at), turn };
      }
      case 'plate': {
        const { x, y, width, height } = boundsOf([shape]);
        const middle: Point = [x + width / 2, y + height / 2];
        const [cx, cy] = place(middle);
        const about = (outline: readonly Point[]): Point[] =>
          turned(
            outline.map(([px, py]): Point => [px - middle[0], py - middle[1]]),
            path.turn(from + middle[0] * scale),
          ).map(([px, py]): Point => [px + cx, py + cy]);
        return { ...shape, outlines: shape.outlines.map(about) };
      }
      case 'arrow':
        return { ...shape, line: shape.line.map(place) };
    }
  });
}
