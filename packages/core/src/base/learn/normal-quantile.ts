const horner = (coefficients: readonly number[], x: number): number =>
  coefficients.reduceRight((sum, c) => sum * x + c, 0);

// Rational approximations near the middle and in the tails, to about 1e-16.
const A = [
  3.3871328727963665, 133.14166789178438, 1971.5909503065513, 13731.69376550946, 45921.95393154987,
  67265.7709270087, 33430.57558358813, 2509.0809287301227,
];
const B = [
  1, 42.31333070160091, 687.1870074920579, 5394.196021424751, 21213.794301586597, 39307.89580009271,
  28729.085735721943, 5226.495278852854,
];
const C = [
  1.4234371107496835, 4.630337846156546, 5.769497221460691, 3.6478483247632045, 1.2704582524523684,
  0.2417807251774506, 0.022723844989269184, 0.0007745450142783414,
];
const D = [
  1, 2.053191626637759, 1.6763848301838038, 0.6897673349851, 0.14810397642748008,
  0.015198666563616457, 0.0005475938084995345, 1.0507500716444169e-9,
];

/**
 * Quantile of the standard normal distribution.
 *
 * @param p probability, 1e-10 < p < 1 - 1e-10
 * @throws RangeError outside that range
 * Source: M. J. Wichura, algorithm AS 241, Applied Statistics 37 (1988); coefficients from memory,
 * checked in the tests against tabled quantiles.
 * @example normalQuantile(0.95) // 1.6448536
 */
export function normalQuantile(p: number): number {
  if (!(p > 1e-10 && p < 1 - 1e-10)) {
    throw new RangeError(`a probability strictly between 0 and 1 is needed, not ${p}`);
  }
  const q = p - 0.5;
  if (Math.abs(q) <= 0.425) {
    const r = 0.180625 - q * q;
    return (q * horner(A, r)) / horner(B, r);
  }
  const r = Math.sqrt(-Math.log(Math.min(p, 1 - p))) - 1.6;
  return (Math.sign(q) * horner(C, r)) / horner(D, r);
}
