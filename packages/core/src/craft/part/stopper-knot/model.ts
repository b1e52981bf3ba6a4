import { stopperSource } from '../../knot/source.js';
import type { PartBase, Stop } from '../../../base/kind/part-kind.js';
import { KNOT_SPREAD, useOf, type Use } from '../../../base/kind/reason.js';
import type { Run } from '../../../base/kind/run.js';
import { STOPPERS, stopper, type StopperForm, type StopperSize } from '../../knot/stopper.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import { knotInRuns, stopInRuns } from '../pick.js';

/** A knot that stops a bead, a slider or an end: in all its cords together, or in each by itself. */
export interface StopperPart extends PartBase {
  readonly kind: 'stopper-knot';
  readonly form: StopperForm;
  readonly tied: 'together' | 'each';
  readonly runs: readonly number[] | null;
}

/** The knot, or of knots in each cord by itself the largest. */
export const largestKnot = (part: StopperPart, runs: readonly Run[]): StopperSize =>
  part.tied === 'together'
    ? knotInRuns(part.form, runs)
    : stopper(part.form, Math.max(...runs.map((run) => effectiveDiameter(run.cord))));

/** What it stops; of knots in each cord by itself the smallest does. */
export const stopOf = (part: StopperPart, runs: readonly Run[]): Stop =>
  part.tied === 'together'
    ? stopInRuns(part.form, runs)
    : runs
        .map((run) => stopInRuns(part.form, [run]))
        .reduce((least, one) => ({
          ...(one.passes < least.passes ? one : least),
          runs: [...least.runs, ...one.runs],
        }));

export function knotUses(part: StopperPart, runs: readonly Run[]): Use[] {
  const { label } = STOPPERS[part.form];
  return runs.map((run) => {
    const together = part.tied === 'together' && runs.length > 1;
    return useOf(
      run,
      {
        area: 'knot',
        code: `knot.stopper-${part.form}`,
        label,
        detail: together ? 'tied in all of its cords together' : 'pulled tight',
        spread: KNOT_SPREAD,
        ...stopperSource(part.form, together ? runs : [run]),
      },
      knotInRuns(part.form, part.tied === 'together' ? runs : [run]).uses,
    );
  });
}
