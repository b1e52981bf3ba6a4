/** Far more steps than any interval needs that is halved at every fourth. */
const MAX_STEPS = 400;

/**
 * Where a falling function crosses nought, between two places that it does so between: regula falsi that halves the
 * weight of an end that stays (Illinois; Dowell and Jarratt, BIT 11 (1971) 168, from memory). Of a function that is
 * nearly straight a few steps are enough; of any other that is continuous it is as sure as halving.
 *
 * @param falls > 0 at `low`, < 0 at `high`
 * @param tolerance how wide an interval is narrow enough, > 0
 * @example whereFalling((x) => 2 - x * x, 0, 2, 1e-12).toFixed(9) // '1.414213562'
 */
export function whereFalling(
  falls: (x: number) => number,
  low: number,
  high: number,
  tolerance: number,
): number {
  let [a, fa] = [low, falls(low)];
  let [b, fb] = [high, falls(high)];
  let stayed: 'a' | 'b' | null = null;
  for (let i = 1; b - a > tolerance && i < MAX_STEPS; i++) {
    // Where the function bends sharply the chord alone creeps.
    const chord = i % 4 === 0 ? (a + b) / 2 : (a * fb - b * fa) / (fb - fa);
    // Never nearer to an end than this: a chord that has arrived draws the other end up to it.
    const x = Math.min(Math.max(chord, a + tolerance / 2), b - tolerance / 2);
    const fx = falls(x);
    if (fx === 0) return x;
    if (fx > 0) {
      [a, fa] = [x, fx];
      if (stayed === 'b') fb /= 2;
      stayed = 'b';
    } else {
      [b, fb] = [x, fx];
      if (stayed === 'a') fa /= 2;
      stayed = 'a';
    }
  }
  return (a + b) / 2;
}
