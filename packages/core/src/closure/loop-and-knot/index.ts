import {
  plainClosure,
  type ClosureBase,
  type ClosureKind,
  type ClosureSite,
} from '../../kind/closure-kind.js';
import { formField } from '../../kind/field.js';
import { KNOT_SPREAD } from '../../kind/reason.js';
import { loopFor } from '../../knot/loop.js';
import { stopper, STOPPERS, STOPPER_FORMS, type StopperForm } from '../../knot/stopper.js';
import { moved, straightRuns } from '../../knot/stroke.js';
import { bundleOfRuns } from '../../part/pick.js';
import { knotStrokes } from '../../part/stopper-knot/drawing.js';
import { PRACTICE_FACTOR } from '../../material/practice.js';
import {
  drawLoops,
  loopEnd,
  loopReach,
  loopStates,
  tellLoop,
  type LoopMeasures,
} from '../loops.js';
import { outerEnds } from '../../part/ends.js';
import { check, endTails, once, stopperIn, useEach } from '../uses.js';
import { say } from '../../measure/saying.js';

/** A loop at the start, a stopper knot in all cords at the end. */
export interface LoopAndKnot extends ClosureBase {
  readonly type: 'loop-and-knot';
  readonly form: StopperForm;
}

/** Extra end in mm that a thick knot in all cords needs while it is tied. Common practice, no source. */
const ALLOWANCE = 50;

const knotOf = (closure: LoopAndKnot, site: ClosureSite) =>
  stopper(closure.form, bundleOfRuns(site.runs));

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
    opens: true,
    trials: ['passes'],
  },
  fields: [formField('form', 'Knot', STOPPER_FORMS, STOPPERS)],
  make: () => ({ type: 'loop-and-knot', form: 'double-barrel' }),
  aim: (closure, site) =>
    loopStates(site, loopOf(closure, site), 1, knotOf(closure, site).length / 2)[0]!.extra,
  layOut(closure, site) {
    const knot = knotOf(closure, site);
    const loop = loopOf(closure, site);
    const allowance = ALLOWANCE * PRACTICE_FACTOR[site.practice];
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
              label: STOPPERS[closure.form].label,
              detail: 'in all cords together',
              spread: KNOT_SPREAD,
              assumed: site.runs.length > 1,
            },
            knot.inKnot,
          ),
          ...useEach(
            site.runs,
            {
              area: 'end',
              code: 'end.allowance',
              label: 'To work the knot with',
              detail: 'a thick knot is tied loose and drawn up; trimmed afterwards',
            },
            allowance,
          ),
          ...endTails(site.runs, site),
        ],
      },
    );
  },
  draw(closure, site, _layout, { length, done }) {
    const state = done ? 'laid' : 'planned';
    const size = knotOf(closure, site);
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
  steps(closure, site) {
    const loop = loopOf(closure, site);
    return {
      start: [
        once(
          'Make the loop',
          say`${tellLoop(loop, 1)} It will just let the knot at the other end pass.`,
          [loop.tie],
        ),
      ],
      end: [
        once(
          `${STOPPERS[closure.form].label} in all cords`,
          'Tie it loose, push it through the loop and try the piece on so, then draw it up hard. It must pass the loop only with a push.',
          [
            ...stopperIn('end', outerEnds(site.runs), closure.form, knotOf(closure, site).length),
            { do: 'test', what: 'passes' },
          ],
        ),
      ],
    };
  },
  extends: 'a longer loop makes up for it',
  finish: () => ({
    stays: ['the loop', 'the knot that closes it'],
    checks: [
      check('The knot goes through the loop with a push', ' and does not fall out when shaken.'),
    ],
  }),
  mistakes: [
    'The knot is drawn up before it was tried: its place sets the size.',
    'The loop is too loose; with wear the knot slips out.',
  ],
};
