/** An amount in whole cents of the workshop's currency. */
export type Cents = number;

/** Products of decimals are off by less than this, in cents: 90 times 0.35 is 31.499999999999996. */
const ROUNDED = 1e-6;

/**
 * The nearest whole number of cents; halves are rounded away from nought, as receipts do.
 * @example wholeCents(90 * 0.35) // 32
 */
export const wholeCents = (amount: number): Cents =>
  Math.sign(amount) * Math.round(Math.abs(amount) + ROUNDED) || 0;

/**
 * Cents of a price that is written with decimals, in whole ones.
 * @example cents(0.35) // 35
 */
export const cents = (price: number): Cents => wholeCents(price * 100);

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
