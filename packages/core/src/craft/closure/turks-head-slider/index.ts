import { OWN_CORD, tiedIn } from '../../knot/tied.js';
import { MM_PER_UNIT } from '../../../base/measure/units.js';
import { computed } from '../../knot/source.js';
import { AT_END } from '../../../base/action/action.js';
import { countField } from '../../../base/kind/field.js';
import { bothEnds, outerEnds, startEnds } from '../../part/ends.js';
import { KNOT_SPREAD } from '../../../base/kind/reason.js';
import { turksHeadStrokes } from '../../knot/round-drawing.js';
import { moved } from '../../knot/stroke.js';
import {
  cordsOfTurksHead,
  nearestBights,
  slackRounds,
  tubeFor,
  PASSES,
  turksHeadCord,
  turksHeadWidth,
} from '../../knot/turks-head.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import { say, size, term } from '../../../base/measure/saying.js';
import { ownCordSlider } from '../own-cord-slider.js';
import { onSlider } from '../slide.js';
import { acrossTails, type OwnCordSlider } from '../tails.js';
import { check, singleStep, runsFreeAtStart } from '../uses.js';

/** A Turk's head from a cord of its own round both tails. */
export interface TurksHeadSlider extends OwnCordSlider {
  readonly type: 'turks-head-slider';
  readonly leads: number;
  readonly bights: number;
  readonly passes: number;
}

const BIGHTS = { min: 2, max: 16 } as const;

const gripOf = (slider: TurksHeadSlider): number =>
  turksHeadWidth(slider) * effectiveDiameter(slider.cord);

const closes = ({ leads, bights }: TurksHeadSlider): boolean =>
  cordsOfTurksHead(leads, bights) === 1;

/** Of three leads what was computed; of others their curve alone. */
function turksHeadSource({
  leads,
  bights,
  passes,
}: TurksHeadSlider): ReturnType<typeof computed> | { assumed: true } {
  if (leads !== 3) return { assumed: true };
  return bights === 4
    ? computed(`turks-head.${PASSES[Math.min(3, passes) as 1 | 2 | 3]}.4`)
    : computed('turks-head.bights.5', 'turks-head.bights.7');
}

/** How it is tied; of more than three passes as of three. */
const tyingOf = ({ leads, bights, passes }: TurksHeadSlider): string =>
  `turks-head.${leads}x${bights}.${Math.min(3, passes)}`;

export const turksHeadSlider = ownCordSlider<TurksHeadSlider>({
  type: 'turks-head-slider',
  label: 'Slider of a Turk’s head',
  blurb: 'A woven ring of a fine cord round both tails.',
  goodFor: 'The finest slider: a woven ring. It wants a fine cord and patience.',
  name: 'knot',
  tying: tyingOf,
  fields: [
    countField('leads', 'Leads, side by side', 2, 9),
    countField('bights', 'Bights, at each edge', BIGHTS.min, BIGHTS.max),
    countField('passes', 'Passes', 1, 4),
  ],
  make: () => ({ leads: 3, bights: 4, passes: 3 }),
  grip: gripOf,
  cord(slider, site) {
    const d = effectiveDiameter(slider.cord);
    const bundle = acrossTails(site, slider.tailForm);
    return {
      code: 'knot.turks-head',
      label: `Turk’s head, ${slider.leads} leads by ${slider.bights} bights`,
      detail: say`${slider.passes === 1 ? 'once' : `${slider.passes} times`} round a bundle of ${size(bundle)}`,
      mm: turksHeadCord(slider, bundle / d) * d,
      spread: KNOT_SPREAD,
      ...turksHeadSource(slider),
    };
  },
  stopperInEach: true,
  // Three passes round a bundle of laces. Common practice, no source.
  ruleOfThumb: () => ({
    label: 'Two feet for a Turk’s head of three passes',
    low: 2 * MM_PER_UNIT.ft,
    high: 2 * MM_PER_UNIT.ft,
    of: { besides: 'slider' },
  }),
  faults(slider) {
    if (closes(slider)) return [];
    const { leads, bights } = slider;
    const cords = cordsOfTurksHead(leads, bights);
    const near = nearestBights(leads, bights, BIGHTS.min, BIGHTS.max);
    return [
      {
        code: 'turks-head.divisor',
        severity: 'error',
        message: `${leads} leads and ${bights} bights have the common divisor ${cords}: the knot falls into ${cords} rings and takes ${cords} cords.`,
        remedy: `Tied with one cord, leads and bights may have no common divisor: take ${near} bights.`,
        path: 'bights',
        fix: { label: `${near} bights`, path: 'bights', value: near },
      },
    ];
  },
  draw(slider, site, done) {
    if (!closes(slider)) return [];
    const d = effectiveDiameter(slider.cord);
    const head = turksHeadStrokes(
      slider,
      acrossTails(site, slider.tailForm) / d,
      d,
      [{ strand: 0, cord: slider.cord }],
      'closure',
      done ? 'laid' : 'planned',
    );
    return moved(head, gripOf(slider) / 2);
  },
  steps(slider, site, first) {
    const d = effectiveDiameter(slider.cord);
    const bundle = acrossTails(site, slider.tailForm);
    const tube = tubeFor(bundle, d);
    const rounds = slackRounds(slider, tube / d, bundle / d);
    return [
      {
        ...onSlider(
          'Tie the Turk’s head on a tube',
          say`On a tube of about ${size(Math.round(tube))} (a pen or a roll of paper), seen from its end. Pin the loops at its rim as you go.`,
          [
            {
              do: 'tie',
              place: AT_END,
              knot: {
                form: 'turks-head',
                leads: slider.leads,
                bights: slider.bights,
                passes: slider.passes,
                bundle,
              },
              by: bothEnds('slider').slice(1),
              mm: 0,
            },
          ],
        ),
        // What cannot be tied with one cord is refused; it has no moves.
        ...(closes(slider) && {
          tied: [tiedIn(tyingOf(slider), [OWN_CORD], first, slider.cord)],
        }),
      },
      {
        ...singleStep(
          'Lay both tails over each other through it',
          say`Slip the knot off the tube. Lead the ${term('tail', 'tails')} through it from opposite sides, so that they lie side by side and point opposite ways.`,
          [
            {
              do: 'pass',
              ends: [...startEnds(runsFreeAtStart(site)), ...outerEnds(site.runs)],
              through: 'knot',
            },
          ],
        ),
        moves: ['run', 'tail'],
      },
      onSlider(
        `Take up the slack, ${rounds} rounds`,
        'Follow the cord through the whole knot with a blunt needle, drawing a little slack on at each loop of its rim; then again from the start.',
        [{ do: 'draw-up', cord: 'slider', times: rounds }],
        rounds,
        'round',
      ),
      {
        ...singleStep(
          'See that it slides and grips',
          'Draw the ring in and out while its ends are still long. Too loose: take up more slack; too stiff: ease a round.',
          [{ do: 'test', what: 'slides' }],
        ),
        moves: [],
      },
    ];
  },
  stopping: say`Draw the tails out as far as the piece must open, and tie a ${term('stopper')} in each strand.`,
  looks: [check('Every round lies flat beside its neighbours', 'None crosses another.')],
  mistakes: [
    'Leads and bights with a common divisor: the end meets the beginning too soon, with part of the knot missing.',
    'A later pass crosses the first instead of lying beside it.',
    'The knot is pulled tight in one go and loses its shape.',
  ],
});
