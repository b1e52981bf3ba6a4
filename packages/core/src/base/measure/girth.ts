import type { Advice } from './advice.js';
import { laid, say, type Segment } from './saying.js';

/** Where a piece is worn. Names follow ISO 8559-1 (wrist, ankle, neck and head girth). */
export const GIRTH_SITES = ['wrist', 'hand', 'ankle', 'neck', 'head'] as const;
export type GirthSite = (typeof GIRTH_SITES)[number];

/** Where a piece is worn. */
export const WEAR_SITES = ['wrist', 'ankle', 'neck'] as const;
export type WearSite = (typeof WEAR_SITES)[number];

/** Limits of a measure, to catch slips of unit. */
export interface PlausibleLimits {
  /** Below or above these (mm) it is hardly possible: an entry slip. */
  readonly possible: readonly [number, number];
  /** Outside these (mm) it is worth asking once more. */
  readonly usual: readonly [number, number];
}

/**
 * Plausibility limits of girths in mm, from a toddler to a very large adult.
 *
 * Adult means (men / women): wrist 174 / 151, hand 214 / 186, ankle 222 / 207, head 568 / 546 mm.
 * Source of the means: U.S. Army anthropometric survey 1988, from memory. The limits around them are
 * ours (about mean +- 5 standard deviations, widened downwards for children); they only question.
 */
const GIRTH_LIMITS: Readonly<Record<GirthSite, PlausibleLimits>> = {
  wrist: { possible: [80, 300], usual: [120, 220] },
  hand: { possible: [100, 350], usual: [145, 270] },
  ankle: { possible: [100, 450], usual: [150, 290] },
  neck: { possible: [180, 700], usual: [240, 500] },
  head: { possible: [350, 750], usual: [460, 640] },
};

/** Girth of a neck in mm where nobody measured one. Assumed. */
export const NECK_IF_UNKNOWN = 360;

/**
 * Hand girth per wrist girth, for when the hand was not measured: 214/174 = 186/151 = 1.23.
 * Source: the means above; from memory. Always shown as an estimate.
 */
const HAND_PER_WRIST = 1.23;

/** Girth of the hand in mm: as measured, or estimated from the wrist and marked so. */
export function handGirth(
  wrist: number,
  measured?: number | null,
): { readonly mm: number; readonly estimated: boolean } {
  return measured
    ? { mm: measured, estimated: false }
    : { mm: wrist * HAND_PER_WRIST, estimated: true };
}

/**
 * Girth over heel and instep per ankle girth, for when the heel was not measured. Assumed from general
 * anthropometry, from memory; always shown as an estimate.
 */
const HEEL_PER_ANKLE = 1.5;

/** Ankle girth in mm to reckon with when it was not measured: 222 (men's mean). */
const SOME_ANKLE = 222;

/** Head girth in mm to reckon with when it was not measured: a full adult head, 568 (men's mean). */
const SOME_HEAD = 568;

/** The girth that a closed piece has to pass on its way to where it is worn. */
export interface PassGirth {
  readonly mm: number;
  readonly what: 'hand' | 'heel' | 'head';
  readonly estimated: boolean;
}

/**
 * What a piece worn at a site must pass: hand, heel or head, as measured or estimated.
 * @example passGirth('wrist', { wrist: 183, hand: 226 }).mm // 226
 */
export function passGirth(
  site: WearSite,
  body: {
    readonly wrist: number;
    readonly hand?: number | undefined;
    readonly ankle?: number | undefined;
    readonly head?: number | undefined;
  },
): PassGirth {
  switch (site) {
    case 'wrist':
      return { what: 'hand', ...handGirth(body.wrist, body.hand) };
    case 'ankle':
      return { what: 'heel', mm: (body.ankle ?? SOME_ANKLE) * HEEL_PER_ANKLE, estimated: true };
    case 'neck':
      return { what: 'head', mm: body.head ?? SOME_HEAD, estimated: body.head === undefined };
  }
}

/** Readings of a slipped entry: a unit or a decimal place mistaken. */
const SLIPS: readonly (readonly [string, number])[] = [
  ['in inches', 25.4],
  ['in centimetres', 10],
  ['in millimetres', 0.1],
  ['with inches written for centimetres', 2.54],
  ['with centimetres written for inches', 1 / 2.54],
];

/**
 * Looks for the unit slip that makes an implausible value plausible.
 *
 * @example likelySlip(7, [120, 220]) // { mm: 177.8, how: 'in inches' }
 */
export function likelySlip(
  mm: number,
  usual: readonly [number, number],
): { readonly mm: number; readonly how: string } | null {
  for (const [how, factor] of SLIPS) {
    const other = mm * factor;
    if (other >= usual[0] && other <= usual[1]) return { mm: other, how };
  }
  return null;
}

/**
 * Questions a measure that is unlikely, and refuses one that cannot be, naming the likely slip.
 *
 * @param what the thing measured, as it begins a sentence: 'A wrist girth'
 * @param spoken how it is written: in the maker's unit, or as things are sold
 * @returns null when the value is usual
 */
export function checkPlausible(
  mm: number,
  limits: PlausibleLimits,
  what: string,
  path: string,
  spoken: (mm: number) => Segment = laid,
): Advice | null {
  const inside = ([low, high]: readonly [number, number]): boolean => mm >= low && mm <= high;
  if (inside(limits.usual)) return null;
  const slip = likelySlip(mm, limits.usual);
  const remedy = slip
    ? say`Did you mean ${spoken(slip.mm)} (${Number(mm.toFixed(1))} ${slip.how})?`
    : say`Usual is ${spoken(limits.usual[0])} to ${spoken(limits.usual[1])}. Measure again to be sure.`;
  return inside(limits.possible)
    ? {
        code: 'measure.unusual',
        severity: 'warning',
        message: say`${what} of ${spoken(mm)} is unusual.`,
        remedy,
        path,
      }
    : {
        code: 'measure.implausible',
        severity: 'error',
        message: say`${what} of ${spoken(mm)} cannot be right.`,
        remedy,
        path,
      };
}

export const checkGirth = (site: GirthSite, mm: number, path: string): Advice | null =>
  checkPlausible(mm, GIRTH_LIMITS[site], `A ${site} girth`, path);
