/** So many swatches tell how even a hand is; fewer tell only where it lies. */
export const MIN_SWATCHES = 3;

/** How far one swatch of a hand lies from the next. */
export interface Evenness {
  readonly count: number;
  /** Mean of what was measured over what the model says. */
  readonly mean: number;
  /** Standard deviation from swatch to swatch, as a share. */
  readonly spread: number;
  /** In words: as even as a cut list can use, as most hands are after some practice, or not yet. */
  readonly grade: 'even' | 'fair' | 'uneven';
}

/** Spreads up to which a hand is called even, and fair. Assumed: below the first, measuring with a ruler says no more. */
const EVEN = 0.02;
const FAIR = 0.05;

/**
 * How even a hand is, from swatches of one technique in one kind of cord: the sample standard deviation of the
 * logarithms of their ratios, which for small spreads is the share by which they differ,
 * sqrt(sum (ln r - mean ln r)^2 / (n - 1)).
 *
 * @param ratios measured / model, each > 0
 * @returns null for fewer than {@link MIN_SWATCHES}
 * @example evenness([1.04, 1.04, 1.04]) // { count: 3, mean: 1.04, spread: 0, grade: 'even' }
 */
export function evenness(ratios: readonly number[]): Evenness | null {
  const count = ratios.length;
  if (count < MIN_SWATCHES) return null;
  const logs = ratios.map(Math.log);
  const centre = logs.reduce((sum, log) => sum + log, 0) / count;
  const spread = Math.sqrt(logs.reduce((sum, log) => sum + (log - centre) ** 2, 0) / (count - 1));
  return {
    count,
    mean: Math.exp(centre),
    spread,
    grade: spread <= EVEN ? 'even' : spread <= FAIR ? 'fair' : 'uneven',
  };
}
