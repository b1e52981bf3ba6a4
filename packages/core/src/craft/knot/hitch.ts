import { tightened } from '@coiled-strand/rope';
import type { Tension } from '../../base/kind/part-kind.js';

/**
 * The double half hitch that knotted bands are made of, in diameters d of the thread.
 *
 *     thread of the worker   L = a + b r            r = diameter of what it goes round / d
 *     thread of the carried  the height of a row
 *
 * Source: `tightened.ts`. Floss flattens more than the model says; a swatch corrects it.
 */
const AROUND = {
  fixed: tightened('hitch.fixed'),
  perRatio: tightened('hitch.per-ratio'),
} as const;

/** Thread of the worker more when its rows are pushed down, and the height they then have. */
const PUSHED = {
  more: tightened('hitch.pushed.more'),
  height: tightened('hitch.pushed.height'),
} as const;

/** Place of one knot along its row, in diameters. Same source. */
export const HITCH_WIDTH = tightened('hitch.width');

/** Thickness of the work, in diameters, before it flattens in wear. Same source. */
export const HITCH_THICKNESS = tightened('hitch.thickness');

/** Height of a row of knots in diameters, by tension; soft rows are taken as even ones. */
export const hitchHeight = (tension: Tension): number =>
  tension === 'hard' ? PUSHED.height : tightened('hitch.height');

/**
 * Thread that the worker of one double half hitch takes, in its diameters, with the way to the next.
 *
 * @param ratio diameter of what it is tied round / diameter of the thread, > 0
 * @example doubleHitch(1, 'even') // 18.8
 */
export const doubleHitch = (ratio: number, tension: Tension): number =>
  AROUND.fixed + AROUND.perRatio * ratio + (tension === 'hard' ? PUSHED.more : 0);

/**
 * Cord in one hitch of a spiral round a bundle, in its diameters, with its own way along the work:
 *
 *     L = a + b r             r = diameter of the bundle / d, at a pitch of 2.0
 *
 * Pushed up, hitches lie closer and take as much (assumed). Source: `tightened.ts`.
 *
 * @param ratio > 0
 * @example spiralHitch(3) // 17.1
 */
export const spiralHitch = (ratio: number): number =>
  tightened('hitch-spiral.fixed') + tightened('hitch-spiral.per-ratio') * ratio;

/** Length of a spiral that one hitch makes, in cord diameters: 2.0, and 1.6 where they are pushed up. */
export const spiralPitch = (tension: Tension): number =>
  tightened(tension === 'hard' ? 'hitch-spiral.pushed' : 'hitch-spiral.pitch');
