import type { ClosureBase, ClosureSite } from '../../base/kind/closure-kind.js';
import { choiceField, formField, type Field } from '../../base/kind/field.js';
import type { PartStep } from '../../base/kind/part-kind.js';
import { PLAIT_SPREAD, type Use } from '../../base/kind/reason.js';
import type { Run } from '../../base/kind/run.js';
import { closureAt, type ActionOf } from '../../base/action/action.js';
import { plaitRatio, plaitAside } from '../knot/plait.js';
import { outerEnds, startEnds } from '../part/ends.js';
import { STOPPERS, STOPPER_FORMS, type StopperForm } from '../knot/stopper.js';
import { effectiveDiameter, type Cord } from '../../base/material/cord.js';
import { bundleDiameter } from '../../base/material/passage.js';
import type { Advice } from '../../base/measure/advice.js';
import { laid, say } from '../../base/measure/saying.js';
import type { Side } from '../../base/measure/side.js';
import { bundleOfRuns } from '../part/pick.js';
import {
  plaitingOf,
  sectionOfPlait,
  tellBundles,
  tiedPlait,
  tooFew,
  type Plaiting,
} from '../part/plait/model.js';
import { tiedStep, runsFreeAtStart, useEach } from './uses.js';

/** Whether tails are left as cords or plaited in three. */
export type TailForm = 'straight' | 'plaited';

/** A closure whose tails may be plaited; straight when it does not say. */
export interface WithTails {
  readonly tails: number | null;
  readonly tailForm?: TailForm;
}

/** A slider from a cord of its own. */
export interface OwnCordSlider extends ClosureBase, WithTails {
  readonly cord: Cord;
  readonly stopper: StopperForm;
}

/** The tails field that all sliding closures share. */
export const TAILS_FIELD = {
  type: 'length',
  key: 'tails',
  label: 'Each tail, to its stopper',
  min: 5,
  max: 800,
  open: 'as long as passing takes',
} as const;

export const TAIL_FORM_FIELD = choiceField<TailForm>(
  'tailForm',
  'The tails are',
  { straight: 'Left as cords', plaited: ['Plaited in three', 'of three cords or more'] },
  { optional: true },
);

/** What every slider from a cord of its own asks for besides its own form. */
export const SLIDER_FIELDS: readonly Field[] = [
  { type: 'cord', key: 'cord', label: 'Slider cord' },
  TAILS_FIELD,
  TAIL_FORM_FIELD,
  formField('stopper', 'At the ends of the tails', STOPPER_FORMS, STOPPERS),
];

/** The plait that tails make; null where they are left as cords, or are too few. */
export const plaitOfTails = (site: ClosureSite, form: TailForm | undefined): Plaiting | null =>
  form === 'plaited' ? plaitingOf('three', 'even', site.runs) : null;

/** Too few cords for the plait that the tails are to be. */
export const plaitAdvice = (site: ClosureSite, form: TailForm | undefined): Advice[] =>
  form === 'plaited' && !plaitOfTails(site, form) ? [{ ...tooFew('three'), path: 'tailForm' }] : [];

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
export const heightOfTails = (site: ClosureSite, form: TailForm | undefined): number => {
  const plaiting = plaitOfTails(site, form);
  return plaiting
    ? sectionOfPlait(plaiting).thickness / 2
    : Math.max(...site.runs.map((run) => effectiveDiameter(run.cord))) / 2;
};

/** Cord in tails of a length that stay: as long as they are, or as their plait takes. */
export function tailUses(
  runs: readonly Run[],
  length: number,
  plaiting: Plaiting | null,
  said: {
    readonly code: string;
    readonly straight: string;
    readonly plaited: string;
    readonly why: string;
  },
): Use[] {
  const of = { area: 'closure', code: said.code } as const;
  if (!plaiting) return useEach(runs, { ...of, label: said.straight, detail: said.why }, length);
  const more = plaitRatio(plaiting.form, plaiting.q);
  return useEach(
    runs,
    {
      ...of,
      label: said.plaited,
      detail: `${more.toFixed(2)} times their length, as the strands go from side to side`,
      spread: PLAIT_SPREAD,
    },
    more * length,
  );
}

/** The plait of the tails at one side. */
function plaitAction(
  { form, d, q, pitch, bundles }: Plaiting,
  side: 'start' | 'end',
  length: number,
): ActionOf<'plait'>[] {
  const ends = bundles.map((bundle) => (side === 'start' ? startEnds(bundle) : outerEnds(bundle)));
  if (ends.every((own) => own.length === 0)) return [];
  return [
    {
      do: 'plait',
      place: closureAt(side),
      bundles: ends,
      form,
      aside: plaitAside(form, q) * d,
      pitch,
      mm: length,
      after: 0,
      before: 0,
    },
  ];
}

/** How plaited tails are made, before anything closes over them. */
export const plaitSteps = (
  site: ClosureSite,
  form: TailForm | undefined,
  length: number,
  first: Side,
): PartStep[] => {
  const plaiting = plaitOfTails(site, form);
  if (!plaiting) return [];
  const both = runsFreeAtStart(site).length > 0;
  return [
    tiedStep(
      both
        ? say`Plait the ends, ${laid(length)} at each side`
        : say`Plait the ends, ${laid(length)}`,
      say`Three bundles: ${tellBundles(plaiting.bundles)}.`,
      [tiedPlait(plaiting, first)],
      [...plaitAction(plaiting, 'start', length), ...plaitAction(plaiting, 'end', length)],
    ),
  ];
};
