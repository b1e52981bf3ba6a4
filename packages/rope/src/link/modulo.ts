/**
 * A prime that two numbers below it can be multiplied under without losing a digit: the largest below 2^26, so that
 * products stay below 2^52.
 */
export const PRIME = 67_108_859;

/** @example times(PRIME - 1, PRIME - 1) // 1 */
export const times = (a: number, b: number): number => (a * b) % PRIME;

/** @example plus(PRIME - 1, 3) // 2 */
export const plus = (a: number, b: number): number => (a + b) % PRIME;

/** @example minus(3) // PRIME - 3 */
export const minus = (a: number): number => (PRIME - a) % PRIME;

/**
 * A power modulo the prime, by repeated squaring; of a negative exponent by Fermat's little theorem.
 *
 * @param exponent a whole number
 * @example power(3, -1) // its inverse: 3 times it is 1
 */
export function power(base: number, exponent: number): number {
  let left = ((exponent % (PRIME - 1)) + PRIME - 1) % (PRIME - 1);
  let square = base % PRIME;
  let result = 1;
  for (; left > 0; left = Math.floor(left / 2)) {
    if (left % 2 === 1) result = times(result, square);
    square = times(square, square);
  }
  return result;
}
