/**
 * Numbers of knots that were computed: ropes without friction, drawn tight until nothing overlaps and no
 * bend is tighter than its own radius, and then measured. The method meets published ropelengths of tight
 * knots (trefoil, figure-eight: Ashton, Cantarella, Piatek, Rawdon 2011; Hopf link: Cantarella, Kusner,
 * Sullivan 2002) within 0.3 %.
 *
 * All of them stand here and nowhere else, in diameters of the tightened cord, each with the share by which
 * it may be off: whoever computes them anew replaces this file and nothing besides.
 */
export interface Tightened {
  readonly value: number;
  /** Relative: 0.01 is 1 %. */
  readonly error: number;
}

const is = (value: number, error: number): Tightened => ({ value, error });

export const TIGHTENED = {
  // Stoppers in one cord: cord used (length before less distance after), length and width of the knot.
  'overhand.uses': is(10.12, 0.003),
  'overhand.length': is(3.7, 0.02),
  'overhand.width': is(3, 0.02),
  'figure-eight.uses': is(13.8, 0.003),
  'figure-eight.length': is(5, 0.02),
  'figure-eight.width': is(3.1, 0.02),
  'double-barrel.uses': is(17.3, 0.005),
  'double-barrel.length': is(5.8, 0.02),
  'double-barrel.width': is(3.2, 0.02),
  'triple-barrel.uses': is(24.7, 0.005),
  'triple-barrel.length': is(7.7, 0.02),
  'triple-barrel.width': is(3.1, 0.02),

  // The same in several cords at once: what each of them uses.
  'overhand.uses.2': is(13.7, 0.01),
  'overhand.uses.3': is(16.8, 0.01),
  'overhand.uses.4': is(18.9, 0.02),
  'double-barrel.uses.2': is(24.3, 0.02),

  // A barrel of one, two, three turns round another cord of the same thickness.
  'barrel-round.uses.1': is(11.8, 0.01),
  'barrel-round.uses.2': is(21.7, 0.01),
  'barrel-round.uses.3': is(31.6, 0.01),

  // Diamond knot, tied once round: cord of each end beyond the length of the knot.
  'diamond.beyond.2': is(20.2, 0.02),
  'diamond.length.2': is(3.5, 0.05),
  'diamond.beyond.4': is(10.7, 0.02),
  'diamond.length.4': is(3.1, 0.05),
  'carrick.beyond': is(13.5, 0.02),
  'carrick.beyond.flat': is(13.9, 0.02),

  // Half knots of a sinnet: fixed, per perimeter of the core's hull, per pitch beyond the snug one.
  'half-knot.fixed': is(12.1, 0.005),
  'half-knot.per-hull': is(0.972, 0.005),
  'half-knot.per-pitch': is(2, 0.02),
  'half-knot.packed.1.75': is(0.6, 0.1),
  'half-knot.packed.1.5': is(1.04, 0.1),

  // Double half hitch: fixed, and per diameter of what it goes round.
  'hitch.fixed': is(12.1, 0.005),
  'hitch.per-ratio': is(6.86, 0.005),
  'hitch.width': is(2.86, 0.01),
  'hitch.height': is(2.88, 0.01),
  'hitch.pushed.more': is(0.26, 0.1),
  'hitch.pushed.height': is(2.7, 0.01),

  // Spiral of single hitches round a bundle, at the longest pitch; pushed up it packs to the shortest.
  'hitch-spiral.fixed': is(7.9, 0.02),
  'hitch-spiral.per-ratio': is(3.13, 0.02),
  'hitch-spiral.pitch': is(2, 0.05),
  'hitch-spiral.pushed': is(1.6, 0.05),

  // Way aside in a plait for each crossing; jammed: at one bundle diameter for each.
  'plait.three': is(1.11, 0.01),
  'plait.three.jammed': is(1.16, 0.01),
  'plait.four-flat': is(1.25, 0.03),
  'plait.four-flat.jammed': is(1.34, 0.02),
  'plait.four-round': is(1.6, 0.01),
  'plait.four-round.per-q2': is(0.237, 0.05),

  // Snug petals of a round plait of four: length of a turn; cord of the strand that turns and of the one it
  // turns round beyond the plain plait, drawn alike or with the middle pulled hard (how hard is the error).
  'petal.even.along': is(2.35, 0.15),
  'petal.even.turning': is(4.2, 0.05),
  'petal.even.turned': is(3.35, 0.05),
  'petal.hard.along': is(1.45, 0.25),
  'petal.hard.turning': is(6.35, 0.09),
  'petal.hard.turned': is(1.5, 0.34),

  // A Turk's head of three leads over the closed forms: three passes, by diameter of the core; and bights.
  'turks-head.three-passes.4': is(1.037, 0.01),
  'turks-head.three-passes.8': is(1.013, 0.01),
  'turks-head.bights.5': is(1.05, 0.01),
  'turks-head.bights.7': is(1.04, 0.01),
} as const satisfies Readonly<Record<string, Tightened>>;

export type TightenedName = keyof typeof TIGHTENED;

/** @example tightened('overhand.uses') // 10.12 */
export const tightened = (name: TightenedName): number => TIGHTENED[name].value;
