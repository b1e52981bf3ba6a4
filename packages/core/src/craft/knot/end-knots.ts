import type { Run } from '../../base/kind/run.js';
import type { Tied } from '../../base/kind/step.js';
import type { Side } from '../../base/measure/side.js';
import { tiedIn } from './tied.js';
import { tightened } from '@coiled-strand/rope';
import { asOneCord } from './stopper.js';

/** Bulky end knots, tied once round with all ends at once. */
export const END_KNOTS = {
  diamond: { label: 'Diamond knot', cords: [2, 8] },
  carrick: { label: 'Carrick bend of two', cords: [2, 4] },
} as const satisfies Readonly<Record<string, { label: string; cords: readonly [number, number] }>>;
export type EndKnotForm = keyof typeof END_KNOTS;
export const END_KNOT_FORMS = Object.keys(END_KNOTS) as EndKnotForm[];

/** Share of a tight knot's hull that is cord: what four and two ends give. Assumed for its width. */
const FILLED = 0.65;

export interface EndKnotSize {
  readonly length: number;
  readonly width: number;
  readonly thickness: number;
  /** Cord of every end from where the knot begins to where it leaves it. */
  readonly inKnot: number;
}

/** Ends of a diamond knot that were computed; of more, each goes as far as of four (assumed). */
const DIAMONDS = [2, 3, 4] as const;

/** A diamond knot of so many ends that was computed, or null. */
export const diamondOf = (ends: number): (typeof DIAMONDS)[number] | null =>
  DIAMONDS.find((computed) => computed === ends) ?? null;

/**
 * Size of an end knot and the cord in it, in cord diameters. Source: `tightened.ts`, for a diamond knot of
 * two to four ends, and a carrick bend of two; more than two ends tie a carrick bend as two bundles.
 *
 * @param ends that tie it, >= 2
 * @example endKnotSize('diamond', 4).inKnot // 13.7
 */
export function endKnotSize(form: EndKnotForm, ends: number): EndKnotSize {
  if (form === 'carrick') {
    const bundle = asOneCord(Array.from({ length: Math.max(1, Math.ceil(ends / 2)) }, () => 1));
    return {
      length: tightened('carrick.length') * bundle,
      width: tightened('carrick.width') * bundle,
      thickness: tightened('carrick.thickness') * bundle,
      inKnot: (tightened('carrick.beyond') + tightened('carrick.length')) * bundle,
    };
  }
  const known = diamondOf(ends) ?? 4;
  const length = tightened(`diamond.length.${known}`);
  const beyond = tightened(`diamond.beyond.${known}`);
  // Of more ends than were computed: a ball of the cord in it, its volume over the share that it fills.
  const width =
    known === ends
      ? tightened(`diamond.width.${known}`)
      : Math.sqrt((ends * (beyond + length)) / (FILLED * length));
  return { length, width, thickness: width, inKnot: beyond + length };
}

/** What helps to draw them up, in the words of the craft. */
export const DRAW_UP_END_KNOTS: Readonly<Record<EndKnotForm, string>> = {
  diamond:
    'Work the slack out along each end in turn, a little at a time, until the knot is round and firm.',
  carrick: 'Draw up all legs by turns until it sits. It looks alike from both sides.',
};

/** Ends of the knots that are laid move by move. */
const LAID = { least: 2, most: 4 } as const;

/** Ends of the tying that such a knot of some ends is shown by: of more than four by that of four. */
const endsLaid = (ends: number): number => Math.max(LAID.least, Math.min(LAID.most, ends));

/** The tying of such a knot. */
export const tyingOfEndKnot = (form: EndKnotForm, ends: number): string =>
  `${form}.${endsLaid(ends)}`;

/** How such a knot is tied by some runs; the first four of more show how. */
export function tiedEndKnot(form: EndKnotForm, runs: readonly Run[], first: Side): Tied {
  const own = Array.from({ length: endsLaid(runs.length) }, (_, i) => runs[i % runs.length]);
  return tiedIn(tyingOfEndKnot(form, runs.length), own, first);
}
