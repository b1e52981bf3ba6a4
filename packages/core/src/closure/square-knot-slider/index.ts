import { plainClosure, type ClosureKind, type ClosureSite } from '../../kind/closure-kind.js';
import { KNOT_SPREAD } from '../../kind/reason.js';
import type { Run } from '../../kind/run.js';
import { bundleOf } from '../../knot/hull.js';
import { STOPPERS } from '../../knot/stopper.js';
import { effectiveDiameter } from '../../material/cord.js';
import {
  halfKnotCord,
  naturalPitch,
  type SinnetSetting,
} from '../../part/square-knot-sinnet/model.js';
import { drawSinnet } from '../../part/square-knot-sinnet/drawing.js';
import { moved } from '../../knot/stroke.js';
import { moving, once } from '../steps.js';
import { drawTails } from '../tail-drawing.js';
import {
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

/** A short sinnet of square knots, from a cord of its own, over both tails. */
export interface SquareKnotSlider extends OwnCordSlider {
  readonly type: 'square-knot-slider';
  readonly units: number;
}

/** Ends in mm to tie the last half knot with, on each side. Common practice, no source. */
const ENDS = 50;

/** The slider as a sinnet: both tails are its core. */
function sinnet(
  slider: SquareKnotSlider,
  site: ClosureSite,
): SinnetSetting & { d: number; ratio: number; count: number } {
  const d = effectiveDiameter(slider.cord);
  const lead = (half: 0 | 1): Run => ({
    index: -1,
    strand: 0,
    half,
    role: 'working',
    cord: slider.cord,
    laidIn: true,
    folded: true,
  });
  const core = [...site.runs, ...site.runs];
  const { count, d: mean } = coresOfTails(site, slider.tailForm);
  return {
    form: 'flat',
    tension: 'even',
    working: [lead(0), lead(1)],
    core,
    buried: 0,
    d,
    ratio: mean / d,
    count,
  };
}

const pitchOf = (slider: SquareKnotSlider, site: ClosureSite): number => {
  const { d, ratio, count } = sinnet(slider, site);
  return naturalPitch('flat', bundleOf(count), ratio, 'even') * d;
};

export const squareKnotSlider: ClosureKind<SquareKnotSlider> = {
  entry: {
    type: 'square-knot-slider',
    label: 'Slider of square knots',
    blurb: 'Half knots of a short cord over both tails; draws in and out.',
    opens: false,
  },
  fields: [
    { type: 'count', key: 'units', label: 'Half knots of the slider', min: 4, max: 60 },
    ...SLIDER_FIELDS,
  ],
  make: (cord) => ({
    type: 'square-knot-slider',
    cord,
    units: 10,
    tails: null,
    tailForm: 'straight',
    stopper: 'overhand',
  }),
  aim: (slider, site) => slideAim(site, slider.units * pitchOf(slider, site), slider.tailForm),
  layOut(slider, site, body) {
    const pitch = pitchOf(slider, site);
    const grip = slider.units * pitch;
    const { layout } = slidingLayout(site, body, grip, slider);
    const { d, ratio, count } = sinnet(slider, site);
    const each = halfKnotCord('flat', bundleOf(count), ratio, pitch / d, count) * d;
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
              code: 'knot.half',
              label: 'Half knots',
              detail: 'both ends, over both tails',
              mm: slider.units * each,
              times: { count: slider.units, each },
              spread: KNOT_SPREAD,
            },
            {
              code: 'end.tail',
              label: 'Ends to tie with',
              detail: 'trimmed afterwards',
              mm: 2 * ENDS,
              times: { count: 2, each: ENDS },
            },
          ],
        },
      ],
      measures: { ...layout.measures, pitch },
    });
  },
  draw(slider, site, layout, { length, done, firstSide }) {
    const state = done ? 'laid' : 'planned';
    const setting = sinnet(slider, site);
    // Lying open, the slider is drawn on the tail it will slide on; closed, it holds both.
    const shown = { ...setting, core: site.runs };
    const pitch = layout.measures.pitch!;
    const shape = {
      units: slider.units,
      pitch,
      width: 4.8 * setting.d,
      length: slider.units * pitch,
    };
    const knots = drawSinnet(shown, shape, bundleOf(site.runs.length), {
      part: 'closure',
      done: done ? slider.units : 0,
      firstSide,
    });
    const at = length + Math.max(2, (layout.measures.tail! - shape.length) * 0.35);
    return [
      ...drawTails(site, layout.measures.tail!, length, slider.stopper, state, {
        plaiting: plaitOfTails(site, slider.tailForm),
      }),
      ...moved(knots, at),
    ];
  },
  steps: (slider, site, layout) => ({
    start: [],
    end: [
      ...plaitSteps(site, slider.tailForm, layout.measures.tail!),
      moving(
        once(
          'Lay both tails over each other',
          'Cross the tails so that they point opposite ways and lie side by side, not twisted, the piece closed to a ring. A clip or a bit of tape on each side holds them.',
        ),
        'closure-run',
        'closure-tail',
      ),
      {
        moves: ['closure-front', 'closure-back'],
        title: `Tie the slider, ${slider.units} half knots`,
        text: 'Lay the middle of the slider cord behind both tails and tie half knots round them, sides in turn. Snug, not hard: it has to slide.',
        units: slider.units,
        unitName: 'half knot',
        sideOf: (unit, first) => (unit % 2 === 0 ? first : first === 'left' ? 'right' : 'left'),
        cautions: [],
      },
      moving(
        once(
          'See that it slides',
          'Draw the ring in and out before anything is trimmed or glued. Too stiff: push a blunt needle along the tails. Too loose: pull the last half knots tighter.',
        ),
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
    goes: ['the two ends of the slider cord', 'the stubs beyond the stopper knots'],
    checks: [
      'The slider moves with some force, and stays where it is put when you let go.',
      'Drawn right out it passes the hand; the stoppers do not slip through the slider.',
    ],
  },
  mistakes: [
    'Glue gets inside the slider: only the two cut ends are secured, from outside.',
    'The standing tails are trimmed instead of the ends of the slider cord.',
    'The stoppers are tied before the longest size was tried over the hand.',
  ],
};
