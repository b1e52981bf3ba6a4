/** What is gained at most by filling a length exactly, for every length at once. */
export interface Filling {
  /** By length from 0 to the capacity: the most that is gained; -Infinity where nothing fills it exactly. */
  readonly gain: Float64Array;
  /** How many of each are taken to fill a length. @throws RangeError where nothing does */
  take(length: number): number[];
}

/**
 * The bounded knapsack, solved by dynamic programming for every capacity at once: what may be taken often is taken
 * apart into bundles of 1, 2, 4, ... so that each bundle is taken once or not.
 *
 * @param lengths whole numbers > 0
 * @param counts how many of each there are
 * @param gains of one of each
 * @param capacity a whole number >= 0; time and memory grow with it times the number of bundles
 * Source: Bellman (1957); bundles as in Martello and Toth, Knapsack Problems (1990), section 3.2, from memory.
 * @example fillExactly([3, 5], [2, 1], [3, 5], 8).take(8) // [1, 1]
 */
export function fillExactly(
  lengths: readonly number[],
  counts: readonly number[],
  gains: readonly number[],
  capacity: number,
): Filling {
  const bundles: { item: number; times: number; length: number }[] = [];
  lengths.forEach((length, item) => {
    let left = Math.min(counts[item]!, Math.floor(capacity / length));
    for (let times = 1; left > 0; times *= 2) {
      const taken = Math.min(times, left);
      bundles.push({ item, times: taken, length: taken * length });
      left -= taken;
    }
  });
  const gain = new Float64Array(capacity + 1).fill(-Infinity);
  gain[0] = 0;
  const taken = bundles.map(({ item, times, length }) => {
    const more = times * gains[item]!;
    const chosen = new Uint8Array(capacity + 1);
    for (let c = capacity; c >= length; c--) {
      const with_ = gain[c - length]! + more;
      if (with_ > gain[c]!) {
        gain[c] = with_;
        chosen[c] = 1;
      }
    }
    return chosen;
  });
  return {
    gain,
    take(length) {
      if (!(gain[length]! > -Infinity)) throw new RangeError(`nothing fills ${length} exactly`);
      const take = lengths.map(() => 0);
      let left = length;
      for (let b = bundles.length - 1; b >= 0; b--) {
        const bundle = bundles[b]!;
        if (taken[b]![left] === 0) continue;
        take[bundle.item]! += bundle.times;
        left -= bundle.length;
      }
      return take;
    },
  };
}
