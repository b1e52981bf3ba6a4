import { stopperSource } from '../knot/source.js';
import { closureAt, type Action, type ActionOf, type End } from '../../base/action/action.js';
import type { Check, ClosureSite } from '../../base/kind/closure-kind.js';
import type { PartStep } from '../../base/kind/part-kind.js';
import { KNOT_SPREAD, useOf, type Reason, type Use } from '../../base/kind/reason.js';
import type { Run } from '../../base/kind/run.js';
import type { Caution, Tied } from '../../base/kind/step.js';
import { STOPPERS, type StopperForm } from '../knot/stopper.js';
import { workingEnds } from '../../base/kind/working-ends.js';
import type { Saying } from '../../base/measure/saying.js';
import { knotInRuns } from '../part/pick.js';

/** Runs whose strand ends at the start, not folds there. */
export const runsFreeAtStart = (site: ClosureSite): Run[] => site.runs.filter((run) => !run.folded);

/** The same length for each of some runs. */
export const useEach = (
  runs: readonly Run[],
  reason: Omit<Reason, 'mm' | 'times'>,
  each: number | ((run: Run) => number),
): Use[] => runs.map((run) => useOf(run, reason, typeof each === 'number' ? each : each(run)));

/** The working ends of a stopper, whose forms are called as their tyings are. */
export const stopperEnds = (
  runs: readonly Run[],
  site: Pick<ClosureSite, 'practice'>,
  form: StopperForm,
): Use[] => workingEnds(runs, site, STOPPERS[form].turns >= 2 ? 'barrel' : 'stopper', form);

/** A stopper knot in all of some runs together. */
export const stopperUses = (runs: readonly Run[], form: StopperForm): Use[] =>
  useEach(
    runs,
    {
      area: 'knot',
      code: 'knot.end',
      label: STOPPERS[form].label,
      detail: 'at the end of the tail, over and above its length',
      spread: KNOT_SPREAD,
      ...stopperSource(form, runs),
    },
    knotInRuns(form, runs).inKnot,
  );

/** An instruction that is followed once. */
export const singleStep = (
  title: Saying,
  text: Saying,
  actions: readonly Action[],
  ...cautions: Caution[]
): PartStep => ({ title, text, units: 1, actions, cautions });

/** An instruction that is followed once, and how it is tied. */
export const tiedStep = (
  title: Saying,
  text: Saying,
  tied: readonly Tied[],
  actions: readonly Action[],
  ...cautions: Caution[]
): PartStep => ({ ...singleStep(title, text, actions, ...cautions), tied });

/** It is tried on in this step, the ends held together. */
export const tryOn = (title: Saying, text: Saying): PartStep =>
  singleStep(title, text, [{ do: 'try-on', how: 'held' }]);

/** Straight cord that is left and stays, at one side of the piece. */
export const leave = (side: 'start' | 'end', on: readonly End[], mm: number): ActionOf<'lay'>[] =>
  on.length === 0 ? [] : [{ do: 'lay', place: closureAt(side), on, mm }];

/** A stopper in all of some ends together. */
export const stopperIn = (
  side: 'start' | 'end',
  by: readonly End[],
  form: StopperForm,
  mm: number,
): ActionOf<'tie'>[] =>
  by.length === 0
    ? []
    : [{ do: 'tie', place: closureAt(side), knot: { form: 'stopper', stopper: form }, by, mm }];

/**
 * What is looked at when all is done.
 * @param rest what the whole sentence says beyond its title
 * @param watch what to watch for; nothing where the title says it all
 *
 * @example check('Pull at both ends', 'No knot creeps.').text // 'No knot creeps.'
 */
export const check = (title: Saying, watch: Saying = ''): Check => ({ title, text: watch });
