import {
  BOARD_LIMITS,
  polylineLength,
  smoothLine,
  thinned,
  type Board,
  type Point,
} from '@coiled-strand/core';

/** A drawn line may be this far off where points are left out, in diameters; more where it has too many. */
const OFF = 0.05;
const COARSER = 1.6;
/** A hand is followed by steps this long, in diameters, and its line smoothed with so many points for each. */
const STEP = 1.2;
const FINE = 6;
/** A line shorter than this is a slip of the hand, in diameters. */
const SLIP = 2;

/**
 * A line as a finger drew it, as a cord: with no more points than it takes.
 *
 * @returns null for one that is too short to be a cord
 */
export function cordFrom(line: readonly Point[]): Point[] | null {
  if (line.length < 2) return null;
  const steps = Math.round(polylineLength(line) / STEP);
  if (steps * STEP < SLIP) return null;
  // Corners are not what cord does.
  const flat = smoothLine(walked(line, steps), FINE).map(([x, y]) => [x, y, 0] as const);
  let off = OFF;
  let cord = thinned(flat, off);
  while (cord.length > BOARD_LIMITS.points) {
    off *= COARSER;
    cord = thinned(flat, off);
  }
  return cord.map(([x, y]): Point => [round(x), round(y)]);
}

/** Points at equal steps along a line, both its ends among them. */
function walked(line: readonly Point[], steps: number): Point[] {
  const step = polylineLength(line) / steps;
  const out: Point[] = [line[0]!];
  let gone = 0;
  line.slice(1).forEach(([x, y], i) => {
    const [px, py] = line[i]!;
    const edge = Math.hypot(x - px, y - py);
    while (out.length < steps && out.length * step <= gone + edge) {
      const t = (out.length * step - gone) / edge;
      out.push([px + t * (x - px), py + t * (y - py)]);
    }
    gone += edge;
  });
  return [...out, line.at(-1)!];
}

const round = (value: number): number => Math.round(value * 100) / 100;

/** Room on a board about the middle, in diameters, when nothing is drawn yet. */
const MIN_ROOM = { width: 32, height: 20 } as const;
const ROOM = 3;

/** What of the board is in sight: all that is drawn, and room to draw. y upwards. */
export function sightOf({ cords }: Board): {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
} {
  const all = cords.flat();
  const [xs, ys] = [all.map(([x]) => x), all.map(([, y]) => y)];
  const left = Math.min(-MIN_ROOM.width / 2, ...xs.map((x) => x - ROOM));
  const right = Math.max(MIN_ROOM.width / 2, ...xs.map((x) => x + ROOM));
  const low = Math.min(-MIN_ROOM.height / 2, ...ys.map((y) => y - ROOM));
  const high = Math.max(MIN_ROOM.height / 2, ...ys.map((y) => y + ROOM));
  return { x: left, y: low, width: right - left, height: high - low };
}
