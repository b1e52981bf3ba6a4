import type { Point } from '../kind/primitive.js';

// Hundredths of a millimetre are finer than any screen or printer here, and keep the paths short.
export const two = (value: number): string => String(Math.round(value * 100) / 100);

/**
 * The points of a line in mm that can be told apart; its first and last always stay.
 *
 * @param step points nearer than this to the one before, in mm, are left out
 */
export function pointsSeen(line: readonly Point[], step: number): readonly Point[] {
  if (step <= 0) return line;
  const end = line.length - 1;
  let [lastX, lastY] = [0, 0];
  return line.filter(([x, y], i) => {
    if (i > 0 && i < end && Math.abs(x - lastX) < step && Math.abs(y - lastY) < step) return false;
    [lastX, lastY] = [x, y];
    return true;
  });
}

/**
 * Path data for lines in mm; closed outlines end in Z.
 *
 * @param step points nearer than this to the one before are left out: see `pointsSeen`
 */
export function svgPath(lines: readonly (readonly Point[])[], closed = false, step = 0): string {
  let d = '';
  for (const line of lines) {
    let command = 'M';
    for (const [x, y] of pointsSeen(line, step)) {
      d += `${command}${two(x)} ${two(y)}`;
      command = 'L';
    }
    if (closed) d += 'Z';
  }
  return d;
}
