import type { Point } from '../kind/primitive.js';

// Hundredths of a millimetre are finer than any screen or printer here, and keep the paths short.
const two = (value: number): string => String(Math.round(value * 100) / 100);

/**
 * Path data for lines in mm; closed outlines end in Z.
 *
 * @param step points nearer than this to the one before, in mm, are left out where they cannot be seen;
 *   the last of a line always stays
 */
export function svgPath(lines: readonly (readonly Point[])[], closed = false, step = 0): string {
  let d = '';
  for (const line of lines) {
    const end = line.length - 1;
    let [lastX, lastY] = [0, 0];
    for (let i = 0; i <= end; i++) {
      const [x, y] = line[i]!;
      if (i > 0 && i < end && Math.abs(x - lastX) < step && Math.abs(y - lastY) < step) continue;
      d += `${i === 0 ? 'M' : 'L'}${two(x)} ${two(y)}`;
      lastX = x;
      lastY = y;
    }
    if (closed) d += 'Z';
  }
  return d;
}
