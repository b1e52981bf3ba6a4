/**
 * Greatest common divisor of two whole numbers > 0, by Euclid.
 * @example gcd(12, 18) // 6
 */
export const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
