/** How something is sold: so much at a time. */
export interface Pack {
  readonly id: string;
  /** mm of cord, pieces of anything else; above 0. */
  readonly size: number;
  /** In whole cents; 0 where it is not known. */
  readonly cents: number;
}

export interface Bought<P extends Pack = Pack> {
  readonly pack: P;
  readonly count: number;
}

export interface Covering<P extends Pack = Pack> {
  readonly packs: readonly Bought<P>[];
  readonly cents: number;
  /** What comes with the packs in all. */
  readonly size: number;
  /** What is more than was needed. */
  readonly over: number;
}

/** Sizes are compared to a tenth of a millimetre: an inch is 254 of them. */
const STEP = 0.1;
/** More steps than this are taken together, so that a mile of cord by the inch is found too. */
const MAX_STEPS = 400_000;

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));

/**
 * Whole packs that cover a need at least cost: the covering knapsack, by dynamic programming over what is covered.
 * Of equal cost least is left over, and of that fewest packs are taken.
 *
 * @param need above 0, in the unit of the sizes
 * @returns null where nothing is sold
 * Source: the recursion of Bellman (1957) for the unbounded knapsack, turned from packing to covering.
 * @example coverNeed(23, [{ id: 'a', size: 22, cents: 500 }, { id: 'b', size: 5, cents: 150 }])?.cents // 650
 */
export function coverNeed<P extends Pack>(need: number, packs: readonly P[]): Covering<P> | null {
  const sold = packs.filter(({ size }) => size > 0);
  if (sold.length === 0) return null;
  if (need <= 0) return { packs: [], cents: 0, size: 0, over: 0 };
  const steps = sold.map(({ size }) => Math.max(1, Math.floor(size / STEP + 1e-6)));
  let unit = steps.reduce(gcd);
  if (need / STEP / unit > MAX_STEPS) unit = Math.ceil(need / STEP / MAX_STEPS);
  // Rounded so that what is bought is never too little.
  const sizes = steps.map((size) => Math.max(1, Math.floor(size / unit)));
  const wanted = Math.ceil(need / STEP / unit - 1e-6);
  const least = new Float64Array(wanted + 1).fill(Infinity);
  const taken = new Float64Array(wanted + 1);
  const number = new Int32Array(wanted + 1);
  const last = new Int32Array(wanted + 1).fill(-1);
  least[0] = 0;
  for (let cover = 1; cover <= wanted; cover++) {
    for (let p = 0; p < sold.length; p++) {
      const before = Math.max(0, cover - sizes[p]!);
      const cents = least[before]! + sold[p]!.cents;
      const size = taken[before]! + steps[p]!;
      const count = number[before]! + 1;
      const less = cents - least[cover]! || size - taken[cover]! || count - number[cover]! || 0;
      if (last[cover] === -1 || less < 0) {
        least[cover] = cents;
        taken[cover] = size;
        number[cover] = count;
        last[cover] = p;
      }
    }
  }
  const counts = sold.map(() => 0);
  for (let cover = wanted; cover > 0; cover = Math.max(0, cover - sizes[last[cover]!]!)) {
    counts[last[cover]!]! += 1;
  }
  const bought = sold.flatMap((pack, p): Bought<P>[] =>
    counts[p]! > 0 ? [{ pack, count: counts[p]! }] : [],
  );
  const size = bought.reduce((sum, { pack, count }) => sum + pack.size * count, 0);
  return {
    packs: bought,
    cents: bought.reduce((sum, { pack, count }) => sum + pack.cents * count, 0),
    size,
    over: size - need,
  };
}
