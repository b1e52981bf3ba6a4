import { hempRule } from '../hemp-rule.js';
import { tiedIn, tiedLoop } from '../../knot/tied.js';
import { stopperSource } from '../../knot/source.js';
import { knotInRuns } from '../../part/pick.js';
import {
  plainClosure,
  type ClosureBase,
  type ClosureKind,
  type ClosureSite,
} from '../../../base/kind/closure-kind.js';
import { formField } from '../../../base/kind/field.js';
import { KNOT_SPREAD, type Use } from '../../../base/kind/reason.js';
import { loopFor } from '../../knot/loop.js';
import { STOPPERS, STOPPER_FORMS, type StopperForm } from '../../knot/stopper.js';
import { moved, straightRuns } from '../../knot/stroke.js';
import { knotStrokes } from '../../part/stopper-knot/drawing.js';
import {
  drawLoops,
  loopEnd,
  loopReach,
  loopStates,
  tellLoop,
  type LoopMeasures,
} from '../loops.js';
import { AT_END, type Action } from '../../../base/action/action.js';
import type { Run } from '../../../base/kind/run.js';
import { END_KNOTS, DRAW_UP_END_KNOTS, endKnotSize, tiedEndKnot } from '../../knot/end-knots.js';
import { turksHeadStrokes } from '../../knot/round-drawing.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import { outerEnds } from '../../part/ends.js';
import { bulkyEnds, endKnotSource } from '../../part/end-knot/model.js';
import { check, singleStep, tiedStep, stopperEnds, stopperIn, useEach } from '../uses.js';
import { oneOf } from '../../../base/measure/plural.js';
import { say } from '../../../base/measure/saying.js';

/** A loop at the start, a thick knot in all cords at the end. */
export interface LoopAndKnot extends ClosureBase {
  readonly type: 'loop-and-knot';
  readonly form: StopperForm | 'diamond';
}

/** The knots that close it: a stopper in all cords, or a diamond knot of all ends, which is a button. */
const KNOTS = {
  ...STOPPERS,
  diamond: { label: END_KNOTS.diamond.label, blurb: 'a button of cord, of two ends or more' },
} as const;
const KNOT_FORMS = [...STOPPER_FORMS, 'diamond'] as const;

/** Its size in mm, and the cord of every end that lies in it. */
function knotOf(
  { form }: LoopAndKnot,
  { runs }: ClosureSite,
): { readonly length: number; readonly width: number; inKnot(run: Run): number } {
  if (form !== 'diamond') {
    const size = knotInRuns(form, runs);
    return { ...size, inKnot: () => size.inKnot };
  }
  const d = Math.max(...runs.map((run) => effectiveDiameter(run.cord)));
  const ends = Math.max(2, runs.length);
  const { length, width, inKnot } = endKnotSize('diamond', ends);
  return {
    length: length * d,
    width: width * d,
    inKnot: (run) => Math.max(length * d, inKnot * effectiveDiameter(run.cord)),
  };
}

/** What fingers need of every end to work it with. */
const endsFor = ({ form }: LoopAndKnot, site: ClosureSite): Use[] =>
  form === 'diamond' ? bulkyEnds(site.runs, site, form) : stopperEnds(site.runs, site, form);

/** How the end of a piece is knotted, by the hands. */
const tieKnot = (closure: LoopAndKnot, site: ClosureSite): Action[] =>
  closure.form === 'diamond'
    ? [
        {
          do: 'tie',
          place: AT_END,
          knot: { form: 'bulky', knot: 'diamond', ends: Math.max(2, site.runs.length) },
          by: outerEnds(site.runs),
          mm: knotOf(closure, site).length,
        },
      ]
    : stopperIn('end', outerEnds(site.runs), closure.form, knotOf(closure, site).length);

/** The knot passes as a ball of its own width. */
const loopOf = (closure: LoopAndKnot, site: ClosureSite) => {
  const { width } = knotOf(closure, site);
  return loopEnd(site, loopFor({ shape: 'ball', diameter: width, thickness: width }), 'start', 1);
};

export const loopAndKnot: ClosureKind<LoopAndKnot, LoopMeasures> = {
  entry: {
    type: 'loop-and-knot',
    label: 'Loop and stopper knot',
    blurb: 'Cord alone: a knot at one end passes a loop at the other.',
    goodFor: 'Nothing but the cord itself: good where metal is not borne, and cheap.',
    opens: true,
    trials: ['passes'],
  },
  ruleOfThumb: (_closure, work) => hempRule(work),
  fields: [formField('form', 'Knot', KNOT_FORMS, KNOTS)],
  make: () => ({ type: 'loop-and-knot', form: 'double-barrel' }),
  aim: (closure, site) =>
    loopStates(site, loopOf(closure, site), 1, knotOf(closure, site).length / 2)[0]!.extra,
  layOut(closure, site) {
    const knot = knotOf(closure, site);
    const loop = loopOf(closure, site);
    return plainClosure(
      { perimeter: loop.perimeter },
      {
        states: loopStates(site, loop, 1, knot.length / 2),
        reach: { start: loopReach(loop, 1), end: knot.length + 6 },
        uses: [
          ...loop.uses,
          ...useEach(
            site.runs,
            {
              area: 'knot',
              code: 'knot.end',
              label: KNOTS[closure.form].label,
              detail: 'in all cords together',
              spread: KNOT_SPREAD,
              ...(closure.form === 'diamond'
                ? endKnotSource('diamond', Math.max(2, site.runs.length))
                : stopperSource(closure.form, site.runs)),
            },
            (run) => knot.inKnot(run),
          ),
          ...endsFor(closure, site),
        ],
        advice:
          closure.form === 'diamond' && site.runs.length < 2
            ? [
                {
                  code: 'knot.ends',
                  severity: 'error',
                  message: 'A diamond knot takes two ends or more; one cord reaches the end here.',
                  remedy: 'Fold the cord, or choose a stopper knot.',
                  path: 'form',
                },
              ]
            : [],
      },
    );
  },
  draw(closure, site, _layout, { length, done }) {
    const state = done ? 'laid' : 'planned';
    const size = knotOf(closure, site);
    if (closure.form === 'diamond') {
      const d = Math.max(...site.runs.map((run) => effectiveDiameter(run.cord)));
      const head = turksHeadStrokes(
        { leads: 3, bights: 4, passes: 1 },
        1.6,
        d,
        site.runs,
        'closure',
        state,
      );
      return [
        ...drawLoops(site, loopOf(closure, site), 1, 'start', length, state),
        ...moved(straightRuns(site.runs, 'closure-knot', 0, size.length + 4, state), length),
        ...moved(head, length + size.length / 2),
      ];
    }
    const knot = knotStrokes(closure.form, site.runs, 'closure-knot', 'closure', 0, 0, state);
    return [
      ...drawLoops(site, loopOf(closure, site), 1, 'start', length, state),
      ...moved(
        [
          ...knot.below,
          ...straightRuns(site.runs, 'closure-knot', 0, size.length + 4, state),
          ...knot.above,
        ],
        length,
      ),
    ];
  },
  steps(closure, site, _layout, _length, first) {
    const loop = loopOf(closure, site);
    return {
      start: [
        tiedStep(
          'Make the loop',
          say`${tellLoop(loop, 1)} It will just let the knot at the other end pass.`,
          [tiedLoop(loop.of === 'turned-end', site.runs, first)],
          [loop.tie],
        ),
      ],
      end: [
        {
          ...singleStep(
            `Tie ${oneOf(KNOTS[closure.form].label)} ${closure.form === 'diamond' ? 'of all ends' : 'in all cords'}`,
            `${closure.form === 'diamond' ? `${DRAW_UP_END_KNOTS.diamond} ` : ''}Tie it loose, push it through the loop and try the piece on so, then draw it up hard. It must pass the loop only with a push.`,
            [...tieKnot(closure, site), { do: 'test', what: 'passes' }],
          ),
          tied: [
            closure.form === 'diamond'
              ? tiedEndKnot('diamond', site.runs, first)
              : tiedIn(closure.form, [site.runs], first),
          ],
        },
      ],
    };
  },
  extends: 'a longer loop makes up for it',
  finish: () => ({
    stays: ['the loop', 'the knot that closes it'],
    checks: [
      check('The knot goes through the loop with a push', 'It does not fall out when shaken.'),
    ],
  }),
  mistakes: [
    'The knot is drawn up before it was tried: its place sets the size.',
    'The loop is too loose; with wear the knot slips out.',
  ],
};
