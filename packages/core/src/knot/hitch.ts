import type { Tension } from '../kind/part-kind.js';

/**
 * The double half hitch that knotted bands are made of, in diameters d of the thread.
 *
 *     thread of the worker   L = 12.1 + 6.86 r      r = diameter of what it goes round / d
 *     thread of the carried  the height of a row
 *
 * Source: our tightened model ropes (ideal rope without friction), checked against published
 * ropelengths of tight knots. Floss flattens more than the model says; a swatch corrects it.
 */
const AROUND = { fixed: 12.1, perRatio: 6.86 } as const;

/** Thread of the worker more when its rows are pushed down, and the height they then have. */
const PUSHED = { more: 0.26, height: 2.7 } as const;

/** Place of one knot along its row, in diameters. Same source. */
export const HITCH_WIDTH = 2.86;

/** Thickness of the work, in diameters, before it flattens in wear. Same source. */
export const HITCH_THICKNESS = 4;

/** Height of a row of knots in diameters, by tension; soft rows are taken as even ones. */
export const hitchHeight = (tension: Tension): number =>
  tension === 'hard' ? PUSHED.height : 2.88;

/**
 * Thread that the worker of one double half hitch takes, in its diameters, with the way to the next.
 *
 * @param ratio diameter of what it is tied round / diameter of the thread, > 0
 * @example doubleHitch(1, 'even') // 18.96
 */
export const doubleHitch = (ratio: number, tension: Tension): number =>
  AROUND.fixed + AROUND.perRatio * ratio + (tension === 'hard' ? PUSHED.more : 0);

/**
 * One single hitch round a bundle: half a double one.
 * @example singleHitch(3, 'even') // 16.34
 */
export const singleHitch = (ratio: number, tension: Tension): number =>
  doubleHitch(ratio, tension) / 2;
