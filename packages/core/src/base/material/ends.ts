import { CORD_KIND_FACTS, type CordKind } from './cord.js';

/** Ways of securing a trimmed end. */
export const END_TREATMENTS = ['singe', 'glue', 'tuck'] as const;
export type EndTreatment = (typeof END_TREATMENTS)[number];

export interface EndSchool {
  readonly label: string;
  /** Why makers who do it this way do so. */
  readonly because: string;
  /** What it is good for, and what to know of it. Common practice, no source. */
  readonly goodFor: string;
}

/** The common schools and their reasons; makers differ, so the choice is theirs. Common practice. */
export const END_SCHOOLS: Readonly<Record<EndTreatment, EndSchool>> = {
  singe: {
    label: 'Singe and flatten',
    because:
      'Quick and lasting on synthetic cord: the end melts into a bead that cannot pull back.',
    goodFor:
      'Nylon and polyester. Quick, and lasting: the end becomes a bead that does not pull back. Never for cotton, hemp, silk or leather.',
  },
  glue: {
    label: 'Glue',
    because: 'Soft to the skin and right for any fibre; needs a day to cure before it is worn.',
    goodFor: 'Every fibre. A drop that soaks in; it needs its time before the piece is worn.',
  },
  tuck: {
    label: 'Tuck under the last knots',
    because: 'No heat, no glue, and the piece can be untied again; holds by friction alone.',
    goodFor: 'Pieces that may be untied again, and skin that bears neither glue nor a hard end.',
  },
};

/** Whether the treatment suits the fibre: a flame burns natural fibre and scorches leather. */
export const suitsEnd = (treatment: EndTreatment, kind: CordKind): boolean =>
  treatment !== 'singe' || CORD_KIND_FACTS[kind].ends === 'melts';

/** Cords by what a flame does to their ends. */
export const END_KINDS = ['melts', 'burns', 'leather'] as const;
export type EndKind = (typeof END_KINDS)[number];

/** How a maker secures the ends of each. */
export type EndHabits = Readonly<Record<EndKind, EndTreatment>>;

/** What most makers do. Common practice, no source. */
const USUAL_ENDS: EndHabits = { melts: 'singe', burns: 'glue', leather: 'glue' };

/** Ways that suit cords of a kind. */
export const endsFor = (kind: EndKind): readonly EndTreatment[] =>
  END_TREATMENTS.filter((treatment) => treatment !== 'singe' || kind === 'melts');

/** What a maker of these habits does with this cord. */
export const usualEnd = (kind: CordKind, habits: EndHabits = USUAL_ENDS): EndTreatment =>
  habits[CORD_KIND_FACTS[kind].ends];

/** One way for all cords of a piece: the habit for the first, where it suits every other. */
export const usualEndOfAll = (
  kinds: readonly CordKind[],
  habits: EndHabits = USUAL_ENDS,
): EndTreatment => {
  const first = kinds[0];
  const wanted = first === undefined ? 'glue' : usualEnd(first, habits);
  return kinds.every((kind) => suitsEnd(wanted, kind)) ? wanted : 'glue';
};

/**
 * Whether a cord whose ends are secured so frays unless they are molten as soon as it is cut. Wax keeps them together.
 * Common practice, no source.
 */
export function frays(kind: CordKind, wanted: EndTreatment): boolean {
  const facts = CORD_KIND_FACTS[kind];
  return wanted === 'singe' && facts.ends === 'melts' && facts.waxed !== true;
}

/** Glues that cord ends are secured with. */
export const GLUES = ['leather', 'textile'] as const;
export type Glue = (typeof GLUES)[number];

/** The glue that takes on a cord. Common practice, no source. */
export const glueFor = (kind: CordKind): Glue =>
  CORD_KIND_FACTS[kind].ends === 'leather' ? 'leather' : 'textile';

/** A hole this many times as wide as a soft cord takes its blunt end. Assumed. */
const WIDE = 2;

/** Whether an end goes through a hole that it fits without a point or a needle. */
export const goesBluntly = (kind: CordKind, diameter: number, hole: number): boolean =>
  !CORD_KIND_FACTS[kind].soft || hole >= WIDE * diameter;

/** How the end of a cord is secured in a piece whose ends are secured so: flame is for what melts. */
export const treatmentFor = (kind: CordKind, wanted: EndTreatment): EndTreatment =>
  suitsEnd(wanted, kind) ? wanted : 'glue';
