/**
 * Diameter of American wire gauge n: 0.127 mm * 92^((36 - n) / 39).
 *
 * @param gauge gauge number, -3 (0000) to 40; integers in the trade
 * @returns diameter in mm
 * @throws RangeError outside the standard's range
 * Source: ASTM B258.
 * @example wireDiameter(20) // 0.812
 */
export function wireDiameter(gauge: number): number {
  if (!(gauge >= -3 && gauge <= 40)) throw new RangeError(`there is no wire gauge ${gauge}`);
  return 0.127 * 92 ** ((36 - gauge) / 39);
}
