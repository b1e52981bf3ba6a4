import { leftWorks, swaps, type Crossing } from './crossing.js';
import { gcd } from '../../base/measure/gcd.js';
import { crossingOf, firstPlace, placeStep, type FlossPattern } from './pattern.js';

/** A knot of a band. */
export interface FlossKnot {
  readonly row: number;
  /** Strands to the left of its left strand. */
  readonly place: number;
  readonly crossing: Crossing;
  /** The strand that ties it, and the one that it is tied over. */
  readonly worker: number;
  readonly carried: number;
}

/**
 * A band worked out knot by knot. Strands are called by the place where they start, from 0 at the
 * left edge.
 */
export interface Simulation {
  readonly strands: number;
  readonly rows: number;
  /** In the order of the rows, from the left edge; a leader's in the order it ties them. */
  readonly knots: readonly FlossKnot[];
  /** Strand at each place before row r, at r * strands + place; one more row for the end. */
  readonly order: Uint8Array;
  /** Knots each strand ties, and is carried through. */
  readonly worksIn: Uint32Array;
  readonly carriedIn: Uint32Array;
  /** Rows that each strand passes without a knot. */
  readonly bareIn: Uint32Array;
  /** Loops that stand out at the left and the right edge, where a strand turns back. */
  readonly edgeLoops: { readonly left: number; readonly right: number };
}

/**
 * Works a pattern out.
 *
 * @param pattern without faults (see patternFaults) for this number of strands
 * @param repeats how many times it is worked, >= 1; a fraction ends in the middle of it
 * @example simulate({ lay: 'crossing', rows: ['>', '>'] }, 3).knots.length // 2
 */
export function simulate(pattern: FlossPattern, strands: number, repeats = 1): Simulation {
  const { lay, rows: repeat } = pattern;
  const rows = Math.max(0, Math.round(repeat.length * repeats));
  const knots: FlossKnot[] = [];
  const order = new Uint8Array((rows + 1) * strands);
  const worksIn = new Uint32Array(strands);
  const carriedIn = new Uint32Array(strands);
  const bareIn = new Uint32Array(strands);
  const edgeLoops = { left: 0, right: 0 };
  const at = Uint8Array.from({ length: strands }, (_, i) => i);
  /** The last row with a knot at each edge. */
  const last = { left: -9, right: -9 };
  const step = placeStep(lay);

  for (let r = 0; r < rows; r++) {
    order.set(at, r * strands);
    const signs = repeat[r % repeat.length]!;
    const first = firstPlace(lay, r);
    const back = lay === 'leader' && r % 2 === 1;
    const knotted = new Uint8Array(strands);
    for (let i = 0; i < signs.length; i++) {
      const k = back ? signs.length - 1 - i : i;
      const p = first + k * step;
      const kind = crossingOf(lay, r, signs[k]!);
      if (kind === '.') continue;
      const [left, right] = [at[p]!, at[p + 1]!];
      const [works, goes] = leftWorks(kind) ? [left, right] : [right, left];
      knots.push({ row: r, place: p, crossing: kind, worker: works, carried: goes });
      worksIn[works]!++;
      carriedIn[goes]!++;
      knotted[p] = knotted[p + 1] = 1;
      if (swaps(kind)) {
        at[p] = right;
        at[p + 1] = left;
      }
    }
    for (let p = 0; p < strands; p++) if (!knotted[p]) bareIn[at[p]!]!++;
    if (lay === 'leader') {
      if (r > 0) edgeLoops[back ? 'right' : 'left']++;
      continue;
    }
    for (const [edge, p] of [
      ['left', 0],
      ['right', strands - 1],
    ] as const) {
      if (!knotted[p]) continue;
      // At an edge only every other row has a place for a knot; between two of them the strand turns.
      if (last[edge] === r - 2) edgeLoops[edge]++;
      last[edge] = r;
    }
  }
  order.set(at, rows * strands);
  return {
    strands,
    rows,
    knots,
    order,
    worksIn,
    carriedIn,
    bareIn,
    edgeLoops,
  };
}

/** Strand at each place after a number of rows. */
export const orderAfter = ({ order, strands }: Simulation, rows: number): Uint8Array =>
  order.subarray(rows * strands, (rows + 1) * strands);

/**
 * After how many repeats every strand is back at its place: the least common multiple of the cycles
 * of the change that one repeat makes. 1 for a pattern that returns to its order.
 *
 * @example repeatsToReturn(Uint8Array.of(1, 0, 2)) // 2
 */
export function repeatsToReturn(order: ArrayLike<number>): number {
  const seen = new Set<number>();
  let all = 1;
  for (let i = 0; i < order.length; i++) {
    let length = 0;
    for (let p = i; !seen.has(p); p = order[p]!) {
      seen.add(p);
      length++;
    }
    if (length > 0) all = (all * length) / gcd(all, length);
  }
  return all;
}

/** The place of a strand before every row, and after the last: its path through the band. */
export function pathOf(sim: Simulation, strand: number): number[] {
  const path: number[] = [];
  for (let r = 0; r <= sim.rows; r++) path.push(orderAfter(sim, r).indexOf(strand));
  return path;
}
