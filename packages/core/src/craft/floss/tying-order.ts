import type { Simulation } from './simulate.js';

/**
 * The order in which hands tie the knots of a band: a strand that works is kept in the hand and ties
 * all it can before another is picked up. Every knot comes after the knots it hangs from, which are
 * the ones its two strands tied last.
 *
 * @returns indices of the knots in the order they are tied
 */
export function tyingOrder(sim: Simulation): Uint32Array {
  const { strands, count, worker, carried, row } = sim;
  // The knots of each strand in their order; the first not yet tied is the one it hangs over.
  const ofStrand: number[][] = Array.from({ length: strands }, () => []);
  for (let k = 0; k < count; k++) {
    ofStrand[worker[k]!]!.push(k);
    ofStrand[carried[k]!]!.push(k);
  }
  const next = new Uint32Array(strands);
  const order = new Uint32Array(count);
  const nextOf = (strand: number, ahead = 0): number | undefined =>
    ofStrand[strand]![next[strand]! + ahead];

  /** How many knots a strand can tie in a row now, and whether it is then carried or done. */
  const reach = (strand: number): { readonly knots: number; readonly whole: boolean } => {
    for (let n = 0; ; n++) {
      const k = nextOf(strand, n);
      if (k === undefined || worker[k] !== strand) return { knots: n, whole: true };
      if (nextOf(carried[k]!) !== k) return { knots: n, whole: false };
    }
  };

  for (let tied = 0; tied < count;) {
    let best = -1;
    let most = { knots: 0, whole: false };
    for (let s = 0; s < strands; s++) {
      const here = reach(s);
      if (here.knots === 0) continue;
      const sooner =
        best < 0 ||
        (here.whole !== most.whole
          ? here.whole
          : row[nextOf(s)!]! !== row[nextOf(best)!]!
            ? row[nextOf(s)!]! < row[nextOf(best)!]!
            : here.knots > most.knots);
      if (sooner) {
        best = s;
        most = here;
      }
    }
    for (let n = 0; n < most.knots; n++) {
      const k = nextOf(best)!;
      order[tied++] = k;
      next[best]!++;
      next[carried[k]!]!++;
    }
  }
  return order;
}
