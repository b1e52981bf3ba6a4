import { computed } from '../../knot/source.js';
import {
  plainClosure,
  type ClosureBase,
  type ClosureKind,
  type ClosureSite,
} from '../../../base/kind/closure-kind.js';
import { closureAt, type Action, type End } from '../../../base/action/action.js';
import { formField } from '../../../base/kind/field.js';
import { legsOf, outerEnds, startEnds } from '../../part/ends.js';
import { KNOT_SPREAD } from '../../../base/kind/reason.js';
import { grip, STOPPERS, type GripForm } from '../../knot/stopper.js';
import { tiedIn } from '../../knot/tied.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import { oneOf } from '../../../base/measure/plural.js';
import { inSentence, laid, say, term } from '../../../base/measure/saying.js';
import { MM_PER_UNIT } from '../../../base/measure/units.js';
import { bundleOfRuns } from '../../part/pick.js';
import {
  edgeOfSlider,
  PASS_MARGIN,
  slide,
  slideAdvice,
  slideStates,
  tailsOf,
  tailFacts,
  TIGHTER,
  type SlideMeasures,
  layTailsOver,
} from '../slide.js';
import { drawTails } from '../tail-drawing.js';
import { TAILS_FIELD } from '../tails.js';
import { check, leave, singleStep, runsFreeAtStart, stopperEnds, useEach } from '../uses.js';

/** Each tail tied round the other cord; the two knots slide apart to draw in. */
export interface TwoSlidingKnots extends ClosureBase {
  readonly type: 'two-sliding-knots';
  readonly form: GripForm;
  readonly tails: number | null;
}

const FORMS = ['overhand', 'double-barrel', 'triple-barrel'] as const;

/** A knot tied in a tail round the other cord. */
const knotOf = (closure: TwoSlidingKnots, site: ClosureSite) =>
  grip(
    closure.form,
    site.runs.map((run) => effectiveDiameter(run.cord)),
  );

/** A tail of a length at either side, and its knot round the cord of the other. */
const slidingActions = (closure: TwoSlidingKnots, site: ClosureSite, tail: number): Action[] => {
  const knot = (side: 'start' | 'end', by: readonly End[]): Action[] =>
    by.length === 0
      ? []
      : [
          ...leave(side, by, tail),
          {
            do: 'tie',
            place: closureAt(side),
            knot: { form: 'sliding', stopper: closure.form },
            by,
            round: legsOf(site.runs),
            mm: 0,
          },
        ];
  return [...knot('start', startEnds(runsFreeAtStart(site))), ...knot('end', outerEnds(site.runs))];
};

export const twoSlidingKnots: ClosureKind<TwoSlidingKnots, SlideMeasures> = {
  entry: {
    type: 'two-sliding-knots',
    label: 'Two sliding knots',
    blurb: 'Each tail tied round the other cord; no extra cord.',
    goodFor:
      'One cord and nothing else, as with a pendant. It needs a cord that grips itself: waxed cotton, leather, not bare silk.',
    opens: false,
    trials: ['slides'],
  },
  fields: [
    formField('form', 'Knot', FORMS, STOPPERS),
    { ...TAILS_FIELD, label: 'Each tail, to its knot' },
  ],
  make: () => ({ type: 'two-sliding-knots', form: 'double-barrel', tails: null }),
  aim(closure, site) {
    // Shortest is one tail and a knot. Worn, the knots stand a little apart from that.
    const k = knotOf(closure, site).length;
    const height = bundleOfRuns(site.runs) / 2;
    // As long as passing takes once the body is what this leaves of the way round: with the shortest
    // S + k a little tighter than worn, and the longest 2 S, S is what passing adds, and k more.
    const passing = site.turns * Math.max(0, site.pass.mm + PASS_MARGIN - site.target);
    const tail = closure.tails ?? passing + k + TIGHTER;
    return [{ kind: 'flexible', length: tail + k + TIGHTER, height }];
  },
  layOut(closure, site, body) {
    const knot = knotOf(closure, site);
    const at = slide(site, body, knot.length, closure, true);
    const reach = at.tail + knot.length + 8;
    return plainClosure(
      { tail: at.tail, grip: knot.length },
      {
        states: slideStates(site, at),
        facts: tailFacts(at),
        reach: { start: reach, end: reach },
        uses: [
          ...tailsOf(site, at.tail),
          ...stopperEnds([...runsFreeAtStart(site), ...site.runs], site, closure.form),
          ...useEach(
            [...runsFreeAtStart(site), ...site.runs],
            {
              area: 'knot',
              code: 'knot.sliding',
              label: 'Sliding knot',
              detail: say`${inSentence(STOPPERS[closure.form].label)} round the other cord`,
              ...computed(`barrel-round.uses.${STOPPERS[closure.form].turns}`),
              spread: KNOT_SPREAD,
            },
            knot.inKnot,
          ),
        ],
        advice: slideAdvice(site, at, knot.length),
      },
    );
  },
  draw: (closure, site, { measures }, { length, done }) =>
    drawTails(site, measures.tail, length, closure.form, done ? 'laid' : 'planned'),
  drawEdge: (_closure, site, { measures }) => edgeOfSlider(site, measures.grip, site.runs[0]!),
  steps: (closure, site, { measures }, _length, first) => ({
    start: [],
    end: [
      layTailsOver(
        site,
        say`Cross the ${term('tail', 'tails')} so that each points past the other, the piece closed to a ring.`,
      ),
      {
        ...singleStep(
          `Tie ${oneOf(STOPPERS[closure.form].label)} with each tail`,
          say`Tie each tail round the other cord, ${laid(measures.tail)} from the body on both sides. Make both gaps equal, or the ring closes crooked.`,
          slidingActions(closure, site, measures.tail),
        ),
        moves: ['stopper'],
        // Each tail goes round a cord of the other side.
        tied: [tiedIn(`sliding.${STOPPERS[closure.form].turns}`, [site.runs, site.runs], first)],
        units: 2,
        unitName: 'knot',
        unitText: (unit) =>
          unit === 0
            ? 'The tail from the start, round the cord of the other side'
            : 'The tail from the end, round the cord of the other side',
      },
      {
        ...singleStep(
          'Draw it in and out',
          'Try the widest size over what it must pass and the tightest as it will be worn, before the ends are trimmed.',
          [{ do: 'test', what: 'slides' }],
        ),
        moves: [],
      },
    ],
  }),
  // Necklaces and anklets on one cord. Common practice, no source.
  ruleOfThumb: (_closure, { site, strands, target }) =>
    site === 'wrist'
      ? null
      : {
          label: 'Twice the wearing length',
          low: strands * 2 * target,
          high: strands * 2 * (target + 2 * MM_PER_UNIT.in),
        },
  finish: () => ({
    stays: ['the cord that each knot slides on, all of it'],
    checks: [
      check('Both knots move', 'They stay where they are put when you let go.'),
      check('Both knots meet the body at the same distance when it is drawn in'),
    ],
  }),
  mistakes: [
    'The two knots are tied at unequal distances: drawn in, a gap stays on one side.',
    'The tail is tied round itself instead of the other cord.',
    'Glue gets inside a knot; it no longer slides.',
  ],
};
