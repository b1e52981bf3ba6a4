import type { ClosureSite } from '../../base/kind/closure-kind.js';
import type { Field } from '../../base/kind/field.js';
import type { Need } from '../../base/kind/reason.js';
import type { Run } from '../../base/kind/run.js';
import { passage } from '../../base/material/passage.js';
import type { Advice } from '../../base/measure/advice.js';
import { say, size } from '../../base/measure/saying.js';
import { cordsOf } from '../part/ends.js';

// Rings and eyes that cords are tied to: holes with a size.

/** Wire in mm of the rings that cords are tied to. Assumed: about 1 mm (18 gauge). */
export const WIRE = 1;
/** Jump rings that are to be had, in mm across. Common practice, no source. */
const RINGS = [5, 6, 8, 10] as const;

/** A ring that clasps hang from, in mm across. Assumed: the usual size. */
export const RING: (typeof RINGS)[number] = RINGS[0];

/** A jump ring: its name among the needs, and its sizes in mm. */
export interface JumpRing {
  readonly id: string;
  readonly across: number;
  readonly inside: number;
}
const jumpRing = (across: number): JumpRing => ({
  id: `jump-ring-${across}`,
  across,
  inside: across - 2 * WIRE,
});
/** The ring that clasps hang from where no cord goes through. */
export const USUAL_RING = jumpRing(RING);
export const ringNeed = (count: number, { id, across }: JumpRing = USUAL_RING): Need => ({
  id,
  label: say`Jump ring, ${size(across)}`,
  count,
});

/** Cords that tied are done with their last knot; what lies straight is tied to the ring. */
export function tiedRuns(runs: readonly Run[]): readonly Run[] {
  const straight = runs.filter((run) => run.role !== 'working');
  return straight.length > 0 ? straight : runs;
}

/** What goes through an eye: one cord is tied on by going through it twice, several go through it together once. */
export const throughEye = (runs: readonly Run[]): readonly Run[] => {
  const tied = tiedRuns(runs);
  return tied.length === 1 ? [...tied, ...tied] : tied;
};

/** The smallest jump ring that the cords go through as they are tied to it; the largest there is where none does. */
export function ringFor(runs: readonly Run[]): JumpRing {
  const cords = cordsOf(throughEye(runs));
  const rings = RINGS.map(jumpRing);
  return rings.find(({ inside }) => passage(inside, cords).answer !== 'no') ?? rings.at(-1)!;
}

/** A clasp with eyes for its cords. */
export interface WithEye {
  /** Inside in mm of the eyes that the cords are tied to; null for as wide as they need. */
  readonly eye?: number | null;
}

/** The eyes of a clasp, as narrow as they are or as wide as the cords need. */
export const eyeOf = ({ eye }: WithEye, site: ClosureSite): number =>
  eye ?? ringFor(site.runs).inside;

/** Clasps have eyes for one usual ring; wider ones have to be looked for. */
export function eyeAdvice(clasp: WithEye, site: ClosureSite): Advice[] {
  const { inside } = ringFor(site.runs);
  if ((clasp.eye ?? null) !== null || inside <= USUAL_RING.inside) return [];
  return [
    {
      code: 'clasp.eye',
      severity: 'note',
      message: say`The cords go through eyes of ${size(inside)} inside, or wider.`,
      remedy: 'Look at the eyes of your clasp. A jump ring in a narrow one helps.',
      path: 'eye',
    },
  ];
}

export const EYE_FIELD: Field = {
  type: 'length',
  key: 'eye',
  label: 'Eyes for the cords, inside',
  min: 1,
  max: 30,
  small: true,
  open: 'as wide as the cords need',
  optional: true,
};
