/**
 * Probability that a standard normal lies below z.
 *
 * Continued fraction of the tail where it is thin (|z| >= 3), series about nought elsewhere; both to
 * about 1e-15. Source: Abramowitz and Stegun 26.2.10 and 26.2.14, from memory; checked against tabled
 * quantiles.
 *
 * @example normalCdf(1.6448536) // 0.95
 */
export function normalCdf(z: number): number {
  if (Number.isNaN(z)) return Number.NaN;
  const x = Math.abs(z);
  if (x > 38) return z > 0 ? 1 : 0;
  const density = Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI);
  if (x < 3) {
    // 1/2 + density (x + x^3/3 + x^5/(3*5) + ...)
    let term = x;
    let sum = x;
    for (let k = 3; term > 1e-17 * sum; k += 2) {
      term *= (x * x) / k;
      sum += term;
    }
    const half = density * sum;
    return z > 0 ? 0.5 + half : 0.5 - half;
  }
  // density / (x + 1/(x + 2/(x + 3/(x + ...)))), from the inside out.
  let fraction = x;
  for (let k = 60; k >= 1; k--) fraction = x + k / fraction;
  const tail = density / fraction;
  return z > 0 ? 1 - tail : tail;
}
