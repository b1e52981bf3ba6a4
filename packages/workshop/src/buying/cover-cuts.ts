import { quickPlan } from '../cutting/first-fit.js';
import { asCut, asLot } from '../cutting/of-one-thing.js';
import { measure } from '../cutting/stock-problem.js';
import { BY_LENGTH, cheapest, sumOf } from './cheapest-packs.js';
import { coverNeed, type Covering, type Pack } from './packs.js';

/** More packs than that are not carried home. */
const MAX_TRIES = 200;

/** Of so many cuts at the most every way to share them out among packs is looked at: half a million. */
const ALL_WAYS = 12;

/**
 * Whole packs of cord that some cuts can be made from at least cost, each cut out of one piece. Length enough in all is
 * not always enough: two cuts of 5 m take two skeins of 8 m. Of equal cost least is bought, and of that fewest packs. Of
 * more than twelve cuts the packs are cheap, and may not be the cheapest.
 *
 * @param cuts in mm
 * @returns null where nothing is sold that is long enough
 * @example coverCuts([5000, 5000], [{ id: 'skein', size: 8000, cents: 110 }])?.cents // 220
 */
export function coverCuts<P extends Pack>(
  cuts: readonly number[],
  packs: readonly P[],
): Covering<P> | null {
  if (cuts.length === 0) return coverNeed(0, packs);
  const longest = Math.max(...cuts);
  const sold = packs.filter(({ size }) => size <= BY_LENGTH || size >= Math.min(...cuts));
  if (cuts.length <= ALL_WAYS) return cheapest(cuts, sold);
  return longEnough(
    cuts,
    sold.filter(({ size }) => size <= BY_LENGTH || size >= longest),
  );
}

/** Ever more length, bought at least cost, until the cuts can be made from it. */
function longEnough<P extends Pack>(
  cuts: readonly number[],
  sold: readonly P[],
): Covering<P> | null {
  const wanted = sumOf(cuts);
  let need = wanted;
  for (let tries = 0; tries < MAX_TRIES; tries++) {
    const covering = coverNeed(need, sold);
    if (!covering) return null;
    if (canBeCut(cuts, covering)) return { ...covering, over: covering.size - wanted };
    need = covering.size + 1;
  }
  return null;
}

function canBeCut(cuts: readonly number[], { packs }: Covering): boolean {
  const inOne = packs
    .filter(({ pack }) => pack.size <= BY_LENGTH)
    .reduce((sum, { pack, count }) => sum + pack.size * count, 0);
  const bars = [
    { size: inOne, count: inOne > 0 ? 1 : 0 },
    ...packs
      .filter(({ pack }) => pack.size > BY_LENGTH)
      .map(({ pack, count }) => ({ size: pack.size, count })),
  ];
  const problem = {
    sizes: cuts.map((length) => ({ length: asCut(length), count: 1 })),
    bars: bars.map(({ size, count }) => ({ length: asLot(size), useful: 1, whole: true, count })),
  };
  return measure(problem, quickPlan(problem)).uncut === 0;
}
