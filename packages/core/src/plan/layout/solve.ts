/** A kind of bead as the solver sees it: what it takes of the way round, and how many there may be. */
export interface Candidate {
  /** Length it takes in mm, > 0. */
  readonly length: number;
  /** Fewest and most of it, whole numbers, 0 <= least <= most. */
  readonly least: number;
  readonly most: number;
}

export interface CountProblem {
  readonly candidates: readonly Candidate[];
  /** What lies between two neighbours, in mm. */
  readonly gap: number;
  /** Length in mm that the row is to have, gaps included. */
  readonly target: number;
  /** Whether the row must read alike from both ends: then at most one count is odd. */
  readonly symmetric: boolean;
}

export interface CountAnswer {
  /** How many of each candidate, in their order. */
  readonly counts: readonly number[];
  /** Length of that row minus the target, in mm. */
  readonly off: number;
}

/** Length of a row with these counts: its beads, and a gap between neighbours. */
export function rowLength(
  candidates: readonly Pick<Candidate, 'length'>[],
  gap: number,
  counts: readonly number[],
): number {
  const beads = counts.reduce((sum, n) => sum + n, 0);
  const strung = counts.reduce((sum, n, i) => sum + n * candidates[i]!.length, 0);
  return strung + Math.max(0, beads - 1) * gap;
}

/** How many prefixes are looked at between two reports of progress. */
const CHUNK = 4000;

/**
 * The rows whose lengths come nearest to the target, best first: every combination of counts but the
 * last is walked through, and the last is solved for, since lengths grow evenly with it. Exact: no
 * row that is better than the last one kept is left out.
 *
 * Yields the share of the search done, 0 to 1, so that a caller can show it and stop.
 *
 * @param keep how many answers, >= 1
 * @param enough in mm: as soon as so many answers as are kept are as near as this, the search is over; left
 *   out, it walks through all
 * @returns at most `keep` answers; empty when no row is allowed
 */
export function* bestCounts(
  { candidates, gap, target, symmetric }: CountProblem,
  keep: number,
  enough = Number.NEGATIVE_INFINITY,
): Generator<number, CountAnswer[]> {
  const last = candidates.length - 1;
  const best: CountAnswer[] = [];
  const worst = (): number =>
    best.length < keep ? Infinity : Math.abs(best[best.length - 1]!.off);
  const offer = (counts: readonly number[]): void => {
    if (counts.every((n) => n === 0)) return;
    const off = rowLength(candidates, gap, counts) - target;
    if (Math.abs(off) >= worst()) return;
    const at = best.findIndex((other) => Math.abs(other.off) > Math.abs(off));
    best.splice(at < 0 ? best.length : at, 0, { counts: [...counts], off });
    best.length = Math.min(best.length, keep);
  };
  const odd = (counts: readonly number[]): number => counts.filter((n) => n % 2 === 1).length;

  /** The counts of the last candidate that come nearest, given the others. */
  const solveLast = (counts: number[]): void => {
    const { length, least, most } = candidates[last]!;
    const others = odd(counts.slice(0, last));
    if (symmetric && others > 1) return;
    const step = symmetric && others === 1 ? 2 : 1;
    const low = step === 2 ? least + (least % 2) : least;
    if (low > most) return;
    counts[last] = 0;
    const rest = target - rowLength(candidates, gap, counts);
    const ideal = low + Math.round((rest / (length + gap) - low) / step) * step;
    const high = low + Math.floor((most - low) / step) * step;
    const middle = Math.min(high, Math.max(low, ideal));
    // Outwards from the nearest: off grows on both sides, so the first that is no better ends its side.
    for (const way of [1, -1]) {
      for (let n = way === 1 ? middle : middle - step; n >= low && n <= high; n += way * step) {
        counts[last] = n;
        // The gap before a first bead does not count; one step more makes up for it.
        const off = Math.abs(rowLength(candidates, gap, counts) - target);
        if (off >= worst() && Math.abs(n - ideal) > 2 * step) break;
        offer(counts);
      }
    }
  };

  if (last < 0) return [];
  let walked = 0;
  const walk = function* (
    i: number,
    counts: number[],
    share: number,
    from: number,
  ): Generator<number, void> {
    if (worst() <= enough) return;
    if (i === last) {
      solveLast(counts);
      walked += 1;
      if (walked % CHUNK === 0) yield Math.min(1, from);
      return;
    }
    const { length, least, most } = candidates[i]!;
    const before = rowLength(candidates, gap, [
      ...counts.slice(0, i),
      ...candidates.slice(i).map(() => 0),
    ]);
    // Longer by more than the worst answer kept is off by: no better answer lies further on.
    const reach = Math.ceil((target + worst() - before) / (length + gap));
    const top = Math.min(most, Number.isFinite(reach) ? reach : most);
    const width = Math.max(1, top - least + 1);
    for (let n = least; n <= Math.max(least, top); n++) {
      counts[i] = n;
      yield* walk(i + 1, counts, share / width, from + (share * (n - least)) / width);
    }
    counts[i] = 0;
  };
  yield* walk(
    0,
    candidates.map(() => 0),
    1,
    0,
  );
  return best;
}

/** Runs a search to its end. */
export function finish<T>(search: Generator<number, T>): T {
  for (;;) {
    const { done, value } = search.next();
    if (done) return value;
  }
}
