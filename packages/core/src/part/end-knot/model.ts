import { useOf, type Use } from '../../kind/reason.js';
import type { Run } from '../../kind/run.js';
import { END_KNOT_FINGERS, END_KNOTS, type EndKnotForm } from '../../knot/end-knots.js';
import { effectiveDiameter } from '../../material/cord.js';
import { PRACTICE_FACTOR, type Practice } from '../../material/practice.js';
import { inSentence, say } from '../../measure/saying.js';

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
      },
      END_KNOT_FINGERS[form] * effectiveDiameter(run.cord) * PRACTICE_FACTOR[practice],
    ),
  );
