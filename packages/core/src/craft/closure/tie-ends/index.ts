import { knotInRuns } from '../../part/pick.js';
import {
  plainClosure,
  type ClosureBase,
  type ClosureKind,
} from '../../../base/kind/closure-kind.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import type { Advice } from '../../../base/measure/advice.js';
import { laid, say } from '../../../base/measure/saying.js';
import { drawTails } from '../tail-drawing.js';
import {
  plaitAdvice,
  plaitOfTails,
  plaitSteps,
  TAIL_FORM_FIELD,
  tailUses,
  type TailForm,
} from '../tails.js';
import { closureAt, type Action } from '../../../base/action/action.js';
import { outerEnds, startEnds } from '../../part/ends.js';
import { tiedIn } from '../../knot/tied.js';
import { check, leave, tiedStep, runsFreeAtStart } from '../uses.js';
import { workingEnds } from '../../../base/kind/working-ends.js';

/** Ends that are tied to each other on the wearer. */
export interface TieEnds extends ClosureBase {
  readonly type: 'tie-ends';
  /** Each end in mm, from the body. */
  readonly length: number;
  readonly tailForm?: TailForm;
}

/** What of an end in mm its knot and the fingers take. Common practice, no source. */
const TIED = 60;
/** Ends shorter than this in mm are hard to tie with one hand. Common practice, no source. */
const SHORT = 70;

// The knot at the end of every tie is part of its length.
const TIES = {
  code: 'closure.ties',
  straight: 'Ends to tie',
  plaited: 'Plaited ends to tie',
  why: 'they stay',
};

function adviceOf(closure: TieEnds, sides: number): Advice[] {
  if (sides === 1) {
    return [
      {
        code: 'ties.fold',
        severity: 'note',
        message: 'The folds at the start make a loop that the ends are tied through.',
        remedy: 'For ends on both sides use the strands single.',
        path: 'type',
      },
    ];
  }
  if (closure.length >= SHORT) return [];
  return [
    {
      code: 'ties.short',
      severity: 'warning',
      message: say`Ends of ${laid(closure.length)} are hard to tie with one hand.`,
      remedy: say`Give them ${laid(75)} to ${laid(100)} each.`,
      path: 'length',
    },
  ];
}

export const tieEnds: ClosureKind<TieEnds> = {
  entry: {
    type: 'tie-ends',
    label: 'Tie ends',
    blurb: 'Long ends, tied together on the wearer.',
    goodFor: 'The first piece, and the festival one: it fits everybody and needs nothing.',
    opens: true,
  },
  fields: [
    { type: 'length', key: 'length', label: 'Each end', min: 30, max: 600 },
    TAIL_FORM_FIELD,
  ],
  // Three to four inches each. Common practice, no source.
  make: () => ({ type: 'tie-ends', length: 90, tailForm: 'straight' }),
  aim: (_closure, site) => [
    { kind: 'flexible', length: knotInRuns('overhand', site.runs).length, height: 1 },
  ],
  layOut(closure, site) {
    const start = runsFreeAtStart(site);
    const height = Math.max(...site.runs.map((run) => effectiveDiameter(run.cord))) / 2;
    // Ends that are tied through the loop of a fold come from one side alone.
    const sides = start.length > 0 ? 2 : 1;
    const faults = plaitAdvice(site, closure.tailForm);
    // A knot, and enough of every end to tie it with again, stay over.
    const long = Math.max(1, sides * (closure.length - TIED));
    return plainClosure(
      {},
      {
        states: [
          { id: 'tied', label: 'Tied close', extra: tieEnds.aim(closure, site) },
          { id: 'loose', label: 'Tied long', extra: [{ kind: 'flexible', length: long, height }] },
        ],
        reach: { start: sides === 2 ? closure.length + 6 : 2, end: closure.length + 6 },
        uses: [
          ...tailUses(
            [...start, ...site.runs],
            closure.length,
            plaitOfTails(site, closure.tailForm),
            TIES,
          ),
          ...workingEnds([...start, ...site.runs], site, 'stopper'),
        ],
        advice: faults.length > 0 ? faults : adviceOf(closure, sides),
      },
    );
  },
  draw: (closure, site, _layout, { length, done }) =>
    drawTails(site, closure.length, length, 'overhand', done ? 'laid' : 'planned', {
      plaiting: plaitOfTails(site, closure.tailForm),
    }),
  steps(closure, site, _layout, _length, first) {
    const both = runsFreeAtStart(site).length > 0;
    const plaited = plaitOfTails(site, closure.tailForm) !== null;
    const knotted = (side: 'start' | 'end'): Action[] => {
      const by = side === 'start' ? startEnds(runsFreeAtStart(site)) : outerEnds(site.runs);
      if (by.length === 0) return [];
      return [
        ...(plaited ? [] : leave(side, by, closure.length)),
        {
          do: 'tie',
          place: closureAt(side),
          knot: { form: 'stopper', stopper: 'overhand', within: true },
          by,
          mm: 0,
        },
      ];
    };
    return {
      start: [],
      end: [
        ...plaitSteps(site, closure.tailForm, closure.length, first),
        tiedStep(
          both ? 'Tie a knot at the end of each tie' : 'Tie a knot at the end of the tie',
          say`${both ? 'Each' : 'It'} is ${laid(closure.length)} long with its knot; a small knot keeps it from coming undone.`,
          [tiedIn('overhand', [site.runs[0]], first)],
          [...knotted('start'), ...knotted('end')],
        ),
      ],
    };
  },
  worn: (_closure, site) =>
    runsFreeAtStart(site).length > 0
      ? 'Tie both ends together: right over left and through, then left over right and through.'
      : 'Lead the tie through the loop and tie it to itself with a bow.',
  extends: 'the ties make up for it',
  finish: () => ({
    stays: ['the ties, out to the knots at their ends'],
    checks: [check('Tied and pulled, the ties hold', 'The knots at their ends do not slip.')],
  }),
  mistakes: ['Ends cut to length before the knots at their ends are tied.'],
};
