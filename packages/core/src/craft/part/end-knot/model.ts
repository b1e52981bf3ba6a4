import { computed } from '../../knot/source.js';
import { PRACTICE, useOf, type Reason, type Use } from '../../../base/kind/reason.js';
import type { Run } from '../../../base/kind/run.js';
import { diamondOf, END_KNOT_FINGERS, END_KNOTS, type EndKnotForm } from '../../knot/end-knots.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import { PRACTICE_FACTOR, type Practice } from '../../../base/material/practice.js';
import { inSentence, say } from '../../../base/measure/saying.js';

/** Where what a bulky knot takes comes from: those that were computed, and a rule for more ends. */
export function endKnotSource(form: EndKnotForm, ends: number): Pick<Reason, 'source' | 'assumed'> {
  if (form === 'carrick') return ends === 2 ? computed('carrick.beyond') : { assumed: true };
  const known = diamondOf(ends);
  return known === null ? { assumed: true } : computed(`diamond.beyond.${known}`);
}

/** What fingers need of every end to tie a bulky knot: it shrinks with practice, and is trimmed away. */
export const bulkyEnds = (
  runs: readonly Run[],
  { practice }: { readonly practice: Practice },
  form: EndKnotForm,
): Use[] =>
  runs.map((run) =>
    useOf(
      run,
      {
        area: 'end',
        code: 'end.bulky',
        label: 'Working end',
        detail: say`what fingers need to tie the ${inSentence(END_KNOTS[form].label)} with; trimmed afterwards`,
        ...PRACTICE,
        fingers: true,
      },
      END_KNOT_FINGERS[form] * effectiveDiameter(run.cord) * PRACTICE_FACTOR[practice],
    ),
  );
