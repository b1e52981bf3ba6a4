import { POINTS } from './bracket.js';
import { minus, plus, power, times } from './modulo.js';

/** A polynomial in the square root of t, by exponent in halves, at the points: t is A to the power of -4. */
export const at = (terms: readonly (readonly [halves: number, factor: number])[]): number[] =>
  POINTS.map((a) =>
    terms.reduce((sum, [halves, factor]) => {
      const term = times(power(a, -2 * halves), Math.abs(factor));
      return plus(sum, factor < 0 ? minus(term) : term);
    }, 0),
  );
/** Whole powers of t, from the lowest. */
export const whole = (lowest: number, ...factors: readonly number[]): number[] =>
  at(factors.map((factor, i) => [2 * (lowest + i), factor]));

/*
 * Jones polynomials as the tables give them: V. F. R. Jones, Hecke algebra representations of braid groups and link
 * polynomials, Ann. of Math. 126 (1987), for torus knots by his formula and small knots; 8_18, 10_123, the Borromean
 * rings from memory of the tables of Rolfsen's knots, each held to V(1) = (-2)^(components - 1)
 * and to its determinant |V(-1)| below.
 */
export const TREFOIL = whole(1, 1, 0, 1, -1);
export const FIGURE_EIGHT = whole(-2, 1, -1, 1, -1, 1);
export const EIGHT_18 = [1, -4, 6, -7, 9, -7, 6, -4, 1];
export const TEN_123 = [-1, 5, -10, 15, -19, 21, -19, 15, -10, 5, -1];
export const BORROMEAN = [-1, 3, -2, 4, -2, 3, -1];

/** t^((p-1)(q-1)/2) (1 - t^(p+1) - t^(q+1) + t^(p+q)) / (1 - t^2), for a right-handed torus knot (Jones 1987). */
export const ofTorus = (p: number, q: number): number[] => {
  const low = (p - 1) * (q - 1);
  const above = at([
    [low, 1],
    [low + 2 * (p + 1), -1],
    [low + 2 * (q + 1), -1],
    [low + 2 * (p + q), 1],
  ]);
  return at([
    [0, 1],
    [4, -1],
  ]).map((below, i) => times(above[i]!, power(below, -1)));
};
export const product = (a: readonly number[], b: readonly number[]): number[] =>
  a.map((one, i) => times(one, b[i]!));
