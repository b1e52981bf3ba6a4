import type {
  ClosureBase,
  ClosureLayout,
  ClosureSite,
  ClosureState,
} from '../kind/closure-kind.js';
import type { Field } from '../kind/field.js';
import type { PartStep } from '../kind/part-kind.js';
import { once } from './steps.js';
import type { Use } from '../kind/reason.js';
import { KNOT_SPREAD, PLAIT_SPREAD } from '../kind/reason.js';
import type { Run } from '../kind/run.js';
import { stopper, STOPPERS, STOPPER_FORMS, type StopperForm } from '../knot/stopper.js';
import { plaitRatio } from '../knot/plait.js';
import { bundleOfRuns } from '../part/pick.js';
import {
  plaitingOf,
  sectionOfPlait,
  tellBundles,
  tooFew,
  type Plaiting,
} from '../part/plait/model.js';
import { effectiveDiameter, workingTail, type Cord } from '../material/cord.js';
import { bundleDiameter } from '../material/passage.js';
import { PRACTICE_FACTOR } from '../material/practice.js';
import type { Advice } from '../measure/advice.js';
import { mm } from '../measure/speak.js';
import { flexibleLengthFor, type RoundPart } from '../measure/fit.js';

/** By how much the longest circumference must exceed what it passes, in mm. */
export const PASS_MARGIN = 5;
/** How much tighter than the size aimed at a slider still closes, in mm. Common practice, no source. */
export const TIGHTER = 20;
/** End in mm that stays beyond a stopper knot after trimming. Common practice, no source. */
export const STUB = 4;

export { mm };

/** Runs whose strand ends at the start, not folds there. */
export const runsFreeAtStart = (site: ClosureSite): Run[] => site.runs.filter((run) => !run.folded);

/** The same length for each of some runs. */
export const useEach = (
  runs: readonly Run[],
  reason: Omit<Use['reason'], 'mm'>,
  each: number | ((run: Run) => number),
): Use[] =>
  runs.map((run) => {
    const length = typeof each === 'number' ? each : each(run);
    return {
      strand: run.strand,
      half: run.half,
      reason: { ...reason, mm: length, times: { count: 1, each: length } },
    };
  });

/** What the fingers need beyond the last knot; trimmed away afterwards. */
export const endTails = (runs: readonly Run[], site: ClosureSite): Use[] =>
  useEach(
    runs,
    {
      code: 'end.tail',
      label: 'Ends to tie with',
      detail: 'for the fingers to tie the last knot; trimmed afterwards',
    },
    (run) => workingTail(run.cord) * (0.5 + 0.5 * PRACTICE_FACTOR[site.practice]),
  );

/** A stopper knot in all of some runs together. */
export const stopperUses = (runs: readonly Run[], form: StopperForm): Use[] => {
  const bundle = bundleOfRuns(runs);
  return useEach(
    runs,
    {
      code: 'knot.end',
      label: STOPPERS[form].label,
      detail: 'at the end of the tail, over and above its length',
      spread: KNOT_SPREAD,
      assumed: runs.length > 1,
    },
    stopper(form, bundle).inKnot,
  );
};

/** The tails field that all sliding closures share. */
export const TAILS_FIELD = {
  type: 'length',
  key: 'tails',
  label: 'Each tail, to its stopper',
  min: 5,
  max: 800,
  open: 'as long as passing takes',
} as const;

/** Whether tails are left as cords or plaited in three. */
export type TailForm = 'straight' | 'plaited';
export const TAIL_FORM_FIELD = {
  type: 'choice',
  key: 'tailForm',
  label: 'The tails are',
  optional: true,
  choices: [
    { id: 'straight', label: 'Left as cords' },
    { id: 'plaited', label: 'Plaited in three', blurb: 'of three cords or more' },
  ],
} as const;

/** What every slider from a cord of its own asks for besides its own form. */
export const SLIDER_FIELDS = [
  { type: 'cord', key: 'cord', label: 'Slider cord' },
  TAILS_FIELD,
  TAIL_FORM_FIELD,
  {
    type: 'choice',
    key: 'stopper',
    label: 'At the ends of the tails',
    choices: STOPPER_FORMS.map((id) => ({ id, label: STOPPERS[id].label })),
  },
] as const satisfies readonly Field[];

/** A slider from a cord of its own. */
export interface OwnCordSlider extends ClosureBase, WithTails {
  readonly cord: Cord;
  readonly stopper: StopperForm;
}

/** A closure whose tails may be plaited; straight when it does not say. */
export interface WithTails {
  readonly tails: number | null;
  readonly tailForm?: TailForm;
}

/** The plait that tails make; null where they are left as cords, or are too few. */
export const plaitOfTails = (site: ClosureSite, form: TailForm | undefined): Plaiting | null =>
  form === 'plaited' ? plaitingOf('three', 'even', site.runs) : null;

/** What lies side by side in something that holds both tails: cords, or two plaits. */
export function coresOfTails(
  site: ClosureSite,
  form: TailForm | undefined,
): { readonly count: number; readonly d: number } {
  const plaiting = plaitOfTails(site, form);
  if (plaiting) {
    const { width, thickness } = sectionOfPlait(plaiting);
    return { count: 2, d: (width + thickness) / 2 };
  }
  const { runs } = site;
  const d = runs.reduce((sum, run) => sum + effectiveDiameter(run.cord), 0) / runs.length;
  return { count: 2 * runs.length, d };
}

/** Diameter in mm of both tails, drawn together. */
export function acrossTails(site: ClosureSite, form: TailForm | undefined): number {
  if (!plaitOfTails(site, form)) return bundleOfRuns([...site.runs, ...site.runs]);
  const { count, d } = coresOfTails(site, form);
  return bundleDiameter(Array.from({ length: count }, () => d));
}

/** Half the thickness in mm of tails where they lie on the skin. */
const heightOf = (site: ClosureSite, form: TailForm | undefined): number => {
  const plaiting = plaitOfTails(site, form);
  return plaiting
    ? sectionOfPlait(plaiting).thickness / 2
    : Math.max(...site.runs.map((run) => effectiveDiameter(run.cord))) / 2;
};

/** Tails that stay: they lie outside of the body and are drawn in and out. */
export function tailUses(
  runs: readonly Run[],
  length: number,
  plaiting: Plaiting | null = null,
): Use[] {
  const reason = {
    code: 'closure.tails',
    label: 'Sliding tails',
    detail: 'from the body to the stopper knot',
  };
  if (!plaiting) return useEach(runs, reason, length);
  const more = plaitRatio(plaiting.form, plaiting.q);
  return useEach(
    runs,
    {
      ...reason,
      label: 'Plaited tails',
      detail: `${more.toFixed(2)} times their length, as the strands go from side to side`,
      spread: PLAIT_SPREAD,
    },
    more * length,
  );
}

export interface Slide {
  /** Length of each tail in mm, from the body to its stopper. */
  readonly tail: number;
  readonly shortest: number;
  readonly longest: number;
  /** Tail that passing the hand takes. */
  readonly needed: number;
}

/**
 * Tails of a closure whose two tails overlap in something that holds `grip` of each.
 *
 * One slider over both: extra = s to 2 T - s. Two sliding knots: S + k to 2 S - k.
 *
 * @param grip length of the slider or of one sliding knot in mm
 * @param closure its tails: as the maker set them, or null for what passing takes
 * @param two whether there are two knots, one on each tail
 */
export function slide(
  site: ClosureSite,
  body: readonly RoundPart[],
  grip: number,
  { tails, tailForm }: WithTails,
  two: boolean,
): Slide {
  const height = heightOf(site, tailForm);
  const want = site.pass.mm + PASS_MARGIN;
  const extra = flexibleLengthFor(Math.max(want, site.target), height, body, site.turns);
  // Long enough to pass, to close at the size aimed at, and to be tied at all.
  const least = grip + TIGHTER / 2 + 5;
  const needed = Math.max((extra + grip) / 2, least);
  const tail = tails ?? needed;
  return {
    tail,
    shortest: two ? tail + grip : grip,
    longest: Math.max(2 * tail - grip, two ? tail + grip : grip),
    needed,
  };
}

/** What lies in the round when a slider stands at the size aimed at. */
export const slideAim = (site: ClosureSite, grip: number, form?: TailForm): RoundPart[] => {
  const height = heightOf(site, form);
  return [{ kind: 'flexible', length: grip + TIGHTER, height }];
};

export const slideStates = (site: ClosureSite, at: Slide, form?: TailForm): ClosureState[] => {
  const height = heightOf(site, form);
  return [
    {
      id: 'shortest',
      label: 'Drawn in',
      extra: [{ kind: 'flexible', length: at.shortest, height }],
    },
    {
      id: 'longest',
      label: 'Drawn out',
      extra: [{ kind: 'flexible', length: at.longest, height }],
    },
  ];
};

/** What there is to say about the tails of a sliding closure. */
export function slideAdvice(site: ClosureSite, at: Slide, grip: number, form?: TailForm): Advice[] {
  const advice: Advice[] = [];
  if (form === 'plaited' && !plaitOfTails(site, form)) {
    advice.push({ ...tooFew('three'), path: 'tailForm' });
  }
  const { what, mm: girth, estimated } = site.pass;
  if (at.tail < grip) {
    advice.push({
      code: 'closure.tails-short',
      severity: 'error',
      message: `Tails of ${mm(at.tail)} are too short for a slider of ${mm(grip)} to be tied over them.`,
      remedy: `Make them at least ${mm(Math.ceil(at.needed))}.`,
      path: 'tails',
      fix: fixTails(at.needed),
    });
  } else if (at.tail < at.needed - 0.5) {
    advice.push({
      code: 'closure.range',
      severity: 'warning',
      message: `Drawn out it does not pass the ${what} (${mm(girth)}${estimated ? ', estimated' : ''}); each tail must be ${mm(at.needed - at.tail)} longer.`,
      remedy: `Make the tails ${mm(Math.ceil(at.needed))}.`,
      path: 'tails',
      fix: fixTails(at.needed),
    });
  }
  if (site.runs.some((run) => run.folded)) {
    advice.push({
      code: 'closure.folded',
      severity: 'error',
      message: 'A slider needs free ends at both sides; here a strand is folded at the start.',
      remedy: 'Use the strands single, or choose a loop closure.',
      path: 'type',
    });
  }
  return advice;
}

const fixTails = (needed: number) => ({
  label: `Tails of ${mm(Math.ceil(needed))}`,
  path: 'tails',
  value: Math.ceil(needed),
});

/** Everything of a layout that closures with one slider over both tails have alike. */
export function slidingLayout(
  site: ClosureSite,
  body: readonly RoundPart[],
  grip: number,
  closure: WithTails,
): {
  readonly at: Slide;
  readonly layout: Pick<ClosureLayout, 'states' | 'uses' | 'reach' | 'advice' | 'measures'>;
} {
  const at = slide(site, body, grip, closure, false);
  const plaiting = plaitOfTails(site, closure.tailForm);
  const start = runsFreeAtStart(site);
  return {
    at,
    layout: {
      states: slideStates(site, at, closure.tailForm),
      reach: { start: at.tail + 12, end: at.tail + 12 },
      uses: [
        ...tailUses(start, at.tail, plaiting),
        ...tailUses(site.runs, at.tail, plaiting),
        ...endTails([...start, ...site.runs], site),
      ],
      advice: slideAdvice(site, at, grip, closure.tailForm),
      measures: { tail: at.tail, grip },
    },
  };
}

/** How plaited tails are made, before anything closes over them. */
export const plaitSteps = (
  site: ClosureSite,
  form: TailForm | undefined,
  length: number,
): PartStep[] => {
  const plaiting = plaitOfTails(site, form);
  if (!plaiting) return [];
  return [
    once(
      `Plait the ends, ${mm(length)} each`,
      `Three bundles, as even as they can be: ${tellBundles(plaiting.bundles)}. Outer ones over the middle by turns, close to the work, drawn even; a clip or a small knot holds each plait until its stopper is tied.`,
    ),
  ];
};
