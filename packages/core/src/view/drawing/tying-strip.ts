import { directionAt, type TyingLayout } from '@coiled-strand/rope';
import type { Bounds, Point3 } from '../../base/kind/primitive.js';
import type { Stretch } from '../../craft/knot/by-depth.js';
import type { TiedCord } from './tied-cords.js';

/** From one crossing to the next, how far what is crossed is seen to both sides, and the least width, in diameters. */
const STEP = 3.6;
const ASIDE = 3;
const LEAST = 24;
/** Height of a cord over or under another, and room above and below, in diameters. */
const APART = 0.8;
const ROOM = 1.2;
/** Left free beyond its end, for the tip of an arrow. */
const TIP = 3;
/** The flattest that a cord is drawn across another, in radians. */
const FLATTEST = 0.9;

/** A way of one go laid straight, in mm, and what it takes up. */
export interface TyingStrip {
  readonly stretches: readonly Stretch[];
  readonly bounds: Bounds;
}

/**
 * The way of one go laid straight from left to right, with all that it passes across it: each slants the way it does in
 * the knot, and lies over or under. Where a whole knot is too large to see its crossings, these are seen.
 *
 * @param shown by strand of the tying
 * @param d diameter of the cord in mm
 */
export function stripOf(
  { board, crossings, goes }: TyingLayout,
  shown: readonly TiedCord[],
  go: number,
  d: number,
): TyingStrip {
  const { move } = goes[go]!;
  const own = crossings.filter((one) => one.go === go);
  const width = Math.max(LEAST, (own.length + 1) * STEP);
  const step = (width - TIP) / (own.length + 1);
  const inMm = (line: readonly Point3[]): Point3[] =>
    line.map(([x, y, z]): Point3 => [x * d, -y * d, z * d]);
  const heightOf = (over: boolean): number => (over ? APART : -APART);
  const way: Point3[] = [
    [0, 0, 0],
    ...own.map(({ lateOver }, i): Point3 => [(i + 1) * step, 0, heightOf(lateOver)]),
    // Straight at its end, and room for the tip of an arrow.
    [width - TIP - step / 2, 0, 0],
    [width - TIP, 0, 0],
  ];
  const passed = own.map(({ early, late, lateOver }, i): Stretch => {
    const turn =
      directionAt(board.cords[early.cord]!, early.along) -
      directionAt(board.cords[late.cord]!, late.along);
    const half = ((turn % Math.PI) + Math.PI) % Math.PI;
    const across = Math.min(Math.PI - FLATTEST, Math.max(FLATTEST, half));
    const by = ASIDE / Math.tan(across);
    const x = (i + 1) * step;
    const z = heightOf(!lateOver);
    return {
      run: shown[early.cord]!,
      state: 'laid',
      line: inMm([
        [x - by, -ASIDE, z],
        [x + by, ASIDE, z],
      ]),
    };
  });
  const high = ASIDE + ROOM;
  return {
    stretches: [...passed, { run: shown[move.strand]!, state: 'moving', line: inMm(way) }],
    bounds: { x: 0, y: -high * d, width: width * d, height: 2 * high * d },
  };
}
