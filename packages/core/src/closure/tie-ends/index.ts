import {
  plainClosure,
  type ClosureBase,
  type ClosureKind,
  type ClosureSite,
} from '../../kind/closure-kind.js';
import { PLAIT_SPREAD, type Use } from '../../kind/reason.js';
import type { Run } from '../../kind/run.js';
import { plaitRatio } from '../../knot/plait.js';
import { stopper } from '../../knot/stopper.js';
import { effectiveDiameter } from '../../material/cord.js';
import { bundleOfRuns } from '../../part/pick.js';
import { tooFew } from '../../part/plait/model.js';
import { once } from '../steps.js';
import { drawTails } from '../tail-drawing.js';
import {
  runsFreeAtStart,
  mm,
  plaitOfTails,
  plaitSteps,
  TAIL_FORM_FIELD,
  useEach,
  type TailForm,
} from '../tails.js';

/** Ends that are tied to each other on the wearer. */
export interface TieEnds extends ClosureBase {
  readonly type: 'tie-ends';
  /** Each end in mm, from the body. */
  readonly length: number;
  readonly tailForm?: TailForm;
}

/** Every end as long as it is, or as long as its plait takes; the knot at its end is part of it. */
function tieUses(closure: TieEnds, site: ClosureSite, runs: readonly Run[]): Use[] {
  const plaiting = plaitOfTails(site, closure.tailForm);
  const more = plaiting ? plaitRatio(plaiting.form, plaiting.q) : 1;
  return useEach(
    runs,
    plaiting
      ? {
          code: 'closure.ties',
          label: 'Plaited ends to tie',
          detail: `${more.toFixed(2)} times their length, as the strands go from side to side`,
          spread: PLAIT_SPREAD,
        }
      : { code: 'closure.ties', label: 'Ends to tie', detail: 'they stay' },
    more * closure.length,
  );
}

/** What of an end in mm its knot and the fingers take. Common practice, no source. */
const TIED = 60;

export const tieEnds: ClosureKind<TieEnds> = {
  entry: {
    type: 'tie-ends',
    label: 'Tie ends',
    blurb: 'Long ends, tied together on the wearer.',
    opens: true,
  },
  fields: [
    { type: 'length', key: 'length', label: 'Each end', min: 30, max: 600 },
    TAIL_FORM_FIELD,
  ],
  // Three to four inches each. Common practice, no source.
  make: () => ({ type: 'tie-ends', length: 90, tailForm: 'straight' }),
  aim: (_closure, site) => [
    { kind: 'flexible', length: stopper('overhand', bundleOfRuns(site.runs)).length, height: 1 },
  ],
  layOut(closure, site) {
    const start = runsFreeAtStart(site);
    const all = [...start, ...site.runs];
    const height = Math.max(...site.runs.map((run) => effectiveDiameter(run.cord))) / 2;
    // Ends that are tied through the loop of a fold come from one side alone.
    const sides = start.length > 0 ? 2 : 1;
    return plainClosure({
      states: [
        { id: 'tied', label: 'Tied close', extra: tieEnds.aim(closure, site) },
        {
          id: 'loose',
          label: 'Tied long',
          // A knot, and enough of every end to tie it with again, stay over.
          extra: [
            { kind: 'flexible', length: Math.max(1, sides * (closure.length - TIED)), height },
          ],
        },
      ],
      reach: { start: sides === 2 ? closure.length + 6 : 2, end: closure.length + 6 },
      uses: tieUses(closure, site, all),
      advice:
        closure.tailForm === 'plaited' && !plaitOfTails(site, closure.tailForm)
          ? [{ ...tooFew('three'), path: 'tailForm' }]
          : start.length === 0
            ? [
                {
                  code: 'ties.fold',
                  severity: 'note',
                  message: 'The folds at the start make a loop that the ends are tied through.',
                  remedy: 'For ends on both sides use the strands single.',
                  path: 'type',
                },
              ]
            : closure.length < 70
              ? [
                  {
                    code: 'ties.short',
                    severity: 'warning',
                    message: `Ends of ${mm(closure.length)} are hard to tie with one hand.`,
                    remedy: 'Give them 75 mm to 100 mm each.',
                    path: 'length',
                  },
                ]
              : [],
      measures: { tail: closure.length },
    });
  },
  draw: (closure, site, _layout, { length, done }) =>
    drawTails(site, closure.length, length, 'overhand', done ? 'laid' : 'planned', {
      plaiting: plaitOfTails(site, closure.tailForm),
    }),
  steps: (closure, site) => ({
    start: [],
    end: [
      ...plaitSteps(site, closure.tailForm, closure.length),
      once(
        'A knot at the end of every tie',
        `Each end ${mm(closure.length)} long; a small overhand knot keeps it from fraying.`,
      ),
    ],
  }),
  finish: {
    stays: ['both ties, out to the knots at their ends'],
    goes: ['the stubs beyond those knots'],
    checks: ['Tied and pulled, the ties hold, and the knots at their ends do not slip.'],
  },
  mistakes: ['Ends cut to length before the knots at their ends are tied.'],
};
