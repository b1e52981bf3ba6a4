import { say, term } from '../../../base/measure/saying.js';
import { OWN_CORD, tiedIn } from '../../knot/tied.js';
import { bundleOf } from '@coiled-strand/rope';
import { computed } from '../../knot/source.js';
import type { ClosureSite } from '../../../base/kind/closure-kind.js';
import { AT_END } from '../../../base/action/action.js';
import { countField } from '../../../base/kind/field.js';
import { bothEnds, legsOf } from '../../part/ends.js';
import { KNOT_SPREAD } from '../../../base/kind/reason.js';
import type { Run } from '../../../base/kind/run.js';

import { effectiveDiameter } from '../../../base/material/cord.js';
import { otherSide } from '../../../base/measure/side.js';
import { MM_PER_UNIT } from '../../../base/measure/units.js';
import { drawSinnet } from '../../part/square-knot-sinnet/drawing.js';
import {
  halfKnotCord,
  naturalPitch,
  type SinnetSetting,
} from '../../part/square-knot-sinnet/model.js';
import { ownCordSlider } from '../own-cord-slider.js';
import { layTailsOver } from '../slide.js';
import { coresOfTails, type OwnCordSlider } from '../tails.js';
import { singleStep } from '../uses.js';

/** A short sinnet of square knots, from a cord of its own, over both tails. */
export interface SquareKnotSlider extends OwnCordSlider {
  readonly type: 'square-knot-slider';
  readonly units: number;
}

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
  const { count, d: mean } = coresOfTails(site, slider.tailForm);
  return {
    form: 'flat',
    tension: 'even',
    working: [lead(0), lead(1)],
    core: [...site.runs, ...site.runs],
    buried: 0,
    packed: naturalPitch('flat', bundleOf(count), mean / d, 'even'),
    d,
    ratio: mean / d,
    count,
  };
}

const pitchOf = (slider: SquareKnotSlider, site: ClosureSite): number => {
  const { d, ratio, count } = sinnet(slider, site);
  return naturalPitch('flat', bundleOf(count), ratio, 'even') * d;
};

export const squareKnotSlider = ownCordSlider<SquareKnotSlider>({
  type: 'square-knot-slider',
  label: 'Slider of square knots',
  blurb: 'Half knots of a short cord over both tails; draws in and out.',
  goodFor:
    'Light bracelets that are to fit anybody: it opens over the hand and draws in. It loosens with time, and can be tied anew.',
  name: 'slider',
  tying: () => 'square-knot',
  fields: [countField('units', 'Half knots of the slider', 4, 60)],
  make: () => ({ units: 10 }),
  grip: (slider, site) => slider.units * pitchOf(slider, site),
  cord(slider, site) {
    const { d, ratio, count } = sinnet(slider, site);
    const each = halfKnotCord('flat', bundleOf(count), ratio, pitchOf(slider, site) / d, count) * d;
    return {
      code: 'knot.half',
      label: 'Half knots',
      detail: 'both ends, over both tails',
      mm: slider.units * each,
      times: { count: slider.units, each },
      spread: KNOT_SPREAD,
      ...computed('half-knot.fixed', 'half-knot.per-hull'),
    };
  },
  draw(slider, site, done, firstSide) {
    const setting = sinnet(slider, site);
    const pitch = pitchOf(slider, site);
    const shape = {
      units: slider.units,
      pitch,
      width: 4.8 * setting.d,
      length: slider.units * pitch,
    };
    // Lying open, the slider is drawn on the tail it will slide on; closed, it holds both.
    return drawSinnet({ ...setting, core: site.runs }, shape, bundleOf(site.runs.length), {
      part: 'closure',
      done: done ? slider.units : 0,
      firstSide,
    });
  },
  steps(slider, site, first) {
    const { units } = slider;
    const { d, ratio, count } = sinnet(slider, site);
    return [
      layTailsOver(
        site,
        say`Cross the ${term('tail', 'tails')} so that they point opposite ways and lie side by side, not twisted. Hold them with a clip or tape on each side.`,
      ),
      {
        ...singleStep(
          say`Tie the slider, ${units} ${term('half knot', 'half knots')}`,
          'Sides in turn. Snug, not hard: it has to slide.',
          [
            {
              do: 'tie',
              place: AT_END,
              knot: {
                form: 'half-knot',
                sinnet: 'flat',
                cores: count,
                coreWidth: ratio * d,
                packed: pitchOf(slider, site),
              },
              by: bothEnds('slider'),
              round: legsOf(site.runs),
              mm: pitchOf(slider, site),
              times: units,
              from: first,
            },
          ],
        ),
        moves: ['slider'],
        units,
        unitName: 'half knot',
        tied: [
          tiedIn(
            'square-knot-slider',
            [site.runs[0], site.runs.at(-1), OWN_CORD, OWN_CORD],
            first,
            slider.cord,
          ),
        ],
        sideOf: (unit, from) => (unit % 2 === 0 ? from : otherSide(from)),
      },
      {
        ...singleStep(
          'See that it slides',
          'Draw the ring in and out. Too stiff: push a blunt needle along the tails. Too loose: pull the last half knots tighter.',
          [{ do: 'test', what: 'slides' }],
        ),
        moves: [],
      },
    ];
  },
  stopping: say`Draw the slider out as far as the piece must open, and tie a ${term('stopper')} on each tail.`,
  // A foot of slider cord beside three of core and three of working cord. Common practice, no source.
  ruleOfThumb: ({ overCore }) =>
    overCore
      ? {
          label: 'Three feet of core, three of working cord, one for the slider',
          low: 7 * MM_PER_UNIT.ft,
          high: 7 * MM_PER_UNIT.ft,
        }
      : null,
  mistakes: [
    'Glue gets inside the slider: only the two cut ends are secured, from outside.',
    'The standing tails are trimmed instead of the ends of the slider cord.',
    'The stoppers are tied before the widest size was tried over the hand.',
  ],
});
