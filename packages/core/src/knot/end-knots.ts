import { turksHeadCord } from './turks-head.js';

/**
 * Bulky end knots, tied with all ends at once, in cord diameters.
 *
 * Their cord is an assumption: the diamond knot is taken as the Turk's head of three leads and four
 * bights, followed round once more, over its own four ends; the carrick bend of two as one pass of it,
 * drawn flat. What the fingers need to tie them is common practice: a learner trims about half a foot
 * off each end of a diamond knot in 4 mm cord.
 */
export const END_KNOTS = {
  diamond: { label: 'Diamond knot', cords: [2, 8], length: 5.3, width: 6, allowance: 25 },
  carrick: { label: 'Carrick bend of two', cords: [2, 4], length: 5, width: 5.5, allowance: 15 },
} as const satisfies Readonly<
  Record<
    string,
    {
      label: string;
      cords: readonly [number, number];
      length: number;
      width: number;
      /** What a practised hand needs beyond the knot, trimmed away afterwards. */
      allowance: number;
    }
  >
>;
export type EndKnotForm = keyof typeof END_KNOTS;
export const END_KNOT_FORMS = Object.keys(END_KNOTS) as EndKnotForm[];

/** Diameter of four ends drawn together, and of one, in cord diameters. */
const HEART = { diamond: 2.414, carrick: 1 } as const;

/**
 * Cord of every end from where the knot begins to where it leaves it, in cord diameters.
 *
 * @param ends that tie it, >= 2
 * @example endKnotCord('diamond', 4) // 30.6
 */
export const endKnotCord = (form: EndKnotForm, ends: number): number =>
  turksHeadCord({ leads: 3, bights: 4, passes: form === 'diamond' ? 2 : 1 }, HEART[form]) / ends;

/** How they are tied, in the words of the craft. */
export const TELL_END_KNOTS: Readonly<Record<EndKnotForm, string>> = {
  diamond:
    'Lay a loop with each end over the next, all the same way round, and pass the last through the first; then lead every end round the outside under its neighbour’s loop and up through the middle. Work the slack out along each end in turn, a little at a time, until the knot is round and firm.',
  carrick:
    'Lay one end in a loop over itself; weave the other over and under through it, always by turns, so that it looks alike from both sides. Draw up all four legs by turns until it sits.',
};
