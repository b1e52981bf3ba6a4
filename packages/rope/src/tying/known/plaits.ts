import type { Point } from '../../base/point.js';

import type { Lead, Tying, TyingStrand } from '../tying.js';
import { ORDINALS } from '../ordinals.js';

/** From strand to strand side by side, in diameters. */
const ACROSS = 4.4;

/** One strand is led from its place to another, and those that it passes move up. Places count from the left, from 0. */
interface Crossing {
  readonly from: number;
  readonly to: number;
  /** How far it goes before it comes back to its new place; no further than that when left out. */
  readonly beyond?: number;
  readonly passes: string;
}

/** A plait as it goes on: its crossings by turns, and how much of its length in diameters each takes. */
interface Plait {
  /** The knot of the catalogue that it is, and how many crossings a cell of that is. */
  readonly cell: string;
  readonly each: number;
  readonly strands: 3 | 4;
  readonly crossings: readonly Crossing[];
  readonly high: number;
}

const PLAITS = {
  /** The outer strand over the middle one, from both sides by turns. */
  three: {
    cell: 'plait.three.1.5',
    each: 1,
    strands: 3,
    crossings: [
      { from: 0, to: 1, passes: 'o' },
      { from: 2, to: 1, passes: 'o' },
    ],
    high: 4.4,
  },
  /** The left one over its neighbour, the right one under its own, then the left of the middle two under the right. */
  'four-flat': {
    cell: 'plait.four-flat.1.5',
    each: 3,
    strands: 4,
    crossings: [
      { from: 0, to: 1, passes: 'o' },
      { from: 3, to: 2, passes: 'u' },
      { from: 1, to: 2, passes: 'u' },
    ],
    high: 4.4,
  },
  /** The outer one behind two and forward again over one of them, from both sides by turns. */
  'four-round': {
    cell: 'plait.four-round.2',
    each: 1,
    strands: 4,
    crossings: [
      { from: 0, to: 1, beyond: 2, passes: 'uuo' },
      { from: 3, to: 2, beyond: 1, passes: 'uuo' },
    ],
    high: 9,
  },
} as const satisfies Readonly<Record<string, Plait>>;

/**
 * A plait of so many crossings. Each move lays its strand as far down as it hangs until it is led again, so that
 * strands that are passed lie where they will be found.
 *
 * @param called what a strand is called: a bundle of several is led like one
 */
function plait(
  id: string,
  name: string,
  { cell, each, strands, crossings, high }: Plait,
  count: number,
  called: 'strand' | 'bundle',
): Tying {
  const at = (place: number): number => (place - (strands - 1) / 2) * ACROSS;
  const top = (row: number): number => -high * row;
  /** What lies where before each crossing, and after the last. */
  const orders = [Array.from({ length: strands }, (_, i) => i)];
  for (let row = 0; row < count; row++) {
    const { from, to } = crossings[row % crossings.length]!;
    const order = [...orders[row]!];
    order.splice(to, 0, ...order.splice(from, 1));
    orders.push(order);
  }
  const ledAt = (row: number): number => orders[row]![crossings[row % crossings.length]!.from]!;
  const hanging = (strand: number, row: number): Point[] => [
    [at(orders[row]!.indexOf(strand)), top(row) - 0.2 * high],
    [at(orders[row + 1]!.indexOf(strand)), top(row) - 0.8 * high],
  ];
  /** On from a row, to where it is led next. */
  const down = (strand: number, from: number): Point[] => {
    const ways: Point[] = [];
    for (let row = from; row < count && ledAt(row) !== strand; row++)
      ways.push(...hanging(strand, row));
    return ways;
  };
  const led = ({ from, to, beyond }: Crossing, row: number): Point[] => {
    const y = top(row);
    const way = to > from ? 1 : -1;
    if (beyond === undefined) {
      return [
        [at(from), y - 0.2 * high],
        [(at(from) + at(to)) / 2, y - 0.47 * high],
        [at(to), y - 0.8 * high],
      ];
    }
    const far = at(beyond) + (way * ACROSS) / 2;
    return [
      [at(from), y - 0.08 * high],
      [(at(from) + at(to)) / 2, y - 0.24 * high],
      [at(beyond) - way, y - 0.38 * high],
      [far, y - 0.52 * high],
      [at(beyond) - way, y - 0.68 * high],
      [at(to), y - 0.86 * high],
    ];
  };
  return {
    id,
    name,
    cell,
    cells: count / each,
    strands: Array.from({ length: strands }, (_, i): TyingStrand => {
      const lies = down(i, 0);
      return {
        kind: 'cord',
        name: `${ORDINALS[i]!} ${called}`,
        end: `${ORDINALS[i]!} ${called}`,
        heading: 'down',
        way: [[at(i), 6], ...(lies.length > 0 ? lies : [[at(i), 1.5] as const])],
      };
    }),
    moves: Array.from({ length: count }, (_, row): Lead => {
      const crossing = crossings[row % crossings.length]!;
      const strand = ledAt(row);
      return {
        strand,
        way: [...led(crossing, row), ...down(strand, row + 1)],
        passes: crossing.passes,
        hangs: true,
      };
    }),
    drawUp: [
      `Draw each ${called} out to its side as far as the last, so that the plait stays even.`,
    ],
  };
}

export const PLAIT_TYINGS: readonly Tying[] = (['strand', 'bundle'] as const).flatMap((called) => {
  const of = called === 'bundle' ? '.bundles' : '';
  const words = called === 'bundle' ? ' bundles' : '';
  return [
    plait(`plait.three${of}`, `Plait of three${words}`, PLAITS.three, 6, called),
    plait(`plait.four-flat${of}`, `Flat plait of four${words}`, PLAITS['four-flat'], 6, called),
    plait(`plait.four-round${of}`, `Round plait of four${words}`, PLAITS['four-round'], 4, called),
  ];
});
