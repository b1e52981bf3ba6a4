/** What was measured in several places of one thing. */
export interface Measured {
  readonly mean: number;
  /** Standard deviation of one place. */
  readonly spread: number;
}

/**
 * Mean and spread of what was measured in several places.
 *
 * @param values at least two
 * @example meanOf([3.9, 4, 4.1]).mean // 4
 * @example meanOf([3.9, 4, 4.1]).spread // 0.1
 */
export function meanOf(values: readonly number[]): Measured {
  if (values.length < 2) throw new RangeError('at least two places are needed');
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const squares = values.reduce((sum, value) => sum + (value - mean) ** 2, 0);
  return { mean, spread: Math.sqrt(squares / (values.length - 1)) };
}
