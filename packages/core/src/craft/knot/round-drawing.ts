import type { CordStroke, Point } from '../../base/kind/primitive.js';
import type { Run } from '../../base/kind/run.js';
import { strokeOf } from './stroke.js';
import { turksHeadCurve, type TurksHead } from './turks-head.js';

const SAMPLES_PER_BIGHT = 40;
const LEVELS = 3;

/**
 * The front of a Turk's head about x = 0, its passes side by side, drawn from the inner turns to the
 * outer ones so that over and under can be seen.
 *
 * @param d diameter of the cord in mm
 * @param cylinder in cord diameters
 * @param cords by pass; the first for all when there are fewer
 */
export function turksHeadStrokes(
  knot: TurksHead,
  cylinder: number,
  d: number,
  cords: readonly Pick<Run, 'strand' | 'cord'>[],
  part: string,
  state: CordStroke['state'],
): CordStroke[] {
  const n = SAMPLES_PER_BIGHT * knot.bights;
  const base = cylinder / 2 + 1;
  const levels: Point[][][][] = Array.from({ length: LEVELS }, () =>
    Array.from({ length: knot.passes }, () => []),
  );
  for (let pass = 0; pass < knot.passes; pass++) {
    const shift = pass - (knot.passes - 1) / 2;
    let level = -1;
    for (let i = 0; i < n; i++) {
      const [t0, t1] = [(2 * Math.PI * i) / n, (2 * Math.PI * (i + 1)) / n];
      const [a, b] = [turksHeadCurve(knot, cylinder, t0), turksHeadCurve(knot, cylinder, t1)];
      if (a[2] <= 0 || b[2] <= 0) {
        level = -1;
        continue;
      }
      const out = Math.hypot(a[1], a[2]) - base;
      const now = out > 0.2 ? 2 : out < -0.2 ? 0 : 1;
      // The next pass lies beside the last, square to the way it runs.
      const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
      const long = Math.hypot(dx, dy) || 1;
      const aside = ([x, y]: readonly number[]): Point => [
        (x! - (shift * dy) / long) * d,
        (y! + (shift * dx) / long) * d,
      ];
      const lines = levels[now]![pass]!;
      if (now === level) lines.at(-1)!.push(aside(b));
      else lines.push([aside(a), aside(b)]);
      level = now;
    }
  }
  return levels.flatMap((passes, level) =>
    passes.flatMap((lines, pass) => {
      const cord = cords[pass] ?? cords[0];
      return lines.length > 0 && cord
        ? [strokeOf(cord, `${part}-head-${level}-${pass}`, part, lines, state, 'round')]
        : [];
    }),
  );
}
