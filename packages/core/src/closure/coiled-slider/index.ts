import { plainClosure, type ClosureKind, type ClosureSite } from '../../kind/closure-kind.js';
import type { Point } from '../../kind/primitive.js';
import { KNOT_SPREAD } from '../../kind/reason.js';
import { bundleOf, bundleShape } from '../../knot/hull.js';
import { STOPPERS } from '../../knot/stopper.js';
import { strokeOf } from '../../knot/stroke.js';
import { coilCord } from '../../knot/wraps.js';
import { effectiveDiameter } from '../../material/cord.js';
import { moving, once } from '../steps.js';
import { drawTails } from '../tail-drawing.js';
import {
  acrossTails,
  coresOfTails,
  runsFreeAtStart,
  plaitOfTails,
  plaitSteps,
  SLIDER_FIELDS,
  slideAim,
  slidingLayout,
  stopperUses,
  type OwnCordSlider,
} from '../tails.js';

/** Wraps of a cord of its own round both tails, pulled under themselves. */
export interface CoiledSlider extends OwnCordSlider {
  readonly type: 'coiled-slider';
  readonly turns: number;
}

/** Ends in mm to hold while it is wound and pulled under. Common practice, no source. */
const ENDS = 60;

const gripOf = (slider: CoiledSlider): number =>
  (slider.turns + 1) * effectiveDiameter(slider.cord);

/** Perimeter in mm of the bare bundle that the wraps go round: the tails of both sides. */
function hullOf(slider: CoiledSlider, site: ClosureSite): number {
  const { count, d } = coresOfTails(site, slider.tailForm);
  return bundleShape(bundleOf(count), d, count).perimeter;
}

export const coiledSlider: ClosureKind<CoiledSlider> = {
  entry: {
    type: 'coiled-slider',
    label: 'Coiled slider',
    blurb: 'Wraps of a short cord round both tails, pulled under themselves.',
    opens: false,
  },
  fields: [{ type: 'count', key: 'turns', label: 'Wraps', min: 3, max: 30 }, ...SLIDER_FIELDS],
  make: (cord) => ({
    type: 'coiled-slider',
    cord,
    turns: 5,
    tails: null,
    tailForm: 'straight',
    stopper: 'overhand',
  }),
  aim: (slider, site) => slideAim(site, gripOf(slider), slider.tailForm),
  layOut(slider, site, body) {
    const { layout } = slidingLayout(site, body, gripOf(slider), slider);
    const d = effectiveDiameter(slider.cord);
    return plainClosure({
      ...layout,
      uses: [
        ...layout.uses,
        ...stopperUses(runsFreeAtStart(site), slider.stopper),
        ...stopperUses(site.runs, slider.stopper),
      ],
      auxiliary: [
        {
          id: 'slider',
          label: 'Slider cord',
          cord: slider.cord,
          reasons: [
            {
              code: 'knot.coil',
              label: 'Wraps, and the way back under them',
              detail: `${slider.turns} turns round both tails, and straight back through`,
              mm: coilCord(slider.turns, hullOf(slider, site), d),
              spread: KNOT_SPREAD,
            },
            {
              code: 'end.hold',
              label: 'Ends to hold',
              detail: 'to wind and pull tight by; trimmed afterwards',
              mm: 2 * ENDS,
              times: { count: 2, each: ENDS },
            },
          ],
        },
      ],
    });
  },
  draw(slider, site, layout, { length, done }) {
    const state = done ? 'laid' : 'planned';
    const d = effectiveDiameter(slider.cord);
    const half = acrossTails(site, slider.tailForm) / 2 + d / 2;
    const x = length + Math.max(2, (layout.measures.tail! - gripOf(slider)) * 0.35);
    return [
      ...drawTails(site, layout.measures.tail!, length, slider.stopper, state, {
        plaiting: plaitOfTails(site, slider.tailForm),
      }),
      strokeOf(
        { strand: 0, cord: slider.cord },
        'closure-wraps',
        'closure',
        Array.from({ length: slider.turns }, (_, i): Point[] => [
          [x + (i + 0.8) * d, -half],
          [x + (i + 1.2) * d, half],
        ]),
        state,
        'round',
      ),
    ];
  },
  steps: (slider, site, layout) => ({
    start: [],
    end: [
      ...plaitSteps(site, slider.tailForm, layout.measures.tail!),
      moving(
        once(
          'Lay both tails over each other',
          'Cross the tails so that they point opposite ways and lie side by side, the piece closed to a ring.',
        ),
        'closure-run',
        'closure-tail',
      ),
      {
        moves: ['own'],
        title: `Wind ${slider.turns} wraps`,
        text: 'Lay the slider cord in a long bight along both tails, then wind its end round tails and bight, wrap beside wrap. None may cross another.',
        units: slider.turns,
        unitName: 'wrap',
        cautions: [],
      },
      moving(
        once(
          'Pull it under',
          'Pass the end through the bight and pull the other end until the bight has gone under the wraps. Roll the coil between finger and thumb until the wraps are even; then see that it slides.',
        ),
        'own',
      ),
      moving(
        once(
          `${STOPPERS[slider.stopper].label} at the end of each tail`,
          'Draw the slider out as far as the piece must open, and tie a stopper at the end of each tail.',
        ),
        'closure-stop',
      ),
    ],
  }),
  finish: {
    stays: ['both tails, out to their stopper knots'],
    goes: ['the two ends of the coiled cord', 'the stubs beyond the stopper knots'],
    checks: [
      'The coil moves with some force, and stays where it is put when you let go.',
      'Drawn right out it passes the hand; the stoppers do not slip through the coil.',
    ],
  },
  mistakes: [
    'Wraps cross each other: they jam or come loose. Stroke them flat before they are tight.',
    'Glue gets inside the slider.',
    'The ends of the tails are trimmed before the longest size was tried.',
  ],
};
