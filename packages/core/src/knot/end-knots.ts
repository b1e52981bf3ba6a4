import { asOneCord } from './stopper.js';
import { tightened } from './tightened.js';

/** Bulky end knots, tied once round with all ends at once. */
export const END_KNOTS = {
  diamond: { label: 'Diamond knot', cords: [2, 8] },
  carrick: { label: 'Carrick bend of two', cords: [2, 4] },
} as const satisfies Readonly<Record<string, { label: string; cords: readonly [number, number] }>>;
export type EndKnotForm = keyof typeof END_KNOTS;
export const END_KNOT_FORMS = Object.keys(END_KNOTS) as EndKnotForm[];

/** Share of a tight knot's hull that is cord: what four and two ends give. Assumed for its width. */
const FILLED = 0.65;

/** Length and width of a carrick bend in diameters of a bundle that ties it. Assumed. */
const CARRICK_LENGTH = 5;
const CARRICK_WIDTH = 5.5;

export interface EndKnotSize {
  readonly length: number;
  readonly width: number;
  readonly thickness: number;
  /** Cord of every end from where the knot begins to where it leaves it. */
  readonly inKnot: number;
}

/** Between what was computed for two and for four ends; of more, each goes as far as of four (assumed). */
function betweenEnds(two: number, four: number, ends: number): number {
  const share = Math.min(1, Math.max(0, (ends - 2) / 2));
  return two + (four - two) * share;
}

/**
 * Size of an end knot and the cord in it, in cord diameters. Source: `tightened.ts`, for a diamond knot of
 * two and of four ends, and a carrick bend of two; more than two ends tie a carrick bend as two bundles.
 *
 * @param ends that tie it, >= 2
 * @example endKnotSize('diamond', 4).inKnot // 13.8
 */
export function endKnotSize(form: EndKnotForm, ends: number): EndKnotSize {
  if (form === 'carrick') {
    const bundle = asOneCord(Array.from({ length: Math.max(1, Math.ceil(ends / 2)) }, () => 1));
    return {
      length: CARRICK_LENGTH * bundle,
      width: CARRICK_WIDTH * bundle,
      thickness: 3 * bundle,
      inKnot: (tightened('carrick.beyond') + CARRICK_LENGTH) * bundle,
    };
  }
  const length = betweenEnds(tightened('diamond.length.2'), tightened('diamond.length.4'), ends);
  // The cord of a knot between two and four ends is shared among them.
  const beyond =
    betweenEnds(2 * tightened('diamond.beyond.2'), 4 * tightened('diamond.beyond.4'), ends) /
    Math.min(4, Math.max(2, ends));
  // A ball of the cord in it: volume of the cord over the share that it fills.
  const width = Math.sqrt((ends * (beyond + length)) / (FILLED * length));
  return { length, width, thickness: width, inKnot: beyond + length };
}

/** What fingers need of every end to tie it, beyond the knot, in cord diameters. Common practice, no source. */
export const END_KNOT_FINGERS: Readonly<Record<EndKnotForm, number>> = { diamond: 25, carrick: 15 };

/** How they are tied, in the words of the craft. */
export const TELL_END_KNOTS: Readonly<Record<EndKnotForm, string>> = {
  diamond:
    'Lay a loop with each end over the next, all the same way round, and pass the last through the first; then lead every end round the outside under its neighbour’s loop and up through the middle. Work the slack out along each end in turn, a little at a time, until the knot is round and firm.',
  carrick:
    'Lay one end in a loop over itself; weave the other over and under through it, always by turns, so that it looks alike from both sides. Draw up all four legs by turns until it sits.',
};
