import type { Point } from '../../base/point.js';

import { through, type Lead, type Tying, type TyingStrand } from '../tying.js';
import { ORDINALS } from '../ordinals.js';

/** Side of the work: 1 right of the core, -1 left of it. */
type Hand = 1 | -1;

/** From core to core, and from one half knot to the next, in diameters. */
const APART = 2.2;
const HIGH = 13;
const TOP = 8.6;
/** Where working cords hang beside the work. */
const OUT = 6.5;

const nameOf = (hand: Hand): string => (hand === -1 ? 'left cord' : 'right cord');

/**
 * A half knot: one cord is laid over the core, the other over that one, behind the core, up through the loop that the
 * first made and out over it.
 *
 * @param from the side on which the first cord hangs
 * @param y where the first cord crosses the core
 */
function halfKnot(
  first: number,
  second: number,
  from: Hand,
  half: number,
  y: number,
  cores: number,
): Lead[] {
  const edge = ((cores - 1) / 2) * APART;
  /** Seen from the side that the first cord hangs on. */
  const at = (x: number, dy: number): Point => [
    -from * (x < 0 ? x - edge : x > 0 ? x + edge : 0),
    y + dy,
  ];
  const word = half === 0 ? '' : `${ORDINALS[half - 1]!} `;
  return [
    {
      strand: first,
      way: [at(-5.6, 3.6), at(-4, 0.8), at(-2, 0), at(2, -0.4), at(6, -1), at(9.5, -1.6)],
      passes: 'o'.repeat(cores),
      makes: `${word}crossing strand`,
    },
    {
      strand: second,
      way: [at(6.6, 2.5), at(6.2, -2.5), at(5.4, -4.4)],
      passes: 'o',
    },
    {
      strand: second,
      way: [at(3, -5.4), at(-0.01, -5.4), at(-2.2, -4.2), at(-3, -1.6), at(-2.8, 1.6)],
      passes: `${'u'.repeat(cores)}u`,
    },
    {
      strand: second,
      way: [at(-4, 3.2), at(-6.4, 3), at(-8.4, 1.4), at(-9, -2)],
      passes: 'o',
    },
  ];
}

const cord = (hand: Hand, edge: number): TyingStrand => ({
  kind: 'cord',
  name: nameOf(hand),
  end: nameOf(hand),
  heading: 'down',
  way: [
    [hand * (OUT + edge), TOP],
    [hand * (OUT + edge), 6],
  ],
});

/**
 * Half knots one after the other, by the sides on which their first cords hang.
 *
 * @param cords strands of the cord that hangs on the left and of the one on the right
 * @param cores how many lie in the core
 */
export const halfKnotMoves = (
  cords: readonly [number, number],
  cores: number,
  sides: readonly Hand[],
): Lead[] =>
  sides.flatMap((from, i) => {
    // After each both cords have changed sides.
    const [left, right] = i % 2 === 0 ? cords : [cords[1], cords[0]];
    const [first, second] = from === -1 ? [left, right] : [right, left];
    return halfKnot(first, second, from, sides.length === 1 ? 0 : i + 1, 1 - HIGH * i, cores);
  });

/**
 * Half knots one after the other, by the sides on which their first cords hang.
 *
 * @param cores how many lie in the core, 1 to 4
 */
function knots(
  id: string,
  name: string,
  cores: number,
  sides: readonly Hand[],
  cell?: string,
  mirrored = false,
): Tying {
  const edge = ((cores - 1) / 2) * APART;
  const low = 4.6 - HIGH * sides.length;
  const names = ['core', 'second core', 'third core', 'fourth core'];
  const strands: TyingStrand[] = [
    ...Array.from({ length: cores }, (_, i) => {
      const x = i * APART - edge;
      return through('core', names[i]!, 'down', [x, TOP], [x, low]);
    }),
    cord(-1, edge),
    cord(1, edge),
  ];
  return {
    id,
    name,
    ...(cell === undefined ? {} : { cell, cells: sides.length }),
    ...(mirrored ? { mirrored: true } : {}),
    strands,
    moves: halfKnotMoves([cores, cores + 1], cores, sides),
    drawUp: ['Draw both cords out to the sides until the half knot lies snug against the work.'],
  };
}

const LEFT = 'Half knot, left cord first';
const RIGHT = 'Half knot, right cord first';

/** Half knots of two working cords round a core of one to four, and what two and three of them make. */
export const HALF_KNOT_TYINGS: readonly Tying[] = [
  ...[1, 2, 3, 4].flatMap((cores) => {
    // That of two cores is what the numbers are of.
    const [id, cell] = cores === 2 ? ['', 'sinnet.two-flat.free'] : [`.${cores}`, undefined];
    const left = `half-knot.left${id}`;
    return [
      knots(left, LEFT, cores, [-1], cell),
      {
        ...knots(`half-knot.right${id}`, RIGHT, cores, [1], cell, cell !== undefined),
        numbersOf: left,
      },
    ];
  }),
  knots('square-knot', 'Square knot', 2, [-1, 1], 'sinnet.two-flat.free'),
  knots('spiral', 'Spiral of half knots', 2, [-1, -1, -1]),
  knots('granny', 'Granny knot', 2, [-1, -1]),
];
