import { plainClosure, type ClosureKind } from '../../kind/closure-kind.js';
import { KNOT_SPREAD } from '../../kind/reason.js';
import { turksHeadStrokes } from '../../knot/round-drawing.js';
import { STOPPERS } from '../../knot/stopper.js';
import { moved } from '../../knot/stroke.js';
import {
  cordsOfTurksHead,
  nearestBights,
  slackRounds,
  tubeFor,
  turksHeadCord,
  turksHeadWidth,
} from '../../knot/turks-head.js';
import { effectiveDiameter } from '../../material/cord.js';
import { moving, once } from '../steps.js';
import { drawTails } from '../tail-drawing.js';
import {
  acrossTails,
  runsFreeAtStart,
  mm,
  plaitOfTails,
  plaitSteps,
  SLIDER_FIELDS,
  slideAim,
  slidingLayout,
  stopperUses,
  type OwnCordSlider,
} from '../tails.js';

/** A Turk's head from a cord of its own round both tails. */
export interface TurksHeadSlider extends OwnCordSlider {
  readonly type: 'turks-head-slider';
  readonly leads: number;
  readonly bights: number;
  readonly passes: number;
}

/** Ends in mm to weave with and to hold while the slack is drawn out. Common practice, no source. */
const ENDS = 100;

const BIGHTS = { min: 2, max: 16 } as const;

/** How often the cord follows its first pass, in words; nothing where it does not. */
const following = (passes: number): string =>
  passes === 1
    ? ''
    : ` Follow the first pass side by side ${passes === 2 ? 'once' : `${passes - 1} times`} more, always on the same side of it and never across.`;

const gripOf = (slider: TurksHeadSlider): number =>
  turksHeadWidth(slider) * effectiveDiameter(slider.cord);

export const turksHeadSlider: ClosureKind<TurksHeadSlider> = {
  entry: {
    type: 'turks-head-slider',
    label: 'Slider of a Turk’s head',
    blurb: 'A woven ring of a fine cord round both tails.',
    opens: false,
  },
  fields: [
    { type: 'count', key: 'leads', label: 'Leads, side by side', min: 2, max: 9 },
    { type: 'count', key: 'bights', label: 'Bights, at each edge', ...BIGHTS },
    { type: 'count', key: 'passes', label: 'Passes', min: 1, max: 4 },
    ...SLIDER_FIELDS,
  ],
  make: (cord) => ({
    type: 'turks-head-slider',
    cord,
    leads: 3,
    bights: 4,
    passes: 3,
    tails: null,
    tailForm: 'straight',
    stopper: 'overhand',
  }),
  aim: (slider, site) => slideAim(site, gripOf(slider), slider.tailForm),
  layOut(slider, site, body) {
    const { layout } = slidingLayout(site, body, gripOf(slider), slider);
    const cords = cordsOfTurksHead(slider.leads, slider.bights);
    if (cords !== 1) {
      const near = nearestBights(slider.leads, slider.bights, BIGHTS.min, BIGHTS.max);
      return plainClosure({
        ...layout,
        advice: [
          ...layout.advice,
          {
            code: 'turks-head.divisor',
            severity: 'error',
            message: `${slider.leads} leads and ${slider.bights} bights share the divisor ${cords}: the knot falls into ${cords} rings and takes ${cords} cords.`,
            remedy: `With one cord leads and bights may have no common divisor: take ${near} bights.`,
            path: 'bights',
            fix: {
              label: `${near} bights`,
              path: 'bights',
              value: near,
            },
          },
        ],
      });
    }
    const d = effectiveDiameter(slider.cord);
    const bundle = acrossTails(site, slider.tailForm);
    return plainClosure({
      ...layout,
      // Each strand has a stopper of its own, as thick as itself.
      uses: [
        ...layout.uses,
        ...[...runsFreeAtStart(site), ...site.runs].flatMap((run) =>
          stopperUses([run], slider.stopper),
        ),
      ],
      auxiliary: [
        {
          id: 'slider',
          label: 'Slider cord',
          cord: slider.cord,
          reasons: [
            {
              code: 'knot.turks-head',
              label: `Turk’s head, ${slider.leads} leads by ${slider.bights} bights`,
              detail: `${slider.passes === 1 ? 'once' : `${slider.passes} times`} round a bundle of ${mm(bundle)}`,
              mm: turksHeadCord(slider, bundle / d) * d,
              spread: KNOT_SPREAD,
              assumed: slider.passes > 2 || slider.leads !== 3 || slider.bights !== 4,
            },
            {
              code: 'end.hold',
              label: 'Ends to weave and hold',
              detail: 'trimmed inside afterwards',
              mm: 2 * ENDS,
              times: { count: 2, each: ENDS },
            },
          ],
        },
      ],
      measures: { ...layout.measures, bundle },
    });
  },
  draw(slider, site, layout, { length, done }) {
    const state = done ? 'laid' : 'planned';
    const d = effectiveDiameter(slider.cord);
    const { tail, grip } = layout.measures;
    const head =
      cordsOfTurksHead(slider.leads, slider.bights) === 1
        ? turksHeadStrokes(
            slider,
            acrossTails(site, slider.tailForm) / d,
            d,
            [{ strand: 0, cord: slider.cord }],
            'closure',
            state,
          )
        : [];
    return [
      ...drawTails(site, tail!, length, slider.stopper, state, {
        each: true,
        plaiting: plaitOfTails(site, slider.tailForm),
      }),
      ...moved(head, length + Math.max(2, (tail! - grip!) * 0.35) + grip! / 2),
    ];
  },
  steps(slider, site, layout) {
    const d = effectiveDiameter(slider.cord);
    const { bundle = acrossTails(site, slider.tailForm) } = layout.measures;
    const tube = tubeFor(bundle, d);
    const rounds = slackRounds(slider, tube / d, bundle / d);
    return {
      start: [],
      end: [
        ...plaitSteps(site, slider.tailForm, layout.measures.tail!),
        moving(
          once(
            'Tie the Turk’s head on a tube',
            `On a tube of about ${mm(Math.round(tube))} (a pen or a roll of paper): wind and weave ${slider.leads} leads and ${slider.bights} bights, over and under by turns, until the end meets the beginning.${following(slider.passes)}`,
          ),
          'own',
        ),
        moving(
          once(
            'Lay both tails over each other through it',
            'Slip the knot off the tube. Lead the tails through it from opposite sides, so that they lie side by side and point opposite ways.',
          ),
          'closure-run',
          'closure-tail',
        ),
        {
          moves: ['own'],
          title: `Take up the slack, ${rounds} rounds`,
          text: 'Begin at one end and follow the cord all the way through the knot with a blunt needle, drawing a little slack on at each bight; then again from the start. Little by little keeps it even: one hard pull spoils its shape.',
          units: rounds,
          unitName: 'round',
          cautions: [],
        },
        moving(
          once(
            `${STOPPERS[slider.stopper].label} at the end of each strand`,
            'See that it slides and grips. Draw the tails out as far as the piece must open, and tie a stopper in the end of every strand by itself.',
          ),
          'closure-stop',
        ),
      ],
    };
  },
  finish: {
    stays: ['both tails, out to their knots'],
    goes: [
      'the two ends of the knot’s own cord, where they lie inside it',
      'the stubs beyond the end knots',
    ],
    checks: [
      'The knot moves with some force, and stays where it is put when you let go.',
      'Every round lies flat beside its neighbours; none crosses.',
    ],
  },
  mistakes: [
    'Leads and bights with a common divisor: the end meets the beginning too soon, with part of the knot missing.',
    'A later pass crosses the first instead of lying beside it.',
    'The knot is pulled tight in one go and loses its shape.',
  ],
};
