import {
  plainClosure,
  type ClosureBase,
  type ClosureKind,
  type ClosureSite,
} from '../../kind/closure-kind.js';
import { KNOT_SPREAD } from '../../kind/reason.js';
import { STOPPERS, stopper, type StopperForm } from '../../knot/stopper.js';
import { bundleOfRuns } from '../../part/pick.js';
import { moving, once } from '../steps.js';
import { drawTails } from '../tail-drawing.js';
import {
  endTails,
  runsFreeAtStart,
  mm,
  PASS_MARGIN,
  slide,
  slideAdvice,
  slideStates,
  tailUses,
  TAILS_FIELD,
  TIGHTER,
  useEach,
} from '../tails.js';

/** Each tail tied round the other cord; the two knots slide apart to draw in. */
export interface TwoSlidingKnots extends ClosureBase {
  readonly type: 'two-sliding-knots';
  readonly form: Extract<StopperForm, 'overhand' | 'double-barrel' | 'triple-barrel'>;
  readonly tails: number | null;
}

const FORMS = ['overhand', 'double-barrel', 'triple-barrel'] as const;

/** A knot tied in a tail round the other cord: as a stopper in a bundle of both (assumed). */
const knotOf = (closure: TwoSlidingKnots, site: ClosureSite) =>
  stopper(closure.form, bundleOfRuns([...site.runs, ...site.runs]) * 0.75);

export const twoSlidingKnots: ClosureKind<TwoSlidingKnots> = {
  entry: {
    type: 'two-sliding-knots',
    label: 'Two sliding knots',
    blurb: 'Each tail tied round the other cord; no extra cord.',
    opens: false,
  },
  fields: [
    {
      type: 'choice',
      key: 'form',
      label: 'Knot',
      choices: FORMS.map((id) => ({ id, label: STOPPERS[id].label })),
    },
    { ...TAILS_FIELD, label: 'Each tail, to its knot' },
  ],
  make: () => ({ type: 'two-sliding-knots', form: 'double-barrel', tails: null }),
  aim(closure, site) {
    // Shortest is one tail and a knot. Worn, the knots stand a little apart from that.
    const k = knotOf(closure, site).length;
    const height = bundleOfRuns(site.runs) / 2;
    // As long as passing takes once the body is what this leaves of the way round: with the shortest
    // S + k a little tighter than worn, and the longest 2 S - k, S is what passing adds, and 2 k more.
    const passing = site.turns * Math.max(0, site.pass.mm + PASS_MARGIN - site.target);
    const tail = closure.tails ?? passing + 2 * k + TIGHTER;
    return [{ kind: 'flexible', length: tail + k + TIGHTER, height }];
  },
  layOut(closure, site, body) {
    const knot = knotOf(closure, site);
    const at = slide(site, body, knot.length, closure, true);
    const start = runsFreeAtStart(site);
    const all = [...start, ...site.runs];
    return plainClosure({
      states: slideStates(site, at),
      reach: { start: at.tail + knot.length + 8, end: at.tail + knot.length + 8 },
      uses: [
        ...tailUses(start, at.tail),
        ...tailUses(site.runs, at.tail),
        ...useEach(
          all,
          {
            code: 'knot.sliding',
            label: 'Sliding knot',
            detail: `${STOPPERS[closure.form].label.toLowerCase()} round the other cord`,
            assumed: true,
            spread: KNOT_SPREAD,
          },
          knot.inKnot,
        ),
        ...endTails(all, site),
      ],
      advice: slideAdvice(site, at, knot.length),
      measures: { tail: at.tail, grip: knot.length },
    });
  },
  draw: (closure, site, layout, { length, done }) =>
    drawTails(site, layout.measures.tail!, length, closure.form, done ? 'laid' : 'planned'),
  steps: (closure, _site, layout) => ({
    start: [],
    end: [
      moving(
        once(
          'Lay both tails over each other',
          'Cross the tails so that each points past the other, the piece closed to a ring.',
        ),
        'closure-run',
        'closure-tail',
      ),
      {
        moves: ['closure-stop'],
        title: `${STOPPERS[closure.form].label} with each tail`,
        text: `Tie each tail round the other cord, ${mm(layout.measures.tail!)} from the body on both sides. The knot must grip the other cord and still slide. Make both gaps equal, or the ring closes crooked.`,
        units: 2,
        unitName: 'knot',
        cautions: [],
      },
      moving(
        once(
          'Draw it in and out',
          'Try the largest size over what it must pass and the smallest as it will be worn, before the ends are trimmed.',
        ),
      ),
    ],
  }),
  finish: {
    stays: ['the cord that each knot slides on, all of it'],
    goes: ['the short end beyond each sliding knot'],
    checks: [
      'Both knots move, and stay where they are put when you let go.',
      'Drawn in, both sides meet the body at the same distance.',
    ],
  },
  mistakes: [
    'The two knots sit at unlike distances: drawn in, a gap stays on one side.',
    'The tail is tied round itself instead of the other cord.',
    'Glue gets inside a knot; it no longer slides.',
  ],
};
