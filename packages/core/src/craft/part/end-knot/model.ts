import { computed } from '../../knot/source.js';
import type { Reason, Use } from '../../../base/kind/reason.js';
import type { Run } from '../../../base/kind/run.js';
import { workingEnds } from '../../../base/kind/working-ends.js';
import type { Practice } from '../../../base/material/practice.js';
import { diamondOf, tyingOfEndKnot, type EndKnotForm } from '../../knot/end-knots.js';

/** Where what a bulky knot takes comes from: those that were computed, and a rule for more ends. */
export function endKnotSource(form: EndKnotForm, ends: number): Pick<Reason, 'source' | 'assumed'> {
  if (form === 'carrick') return ends === 2 ? computed('carrick.beyond') : { assumed: true };
  const known = diamondOf(ends);
  return known === null ? { assumed: true } : computed(`diamond.beyond.${known}`);
}

/** What fingers need of every end to tie a bulky knot; trimmed away. */
export const bulkyEnds = (
  runs: readonly Run[],
  site: { readonly practice: Practice },
  form: EndKnotForm,
): Use[] => workingEnds(runs, site, 'bulky', tyingOfEndKnot(form, runs.length));
