import { TIGHTENED, type TightenedName } from '@coiled-strand/rope';
import { knotTogether, type StopperForm } from './stopper.js';

import { effectiveDiameter } from '../../base/material/cord.js';
import type { Reason } from '../../base/kind/reason.js';
import type { Run } from '../../base/kind/run.js';

// Where the numbers behind a length come from, to be told with it.

/** Computed knots: as sure as the least sure of their numbers. */
export const computed = (...names: readonly TightenedName[]): Pick<Reason, 'source'> => ({
  source: {
    how: 'computed',
    error: Math.max(...names.map((name) => TIGHTENED[name].error)),
  },
});

/** A stopper knot in some cords at once: computed where they are alike and few, else assumed. */
export function stopperSource(
  form: StopperForm,
  runs: readonly Pick<Run, 'cord'>[],
): Pick<Reason, 'source' | 'assumed'> {
  const name = knotTogether(
    form,
    runs.map(({ cord }) => effectiveDiameter(cord)),
  );
  return name === null ? { assumed: true } : computed(name);
}
