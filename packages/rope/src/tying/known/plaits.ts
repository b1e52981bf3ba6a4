import type { Point } from '../../base/point.js';

import type { Lead, Tying, TyingStrand } from '../tying.js';

const NAMES = ['first', 'second', 'third'] as const;
/** From crossing to crossing, in diameters. */
const DOWN = 3.4;

/** A plait of three: the outer strand is laid over the middle one, from both sides by turns. */
function three(crossings: number): Tying {
  const strand = (name: string, x: number): TyingStrand => ({
    kind: 'cord',
    name: `${name} strand`,
    end: `${name} strand`,
    heading: 'down',
    way: [
      [x, 9],
      [x, x === 0 ? -3.4 : x > 0 ? 0.4 : -3],
    ],
  });
  /** Who lies where, from left to right. */
  const order = [0, 1, 2];
  const moves = Array.from({ length: crossings }, (_, k): Lead => {
    const side = k % 2 === 0 ? 1 : -1;
    const outer = side === 1 ? order.pop()! : order.shift()!;
    order.splice(1, 0, outer);
    const y = -DOWN * k;
    const way: Point[] = [
      [side * 5.2, y - 0.4],
      [side * 3.4, y - 2.2],
      [0, y - 3.4 + 0.8],
      [-side * 2, y - 6.4 + 0.4],
      [-side * 2.4, y - 7.2],
    ];
    return { strand: outer, way, passes: 'o', hangs: true };
  });
  return {
    id: 'plait.three',
    name: 'Plait of three',
    strands: [strand(NAMES[0], -5.2), strand(NAMES[1], 0), strand(NAMES[2], 5.2)],
    moves,
    drawUp: ['Draw each strand out to its side as far as the last, so that the plait stays even.'],
  };
}

export const PLAIT_TYINGS: readonly Tying[] = [three(6)];
