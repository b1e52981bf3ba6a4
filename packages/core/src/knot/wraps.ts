/**
 * Cord in one turn of a wrap round a bundle, each turn beside the last:
 *
 *     L = sqrt((C + pi)^2 + 1)       C = perimeter of the bare bundle's hull; all in wrap diameters
 *
 * The middle of the wrap runs half a diameter outside the hull, so its path is pi longer (Steiner's
 * formula), and it climbs one diameter a turn (length of a helix).
 *
 * @example wrapTurn(Math.PI) // 6.36
 */
export const wrapTurn = (perimeter: number): number => Math.hypot(perimeter + Math.PI, 1);

/**
 * Cord in a coiled slider or whipping of n turns: the turns, and the way back through its own middle.
 *
 * @param turns >= 1
 * @param perimeter of the bare bundle's hull in mm
 * @param d diameter of the wrapping cord in mm
 * @returns mm, without the ends to hold
 * @example coilCord(5, Math.PI * 2, 2) // 73.6
 */
export const coilCord = (turns: number, perimeter: number, d: number): number =>
  (turns * wrapTurn(perimeter / d) + turns) * d;
