import { type PartBase } from '../../kind/part-kind.js';
import { KNOT_SPREAD, useOf, type Use } from '../../kind/reason.js';
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
    const together = part.tied === 'together' && runs.length > 1;
    return useOf(
      run,
      {
        area: 'knot',
        code: `knot.stopper-${part.form}`,
        label,
        detail: together
          ? 'tied in all of its cords together, taken as one thick cord'
          : 'pulled tight',
        assumed: together,
        spread: KNOT_SPREAD,
      },
      stopper(part.form, d).uses,
    );
  });
}
