import type { Run } from '../../base/kind/run.js';
import type { PartSite, Stop } from '../../base/kind/part-kind.js';
import {
  passingSize,
  STOPPERS,
  STOPPER_FORMS,
  stopper,
  type StopperForm,
  type StopperSize,
} from '../knot/stopper.js';
import { effectiveDiameter } from '../../base/material/cord.js';
import { bundleDiameter } from '../../base/material/passage.js';

/** The runs a part names, in its order; all that lie there when it names none. */
export function pickRuns(site: PartSite, numbers: readonly number[] | null): Run[] {
  if (numbers === null) return [...site.runs];
  const named = site.runs.filter((run) => numbers.includes(run.index));
  return named.length > 0 ? named : [...site.runs];
}

/** A knot in all of some runs at once; a run that comes back beside itself is listed twice. */
export const knotInRuns = (form: StopperForm, runs: readonly Run[]): StopperSize =>
  stopper(
    form,
    runs.map((run) => effectiveDiameter(run.cord)),
  );

/** What such a knot stops. */
export function stopInRuns(form: StopperForm, runs: readonly Run[]): Stop {
  const cords = runs.map((run) => run.cord);
  const passes = passingSize(form, cords);
  return {
    what: STOPPERS[form].label,
    passes,
    runs: runs.map((run) => run.index),
    larger: STOPPER_FORMS.map((other) => ({
      form: other,
      what: STOPPERS[other].label,
      passes: passingSize(other, cords),
    }))
      .filter((other) => other.passes > passes)
      .sort((a, b) => a.passes - b.passes),
  };
}

/** Diameter in mm of runs drawn together into one bundle. */
export const bundleOfRuns = (runs: readonly Run[]): number =>
  bundleDiameter(runs.map((run) => effectiveDiameter(run.cord)));

/** "cord 2", "cords 1 and 2", "all cords": how a step names the runs it is done with. */
export function nameRuns(runs: readonly Run[], site: PartSite): string {
  if (runs.length === site.runs.length) return runs.length === 1 ? 'the cord' : 'all cords';
  const strands = [...new Set(runs.map((run) => run.strand))];
  return strands.length === 1 ? `cord ${strands[0]}` : `cords ${strands.join(' and ')}`;
}
