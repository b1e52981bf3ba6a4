import type { Plate, Point } from '../../base/kind/primitive.js';

const CORNER_STEPS = 6;

/** Rounded rectangle as a closed outline. */
export function roundedBox(x: number, y: number, w: number, h: number, r: number): Point[] {
  const radius = Math.min(r, w / 2, h / 2);
  const corners: readonly (readonly [number, number, number])[] = [
    [x + w - radius, y + radius, -Math.PI / 2],
    [x + w - radius, y + h - radius, 0],
    [x + radius, y + h - radius, Math.PI / 2],
    [x + radius, y + radius, Math.PI],
  ];
  return corners.flatMap(([cx, cy, start]) =>
    Array.from({ length: CORNER_STEPS + 1 }, (_, i): Point => {
      const a = start + (i / CORNER_STEPS) * (Math.PI / 2);
      return [cx + radius * Math.cos(a), cy + radius * Math.sin(a)];
    }),
  );
}

/** An ellipse as a closed outline. */
export const ellipse = (cx: number, cy: number, rx: number, ry = rx, steps = 36): Point[] =>
  Array.from({ length: steps }, (_, i): Point => {
    const a = (2 * Math.PI * i) / steps;
    return [cx + rx * Math.cos(a), cy + ry * Math.sin(a)];
  });

/** A flat solid thing of metal, resin or wood. */
export const plateOf = (
  part: string,
  key: string,
  colour: string,
  outlines: readonly (readonly Point[])[],
  fill: Plate['fill'] = 'finding',
): Plate => ({ kind: 'plate', key: `${part}-${key}`, part, fill, colour, outlines });
