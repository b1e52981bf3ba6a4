import { knottedWith, LAST_ACTIONS, workingEnd, type LastAction } from '../material/working-end.js';
import type { Practice } from '../material/practice.js';
import { PRACTICE, useOf, type Reason, type Use } from './reason.js';
import type { Run } from './run.js';

/** What is done with a measure, or at a socket, and not with what fingers can hold. */
const MEASURED: readonly LastAction[] = ['socket', 'slides', 'chain'];

/** What is said of an end that fingers need: what it is for, and that it does not stay. */
export const endReason = (action: LastAction): Omit<Reason, 'mm' | 'times'> => ({
  area: 'end',
  code: `end.${action}`,
  label: 'Working end',
  detail: `what fingers need to ${LAST_ACTIONS[action].to}; trimmed afterwards`,
  ...PRACTICE,
  ...(MEASURED.includes(action) ? {} : { fingers: true }),
});

/**
 * What fingers need of every end for what is done last with it; trimmed away afterwards.
 *
 * @param tying how the knot is tied, where it is another than is usual for that
 */
export const workingEnds = (
  runs: readonly Run[],
  { practice }: { readonly practice: Practice },
  action: LastAction,
  tying?: string,
): Use[] =>
  runs.map((run) => {
    const own = knottedWith(run.cord, action);
    return useOf(run, endReason(own), workingEnd(own, run.cord, practice, tying));
  });
