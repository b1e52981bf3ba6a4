import type { Board } from '../base/own-knot.js';
import type { Point3 } from '../base/point.js';

import { onBoard } from '../board/lift.js';
import { closedUp } from '../link/closing.js';
import type { TyingLayout } from './layout.js';

/** How far beyond a layout, below it and above it, cords are led that come up through its middle, in diameters. */
const OUT = 4;
const DEEP = 10;

/**
 * A cord that comes up in the middle and goes on upwards: led out under all that is there.
 *
 * @param far further out than all that is there
 */
export function upThrough(line: readonly Point3[], far: number): Point3[] {
  const [[x, y, z], [u, v, w]] = [line[0]!, line.at(-1)!];
  const by = far / Math.hypot(x, y);
  return [[x * by, y * by, z - DEEP], [x, y, z - DEEP], ...line, [u, v, w + DEEP]];
}

/**
 * The cords of a layout in space: both halves of a folded cord are one, from the end of the first to that of the
 * second.
 */
export function cordsInSpace({ tying, board }: TyingLayout): Point3[][] {
  const flat = onBoard(board);
  const far = OUT + Math.max(...flat.flat().map(([x, y]) => Math.hypot(x, y)));
  const lines = flat.map((line, strand) =>
    tying.strands[strand]!.heading === 'outwards' ? upThrough(line, far) : line,
  );
  return tying.strands.flatMap((_, strand): Point3[][] => {
    if (tying.strands[strand]!.foldOf !== undefined) return [];
    const half = tying.strands.findIndex(({ foldOf }) => foldOf === strand);
    return [half < 0 ? lines[strand]! : [...[...lines[strand]!].reverse(), ...lines[half]!]];
  });
}

/** Every cord closed into a ring, led back over all that is there: what the knot is known by. */
export const closedLayout = (layout: TyingLayout): Point3[][] => closedUp(cordsInSpace(layout));

/** The layout as a board, for the rope to draw tight: what runs through lies straight. */
export function asBoard({ tying, board }: TyingLayout): Board {
  const cores = tying.strands.flatMap(({ end }, strand) => (end === null ? [strand] : []));
  const cords = board.cords.map((line, strand) =>
    cores.includes(strand) ? [line[0]!, line.at(-1)!] : line,
  );
  return { ...board, cords, ...(cores.length > 0 && { cores }) };
}
