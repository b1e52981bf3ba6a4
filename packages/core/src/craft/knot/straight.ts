import { useOf, type Use } from '../../base/kind/reason.js';
import type { Run } from '../../base/kind/run.js';

/** Cord that runs lose to the length of a part by lying straight in it. */
export const straightUse = (runs: readonly Run[], length: number): Use[] =>
  length <= 0
    ? []
    : runs.map((run) =>
        useOf(
          run,
          {
            area: 'run',
            code: 'run.straight',
            label: 'Straight runs',
            detail: 'as long as the work they lie in',
          },
          length,
        ),
      );
