/**
 * What happens where two neighbouring strands meet. The worker ties two half hitches over the other,
 * which is carried through them; the knot has the worker's colour.
 *
 * - `>` forward: the left strand works, and they change places
 * - `<` backward: the right strand works, and they change places
 * - `)` forward-backward: the left strand works, one hitch each way, and stays on its side
 * - `(` backward-forward: the right strand works, one hitch each way, and stays on its side
 * - `.` bare: no knot, and both run on
 */
export const CROSSINGS = ['>', '<', ')', '(', '.'] as const;
export type Crossing = (typeof CROSSINGS)[number];

/** What a crossing is called, and what the hands do there. */
export const CROSSING_FACTS: Readonly<
  Record<Crossing, { readonly label: string; readonly hands: string }>
> = {
  '>': { label: 'Forward', hands: 'two hitches to the right; they change places' },
  '<': { label: 'Backward', hands: 'two hitches to the left; they change places' },
  ')': {
    label: 'Forward and back',
    hands: 'a hitch to the right and one back; it stays on its side',
  },
  '(': {
    label: 'Backward and forth',
    hands: 'a hitch to the left and one back; it stays on its side',
  },
  '.': { label: 'No knot', hands: 'both run on' },
};

/** Whether the left strand works. */
export const leftWorks = (crossing: Crossing): boolean => crossing === '>' || crossing === ')';
/** Whether the two strands change places. */
export const swaps = (crossing: Crossing): boolean => crossing === '>' || crossing === '<';

/**
 * Whether the worker comes out of the knot at the right: a left one that changes places, or a right one
 * that does not.
 */
export const endsRight = (crossing: Crossing): boolean => leftWorks(crossing) === swaps(crossing);

const MIRRORED: Readonly<Record<Crossing, Crossing>> = {
  '>': '<',
  '<': '>',
  ')': '(',
  '(': ')',
  '.': '.',
};
/** The crossing as a mirror shows it. */
export const mirroredCrossing = (crossing: Crossing): Crossing => MIRRORED[crossing];
