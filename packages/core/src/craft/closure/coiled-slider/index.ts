import { say, term } from '../../../base/measure/saying.js';
import { OWN_CORD, tiedIn } from '../../knot/tied.js';
import { bundleOf, bundleShape } from '@coiled-strand/rope';
import type { ClosureSite } from '../../../base/kind/closure-kind.js';
import { AT_END } from '../../../base/action/action.js';
import { countField } from '../../../base/kind/field.js';
import { legsOf } from '../../part/ends.js';
import { singleStep } from '../uses.js';
import type { Point } from '../../../base/kind/primitive.js';
import { KNOT_SPREAD } from '../../../base/kind/reason.js';

import { strokeOf } from '../../knot/stroke.js';
import { coilCord } from '../../knot/wraps.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import { ownCordSlider } from '../own-cord-slider.js';
import { layTailsOver, onSlider } from '../slide.js';
import { acrossTails, coresOfTails, type OwnCordSlider } from '../tails.js';

/** Wraps of a cord of its own round both tails, pulled under themselves. */
export interface CoiledSlider extends OwnCordSlider {
  readonly type: 'coiled-slider';
  readonly turns: number;
}

/** Perimeter in mm of the bare bundle that the wraps go round: the tails of both sides. */
function hullOf(slider: CoiledSlider, site: ClosureSite): number {
  const { count, d } = coresOfTails(site, slider.tailForm);
  return bundleShape(bundleOf(count), d, count).perimeter;
}

/** Wraps that the pictures show; of more, some show how. */
const wrapsShown = (turns: number): number => Math.max(3, Math.min(6, turns));

/** How a coil of so many wraps is tied. */
const tyingOf = (turns: number): string => `coil.bight.${wrapsShown(turns)}`;

export const coiledSlider = ownCordSlider<CoiledSlider>({
  type: 'coiled-slider',
  label: 'Coiled slider',
  blurb: 'Wraps of a short cord round both tails, pulled under themselves.',
  goodFor: 'As a slider of square knots, rounder and firmer; harder to tie the first time.',
  name: 'coil',
  tying: ({ turns }) => tyingOf(turns),
  fields: [countField('turns', 'Wraps', 3, 30)],
  make: () => ({ turns: 5 }),
  grip: ({ turns, cord }) => (turns + 1) * effectiveDiameter(cord),
  cord: (slider, site) => ({
    code: 'knot.coil',
    label: 'Wraps, and the way back under them',
    detail: `${slider.turns} turns round both tails, and straight back through`,
    mm: coilCord(slider.turns, hullOf(slider, site), effectiveDiameter(slider.cord)),
    spread: KNOT_SPREAD,
  }),
  draw(slider, site, done) {
    const d = effectiveDiameter(slider.cord);
    const half = acrossTails(site, slider.tailForm) / 2 + d / 2;
    const wrap = (i: number): Point[] => [
      [(i + 0.8) * d, -half],
      [(i + 1.2) * d, half],
    ];
    return [
      strokeOf(
        { strand: 0, cord: slider.cord },
        'closure-wraps',
        'closure',
        Array.from({ length: slider.turns }, (_, i) => wrap(i)),
        done ? 'laid' : 'planned',
        'round',
      ),
    ];
  },
  steps: (slider, site, first) => [
    layTailsOver(
      site,
      say`Cross the ${term('tail', 'tails')} so that they point opposite ways and lie side by side, the piece closed to a ring.`,
    ),
    {
      ...onSlider(
        `Wind ${slider.turns} wraps`,
        say`The ${term('bight')} lies along both tails. Wind from the ends of the slider cord towards the closed end of the bight, wrap beside wrap.`,
        [
          {
            do: 'wind',
            cord: 'slider',
            place: AT_END,
            round: legsOf(site.runs),
            mm: 0,
            times: slider.turns,
          },
        ],
        slider.turns,
        'wrap',
      ),
      tied: [tiedIn(tyingOf(slider.turns), [site.runs[0], OWN_CORD], first, slider.cord)],
    },
    onSlider(
      'Pull it under',
      'Pull the other end until the bight has gone under the wraps. Roll the coil between finger and thumb until the wraps are even.',
      [{ do: 'draw-up', cord: 'slider' }],
    ),
    {
      ...singleStep(
        'See that it slides',
        'Draw the ring in and out: the coil must move with some force, and stay where it is put.',
        [{ do: 'test', what: 'slides' }],
      ),
      moves: [],
    },
  ],
  stopping: say`Draw the slider out as far as the piece must open, and tie a ${term('stopper')} on each tail.`,
  mistakes: [
    'Wraps cross each other: they jam or come loose. Stroke them flat before they are tight.',
    'Glue gets inside the slider.',
    'The ends of the tails are trimmed before the widest size was tried.',
  ],
});
