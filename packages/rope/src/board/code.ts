import type { Board } from '../base/own-knot.js';
import { memoize } from '../base/memoize.js';

import { crossings, inMirror } from './board.js';

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

/** A pair of crossings that follow each other on a cord, in the order in which they do. */
const following = (cords: readonly (readonly Visit[])[]): (readonly [Visit, Visit])[] =>
  cords.flatMap((visits) =>
    visits.slice(0, -1).map((visit, i): readonly [Visit, Visit] => [visit, visits[i + 1]!]),
  );

/** Crossings that a cord could be pulled out of at once; null where there are none. */
function idle(cords: readonly (readonly Visit[])[]): readonly number[] | null {
  const pairs = following(cords);
  // A cord that only curls: it crosses itself, and nothing lies between.
  const curl = pairs.find(([a, b]) => a.crossing === b.crossing);
  if (curl) return [curl[0].crossing];
  // A cord that lies over another and comes back, with nothing between: it slides off.
  for (const [a, b] of pairs) {
    if (!a.over || !b.over || a.side === b.side) continue;
    const below = pairs.find(
      ([p, q]) =>
        !p.over &&
        !q.over &&
        ((p.crossing === a.crossing && q.crossing === b.crossing) ||
          (p.crossing === b.crossing && q.crossing === a.crossing)),
    );
    if (below) return [a.crossing, b.crossing];
  }
  return null;
}

/** The visits without those crossings that come and go as cords are moved about (the first two of Reidemeister’s moves). */
function plain(cords: readonly (readonly Visit[])[]): readonly (readonly Visit[])[] {
  const gone = idle(cords);
  if (!gone) return cords;
  return plain(cords.map((visits) => visits.filter(({ crossing }) => !gone.includes(crossing))));
}

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
 * same crossings have the same code however they lie. Crossings that a cord could be pulled out of at once do not count.
 *
 * @returns empty for cords that do not cross
 */
export function crossingCode(board: Board): string {
  const visits = plain(visitsOf(board));
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
  const one = codeOf(b);
  if (codeOf(a) === one) return 'same';
  return mirroredCodeOf(a) === one ? 'mirrored' : null;
}

// Worked out once for each board: of four cords a code takes some milliseconds.
const codeOf = memoize((board: Board) => crossingCode(board));
const mirroredCodeOf = memoize((board: Board) => crossingCode(inMirror(board)));
