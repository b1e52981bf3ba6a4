import { bundleShape, type CoreBundle, tightened } from '@coiled-strand/rope';
import type { Tension } from '../../../base/kind/part-kind.js';
import type { Run } from '../../../base/kind/run.js';

import { effectiveDiameter } from '../../../base/material/cord.js';

export const FORMS = ['flat', 'spiral'] as const;
export type SinnetForm = (typeof FORMS)[number];

/** What a sinnet is tied with. */
export interface SinnetSetting {
  readonly form: SinnetForm;
  readonly tension: Tension;
  /** The two cords that tie, the one that starts in front first. */
  readonly working: readonly [Run, Run];
  readonly core: readonly Run[];
  /** Length in mm at the start of the part where cut core ends lie hidden beside the core. */
  readonly buried: number;
  /** Pitch in working-cord diameters at which this hand packs half knots, before they are eased to fill. */
  readonly packed: number;
}

/** Core diameter / working cord diameter; the mean of the cores where they differ. */
export function ratioOf({ working, core }: Pick<SinnetSetting, 'working' | 'core'>): number {
  const d = effectiveDiameter(working[0].cord);
  if (core.length === 0) return 1;
  return core.reduce((sum, run) => sum + effectiveDiameter(run.cord), 0) / core.length / d;
}

/**
 * Pitch of a flat sinnet by tension, in working-cord diameters per half knot: snug half knots lie at
 * 2.0 and stay there, pushed up hard they pack to 1.75, pulled long they reach 2.5.
 *
 * Source: our tightened model ropes (ideal rope without friction), checked against published
 * ropelengths of tight knots; common practice gives the order of the three.
 */
const FLAT_PITCH: Readonly<Record<Tension, number>> = { soft: 2.5, even: 2.0, hard: 1.75 };

/** Extra cord per half knot of flat work, below the snug pitch: pitch -> diameters. Source: `tightened.ts`. */
const PACKED: readonly (readonly [number, number])[] = [
  [1.5, tightened('half-knot.packed.1.5')],
  [1.75, tightened('half-knot.packed.1.75')],
  [2.0, 0],
];

/** Packing tighter than this was never reached by the model ropes. */
const MIN_PITCH = 1.5;

interface Spiral {
  readonly length: number;
  readonly pitch: number;
  readonly unitsPerTurn: number;
}

const tightSpiral = (cores: 'one' | 'one-thick' | 'two' | 'four'): Spiral => ({
  length: tightened(`spiral.cord.${cores}`),
  pitch: tightened(`spiral.pitch.${cores}`),
  unitsPerTurn: tightened(`spiral.a-turn.${cores}`),
});

/**
 * Spiral sinnets settle at their own pitch and consumption, in working-cord diameters: on one core of the same
 * cord and one twice as thick, and on two and four of the same cord, which turn with it. Source: `tightened.ts`.
 */
const SPIRAL = {
  one: [
    [1, tightSpiral('one')],
    [2, tightSpiral('one-thick')],
  ],
  two: tightSpiral('two'),
  four: tightSpiral('four'),
} as const;

/** How tension moves a spiral's pitch off its even value: as it moves the flat one. Assumed. */
const spiralTension = (tension: Tension): number => FLAT_PITCH[tension] / FLAT_PITCH.even;

/** So far from one spiral to another: 0 the first, 1 the other. */
function between(a: Spiral, b: Spiral, share: number): Spiral {
  const mix = (from: number, to: number): number => from + (to - from) * share;
  return {
    length: mix(a.length, b.length),
    pitch: mix(a.pitch, b.pitch),
    unitsPerTurn: mix(a.unitsPerTurn, b.unitsPerTurn),
  };
}

const spiralOnOne = (ratio: number): Spiral => {
  const [[thin, a], [thick, b]] = SPIRAL.one;
  return between(a, b, (ratio - thin) / (thick - thin));
};

/** Cores of the same cord; more than four, and those in a round bundle, are taken as four (assumed). */
function spiralOnCores(bundle: CoreBundle): Spiral {
  if (bundle === 'two-flat') return SPIRAL.two;
  return bundle === 'three-flat' ? between(SPIRAL.two, SPIRAL.four, 0.5) : SPIRAL.four;
}

function packedExtra(pitch: number): number {
  const p = Math.max(pitch, MIN_PITCH);
  for (let i = 1; i < PACKED.length; i++) {
    const [p0, e0] = PACKED[i - 1]!;
    const [p1, e1] = PACKED[i]!;
    if (p <= p1) return e0 + ((e1 - e0) * (p - p0)) / (p1 - p0);
  }
  return 0;
}

/**
 * Cord in one half knot, both working cords together, in working-cord diameters.
 *
 *     flat, p >= 2:  L = a + b C + c (p - 2)            about 12.1, 0.97 and 2
 *     flat, p < 2:   the snug L and so much more as was computed at p = 1.75 and 1.5, straight between
 *     spiral:        the tightened values of its own pitch, plus c (p - own pitch) when pulled longer
 *
 * C is the perimeter of the bare core's hull. Source: `tightened.ts`.
 *
 * What packing takes is set by how hard the hand pulls, not by how the last knots are eased to fill a length:
 * work that is a little longer for the same knots takes no less cord.
 *
 * @param form flat (sides alternate) or spiral (same side every time)
 * @param bundle how the core lies
 * @param ratio core diameter / working cord diameter, > 0
 * @param pitch finished length per half knot in working-cord diameters, > 0
 * @param cores number of cores, read only for a round bundle
 * @param packed pitch at which the hand packs them, where they are eased or pushed to another
 * @example halfKnotCord('flat', 'two-flat', 1, 2) // 17.0
 */
export function halfKnotCord(
  form: SinnetForm,
  bundle: CoreBundle,
  ratio: number,
  pitch: number,
  cores = 1,
  packed = pitch,
): number {
  const perPitch = tightened('half-knot.per-pitch');
  if (form === 'flat') {
    return (
      snugHalfKnot(bundle, ratio, cores) +
      perPitch * Math.max(0, pitch - FLAT_PITCH.even) +
      packedExtra(packed)
    );
  }
  const own = spiral(bundle, ratio, cores);
  return own.length + perPitch * Math.max(0, pitch - own.pitch);
}

const snugHalfKnot = (bundle: CoreBundle, ratio: number, cores: number): number =>
  tightened('half-knot.fixed') +
  tightened('half-knot.per-hull') * bundleShape(bundle, ratio, cores).perimeter;

/** Length, pitch and half knots per turn of a spiral at even tension, in working-cord diameters. */
export function spiral(bundle: CoreBundle, ratio: number, cores = 1): Spiral {
  if (bundle === 'one') return spiralOnOne(ratio);
  // Cores of another thickness scale as those of the flat sinnet do; four lie two by two in it.
  const own = spiralOnCores(bundle);
  const like = bundle === 'two-flat' || bundle === 'three-flat' ? bundle : 'two-by-two';
  const as = bundle === 'round' ? bundle : like;
  return {
    ...own,
    length: (own.length * snugHalfKnot(as, ratio, cores)) / snugHalfKnot(like, 1, 1),
  };
}

/** Pitch in working-cord diameters that a hand of this tension makes. */
export const naturalPitch = (
  form: SinnetForm,
  bundle: CoreBundle,
  ratio: number,
  tension: Tension,
): number =>
  form === 'flat' ? FLAT_PITCH[tension] : spiral(bundle, ratio).pitch * spiralTension(tension);

/**
 * Width and thickness of the work in working-cord diameters. Two cores of the same cord: 5.8 x 3.0;
 * one core: 4.8 x 3.0; two by two: 6.0 x 4.0. A spiral is round: as thick as wide.
 */
export function crossSection(
  form: SinnetForm,
  bundle: CoreBundle,
  ratio: number,
  cores = 1,
): { readonly width: number; readonly thickness: number } {
  const shape = bundleShape(bundle, ratio, cores);
  const width = shape.width + (bundle === 'two-by-two' || bundle === 'round' ? 4 : 3.8);
  if (form === 'flat') return { width, thickness: shape.thickness + 2 };
  // The wide side turns with the spiral, so the work bears on the skin with the mean of both.
  return { width, thickness: (width + shape.thickness + 2) / 2 };
}
