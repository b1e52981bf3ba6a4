import { type PartBase } from '../../kind/part-kind.js';
import { KNOT_SPREAD, type Use } from '../../kind/reason.js';
import type { Run } from '../../kind/run.js';
import { STOPPERS, stopper, type StopperForm } from '../../knot/stopper.js';
import { effectiveDiameter } from '../../material/cord.js';
import { bundleOfRuns } from '../pick.js';

/** A knot that stops a bead, a slider or an end: in all its cords together, or in each by itself. */
export interface StopperPart extends PartBase {
  readonly kind: 'stopper-knot';
  readonly form: StopperForm;
  readonly tied: 'together' | 'each';
  readonly runs: readonly number[] | null;
}

/** Diameter in mm of what one knot is tied in. */
export const knotDiameter = (part: StopperPart, runs: readonly Run[]): number =>
  part.tied === 'together'
    ? bundleOfRuns(runs)
    : Math.max(...runs.map((run) => effectiveDiameter(run.cord)));

export function knotUses(part: StopperPart, runs: readonly Run[]): Use[] {
  const { label } = STOPPERS[part.form];
  return runs.map((run) => {
    const d = part.tied === 'together' ? bundleOfRuns(runs) : effectiveDiameter(run.cord);
    const each = stopper(part.form, d).uses;
    return {
      strand: run.strand,
      half: run.half,
      reason: {
        code: 'knot.stopper',
        label,
        detail:
          part.tied === 'together' && runs.length > 1
            ? 'tied in all of its cords together, taken as one thick cord'
            : 'pulled tight',
        mm: each,
        times: { count: 1, each },
        assumed: part.tied === 'together' && runs.length > 1,
        spread: KNOT_SPREAD,
      },
    };
  });
}
