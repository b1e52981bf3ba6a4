import { crossings, inMirror, type Board } from './board.js';

/** A passage of a crossing as a cord comes to it. */
interface Visit {
  readonly crossing: number;
  readonly over: boolean;
  /** Which way the other cord goes across: 1 from the right to the left, -1 the other way. */
  readonly side: 1 | -1;
  /** The cord that goes across. */
  readonly other: number;
}

const visitsOf = (board: Board): Visit[][] => {
  const all = crossings(board);
  return board.cords.map((_, cord) =>
    all
      .flatMap(({ early, late, earlyOver, side }, crossing) => [
        { passage: early, crossing, over: earlyOver, side, other: late.cord },
        { passage: late, crossing, over: !earlyOver, side: -side as 1 | -1, other: early.cord },
      ])
      .filter(({ passage }) => passage.cord === cord)
      .sort((a, b) => a.passage.along - b.passage.along)
      .map(({ crossing, over, side, other }) => ({ crossing, over, side, other })),
  );
};

/** Numbers crossings as they are come to: the same for every way of drawing the same. */
function write(cords: readonly (readonly Visit[])[], mirrored: boolean): string {
  const numbers = new Map<number, number>();
  return cords
    .map((visits) =>
      visits
        .map(({ crossing, over, side }) => {
          if (!numbers.has(crossing)) numbers.set(crossing, numbers.size + 1);
          const hand = mirrored ? -side : side;
          return `${numbers.get(crossing)}${over ? 'o' : 'u'}${hand > 0 ? '+' : '-'}`;
        })
        .join(' '),
    )
    .join(' | ');
}

const orders = (n: number): number[][] =>
  n === 0
    ? [[]]
    : orders(n - 1).flatMap((rest) =>
        Array.from({ length: n }, (_, i) => [...rest.slice(0, i), n - 1, ...rest.slice(i)]),
      );

/**
 * The crossing code of a knot: each cord in turn, every crossing by its number as it is first come to, whether the cord
 * lies over or under there, and to which side the other goes (an oriented Gauss code). Of all orders of the cords, and
 * of running each from either end, and seen from above or behind, the first by the alphabet is taken: two knots with the
 * same crossings have the same code however they lie.
 *
 * @returns empty for cords that do not cross
 */
export function crossingCode(board: Board): string {
  const visits = visitsOf(board);
  const n = visits.length;
  let first: string | null = null;
  for (const order of orders(n)) {
    for (let ends = 0; ends < 1 << n; ends++) {
      const turned = (cord: number): boolean => (ends & (1 << cord)) !== 0;
      const cords = order.map((cord) => {
        const run = turned(cord) ? [...visits[cord]!].reverse() : visits[cord]!;
        // Running one of both the other way turns the side; running both leaves it.
        return run.map((visit) => ({
          ...visit,
          side: turned(cord) === turned(visit.other) ? visit.side : (-visit.side as 1 | -1),
        }));
      });
      for (const behind of [false, true]) {
        // From behind, what was over is under, and what went to the left goes to the right.
        const seen = behind ? cords.map((run) => run.map((v) => ({ ...v, over: !v.over }))) : cords;
        const code = write(seen, behind);
        if (first === null || code < first) first = code;
      }
    }
  }
  return first ?? '';
}

/** Whether two knots have the same crossings; also where one is the other in the mirror. */
export function alike(a: Board, b: Board): 'same' | 'mirrored' | null {
  const [one, other] = [crossingCode(a), crossingCode(b)];
  if (one === other) return 'same';
  return one === crossingCode(inMirror(b)) ? 'mirrored' : null;
}
