import { asCut, asLot } from '../cutting/of-one-thing.js';
import { coverNeed, type Covering, type Pack } from './packs.js';

/** What is sold in such lengths, by the metre, yard or inch, is cut off the spool in one piece. In mm. */
export const BY_LENGTH = 1000;

export const sumOf = (all: readonly number[]): number => all.reduce((sum, one) => sum + one, 0);

/** What is bought for a set of cuts: what it costs, and its size and number of packs where that is alike. */
interface Least {
  readonly cents: number;
  readonly size: number;
  readonly count: number;
}
const NOTHING: Least = { cents: 0, size: 0, count: 0 };
const plus = (a: Least, b: Least): Least => ({
  cents: a.cents + b.cents,
  size: a.size + b.size,
  count: a.count + b.count,
});
const isLess = (a: Least, b: Least | undefined): boolean =>
  b === undefined || (a.cents - b.cents || a.size - b.size || a.count - b.count) < 0;

/**
 * All ways to share cuts out among packs, by dynamic programming over sets of cuts: the cheapest for a set is that for
 * the rest of it, and one pack for what goes with its first cut.
 *
 * Source: the recursion for set partitioning over subsets (R. Bellman, Dynamic programming treatment of the travelling
 * salesman problem, Journal of the ACM 9, 1962, uses the same sets).
 */
export function cheapest<P extends Pack>(
  cuts: readonly number[],
  sold: readonly P[],
): Covering<P> | null {
  const all = 2 ** cuts.length;
  const lengths = cuts.map(asCut);
  const taken = new Float64Array(all);
  for (let set = 1; set < all; set++) {
    const first = 31 - Math.clz32(set & -set);
    taken[set] = taken[set & (set - 1)]! + lengths[first]!;
  }
  const whole = sold
    .filter(({ size }) => size > BY_LENGTH)
    .map((pack) => ({ pack, size: asLot(pack.size), least: { ...pack, count: 1 } }))
    .sort((a, b) => a.least.cents - b.least.cents || a.size - b.size);
  const packFor = (set: number) => whole.find(({ size }) => size >= taken[set]!);
  // Whole numbers side by side: at twelve cuts the loop below runs half a million times.
  const choice = Int16Array.from({ length: all }, (_, set) =>
    whole.findIndex(({ size }) => size >= taken[set]!),
  );
  const [cents, sizes, counts] = [
    new Float64Array(all).fill(Infinity),
    new Float64Array(all),
    new Int32Array(all),
  ];
  const part = new Int32Array(all);
  cents[0] = 0;
  for (let set = 1; set < all; set++) {
    const first = set & -set;
    const rest = set ^ first;
    for (let more = rest; ; more = (more - 1) & rest) {
      const one = whole[choice[first | more]!]?.least;
      if (one) {
        const before = rest ^ more;
        const sum = cents[before]! + one.cents;
        const size = sizes[before]! + one.size;
        const count = counts[before]! + 1;
        const less = sum - cents[set]! || size - sizes[set]! || count - counts[set]!;
        if (sum < Infinity && less < 0) {
          cents[set] = sum;
          sizes[set] = size;
          counts[set] = count;
          part[set] = first | more;
        }
      }
      if (more === 0) break;
    }
  }
  const best = (set: number): Least | undefined =>
    cents[set]! < Infinity
      ? { cents: cents[set]!, size: sizes[set]!, count: counts[set]! }
      : undefined;
  // What is sold by length is cut off in one piece for all that it is taken for.
  const byLength = sold.filter(({ size }) => size <= BY_LENGTH);
  const lengthOf = (set: number): number => sumOf(cuts.filter((_, i) => (set & (1 << i)) !== 0));
  const cut = (set: number): Least | undefined =>
    set === 0
      ? NOTHING
      : byLength
          .map(({ size, cents }) => {
            const count = Math.ceil(lengthOf(set) / size - 1e-9);
            return { cents: count * cents, size: count * size, count };
          })
          .reduce<Least | undefined>((least, one) => (isLess(one, least) ? one : least), undefined);
  let found: { readonly sum: Least; readonly packed: number } | null = null;
  for (let packed = 0; packed < all; packed++) {
    const [one, other] = [
      best(packed),
      byLength.length > 0 || packed === all - 1 ? cut(all - 1 - packed) : undefined,
    ];
    if (!one || !other) continue;
    const sum = plus(one, other);
    if (isLess(sum, found?.sum)) found = { sum, packed };
  }
  if (!found) return null;
  const bought = new Map<P, number>();
  for (let set = found.packed; set > 0; set ^= part[set]!) {
    const { pack } = packFor(part[set]!)!;
    bought.set(pack, (bought.get(pack) ?? 0) + 1);
  }
  const left = all - 1 - found.packed;
  for (const { pack, count } of left === 0 ? [] : coverNeed(lengthOf(left), byLength)!.packs) {
    bought.set(pack, (bought.get(pack) ?? 0) + count);
  }
  const list = sold.flatMap((pack) => {
    const count = bought.get(pack);
    return count === undefined ? [] : [{ pack, count }];
  });
  const size = sumOf(list.map(({ pack, count }) => pack.size * count));
  return {
    packs: list,
    cents: sumOf(list.map(({ pack, count }) => pack.cents * count)),
    size,
    over: size - sumOf(cuts),
  };
}
