import { normalQuantile } from './normal-quantile.js';

/**
 * How much more than its median a knotted length may take, at a confidence. A hand's take-up is modelled
 * as nominal times a log-normal factor shared by the whole make (one hand, one tension), so the spread
 * does not average out over the knots:
 *
 *     factor = exp(z * spread),  z = normal quantile of the confidence
 *
 * @param confidence probability that the cord lasts, 0 < p < 1
 * @param spread standard deviation of the factor's logarithm, >= 0
 * @returns factor >= 1 for confidence >= 0.5
 * @example reserveFactor(0.95, 0.11) // 1.198
 */
export const reserveFactor = (confidence: number, spread: number): number =>
  Math.exp(normalQuantile(confidence) * spread);

/** Mean of the log-normal take-up factor whose median is 1: exp(spread^2 / 2). */
export const meanFactor = (spread: number): number => Math.exp((spread * spread) / 2);
