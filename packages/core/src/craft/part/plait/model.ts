import { computed } from '../../knot/source.js';
import type { Lying, PartBase, PartSite, Section, Tension } from '../../../base/kind/part-kind.js';
import type { Advice } from '../../../base/measure/advice.js';
import { PLAIT_SPREAD, useOf, type Use } from '../../../base/kind/reason.js';
import type { Run } from '../../../base/kind/run.js';
import type { Tied } from '../../../base/kind/step.js';
import { cordNamed, listed, say, several, type Saying } from '../../../base/measure/saying.js';
import { otherSide, type Side } from '../../../base/measure/side.js';
import {
  bundlesAfter,
  plaitRatio,
  PLAITS,
  plaitSection,
  splitEvenly,
  type PlaitForm,
} from '../../knot/plait.js';
import { tiedIn } from '../../knot/tied.js';
import { bundleOfRuns } from '../pick.js';

/** All cords plaited, in as many bundles as the plait has. */
export interface PlaitPart extends PartBase {
  readonly kind: 'plait';
  readonly form: PlaitForm;
  readonly tension: Tension;
  /** In mm, or null to take what the fit asks for. */
  readonly length: number | null;
}

/** What is plaited: bundles from the left, their diameter, and length for each crossing, in mm. */
export interface Plaiting {
  readonly form: PlaitForm;
  readonly bundles: readonly (readonly Run[])[];
  readonly d: number;
  readonly pitch: number;
  /** In bundle diameters. */
  readonly q: number;
}

/** null where there are fewer cords than bundles. */
export function plaitingOf(
  form: PlaitForm,
  tension: Tension,
  runs: readonly Run[],
): Plaiting | null {
  const bundles = splitEvenly(runs, PLAITS[form].bundles);
  if (bundles.some((bundle) => bundle.length === 0)) return null;
  const d = bundles.reduce((sum, bundle) => sum + bundleOfRuns(bundle), 0) / bundles.length;
  const q = PLAITS[form].pitch[tension];
  return { form, bundles, d, q, pitch: q * d };
}

/**
 * How it is tied: a bundle of several cords is led like a strand.
 *
 * @param crossed crossings before it without a break: after an odd number of them the other side comes next
 */
export function tiedPlait({ form, bundles }: Plaiting, first: Side, crossed = 0): Tied {
  const tying = `plait.${form}${bundles.some(({ length }) => length > 1) ? '.bundles' : ''}`;
  // A flat plait of four has no side that comes next: its middle does.
  const other = crossed % 2 === 1 && form !== 'four-flat';
  return other
    ? tiedIn(tying, [...bundles].reverse(), otherSide(first))
    : tiedIn(tying, bundles, first);
}

export function sectionOfPlait({ form, d, q, pitch }: Plaiting): Section {
  const { width, thickness } = plaitSection(form, q);
  return { width: width * d, thickness: thickness * d, pitch };
}

/** How the strands of a plait lie after some crossings; as they did where there is none. */
export function lyingAfter(plaiting: Plaiting | null, site: PartSite, crossings: number): Lying {
  const runs = plaiting
    ? bundlesAfter(plaiting.form, plaiting.bundles, crossings, site.crossed).flat()
    : site.runs;
  return { order: runs.map((run) => run.index), crossed: site.crossed + crossings };
}

/** Cord of every run in a plait of a length in mm. */
export function plaitUses(plaiting: Plaiting, length: number): Use[] {
  const { form, q, bundles } = plaiting;
  const ratio = plaitRatio(form, q);
  return bundles.flat().map((run) =>
    useOf(
      run,
      {
        area: 'run',
        code: 'run.plait',
        label: 'Plaited',
        detail: `${ratio.toFixed(2)} times the length of the plait, as it goes from side to side`,
        spread: PLAIT_SPREAD,
        ...(bundles.some((b) => b.length > 1) ? { assumed: true } : computed(`plait.${form}`)),
      },
      length * ratio,
    ),
  );
}

export const tooFew = (form: PlaitForm): Advice => ({
  code: 'plait.cords',
  severity: 'error',
  message: `This plait needs at least ${PLAITS[form].bundles} cords.`,
  remedy: 'Add strands or fold them, or choose a plait with fewer bundles.',
  path: 'form',
});

const tellBundle = (bundle: readonly Run[]): Saying =>
  bundle.length === 1
    ? say`${cordNamed(bundle[0]!)}`
    : say`${several(bundle.length, 'strand')} (${[...new Set(bundle.map((run) => run.cord.colour.name))].join(', ')})`;

/** Bundles with their colours, from one side to the other; a cord by itself is named. */
export const tellBundles = (bundles: readonly (readonly Run[])[]): Saying =>
  listed(bundles.map(tellBundle));
