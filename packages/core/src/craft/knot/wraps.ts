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
 * What the end that comes back through the middle adds to each turn, in wrap diameters: beside two or more
 * cords it lies in a hollow, and the hull that is wound round grows by one diameter.
 */
const RETURNING = 1;

/**
 * Cord in a coiled slider or whipping of n turns: the turns, which go round the returning end as well, and
 * that way back through the middle.
 *
 *     n (L + 1) + n        L = one turn round the bare bundle; all in wrap diameters
 *
 * @param turns >= 1
 * @param perimeter of the bare bundle's hull in mm
 * @param d diameter of the wrapping cord in mm
 * @returns mm, without the ends to hold
 * @example coilCord(5, Math.PI * 2, 2) // 83.52
 */
export const coilCord = (turns: number, perimeter: number, d: number): number =>
  turns * (wrapTurn(perimeter / d + RETURNING) + 1) * d;
