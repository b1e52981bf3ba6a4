import { quickPlan } from '../cutting/first-fit.js';
import { asCut, asLot } from '../cutting/of-one-thing.js';
import { measure } from '../cutting/stock-problem.js';
import { coverNeed, type Covering, type Pack } from './packs.js';

/** What is sold in such lengths, by the metre, yard or inch, is cut off the spool in one piece. In mm. */
export const BY_LENGTH = 1000;

/** More packs than that are not carried home. */
const MAX_TRIES = 200;

/**
 * Whole packs of cord that some cuts can be made from: cheap ones, and so many that every cut comes out of one
 * piece. Length enough in all is not always enough: two cuts of 5 m take two skeins of 8 m.
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
  const sold = packs.filter(({ size }) => size <= BY_LENGTH || size >= longest);
  const wanted = cuts.reduce((sum, length) => sum + length, 0);
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
