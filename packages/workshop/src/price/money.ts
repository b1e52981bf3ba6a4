/** An amount in whole cents of the workshop's currency. */
export type Cents = number;

/**
 * Cents of a price that is written with decimals, in whole ones.
 * @example cents(0.35) // 35
 */
export const cents = (price: number): Cents => Math.round(price * 100 + Math.sign(price) * 1e-6);

/**
 * Whole cents for shares of an amount, so that they add up to it: each gets its floor, and what is left goes to
 * the largest remainders. Of equal ones the first has it.
 *
 * @param shares >= 0, not all 0
 * Source: the method of largest remainders (Hamilton, 1792).
 * @example shareOut(100, [1, 1, 1]) // [34, 33, 33]
 */
export function shareOut(total: Cents, shares: readonly number[]): Cents[] {
  const sum = shares.reduce((all, share) => all + share, 0);
  if (!(sum > 0)) throw new RangeError('nothing to share an amount by');
  const exact = shares.map((share) => (total * share) / sum);
  const whole = exact.map((value) => Math.floor(value + 1e-9));
  let left = total - whole.reduce((all, value) => all + value, 0);
  const byRemainder = exact
    .map((value, i) => ({ i, rest: value - whole[i]! }))
    .sort((a, b) => b.rest - a.rest || a.i - b.i);
  for (const { i } of byRemainder) {
    if (left <= 0) break;
    whole[i]! += 1;
    left -= 1;
  }
  return whole;
}
