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
import { say, size } from '../../../base/measure/saying.js';
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

/** How often the cord follows its first pass, in words; nothing where it does not. */
const following = (passes: number): string =>
  passes === 1
    ? ''
    : ` Follow the first pass side by side ${passes === 2 ? 'once' : `${passes - 1} times`} more, always on the same side of it and never across.`;

/**
 * How the cord is woven, turn by turn. Of three leads as they are tied by hand; of others by the rule
 * that over and under come by turns on every way across.
 */
const weaving = ({ leads, bights }: TurksHeadSlider): string =>
  leads === 3
    ? `Wind the end once round the tube and across itself to an X, then round again to the left of the X, over the first turn it meets and under the next: each turn goes once over and once under. Turn the tube towards you. Where two turns lie side by side at the back, lift the left one over the right one, and lead the end from the right through the gap between them, under the one and over the other; then the same from the left. Go on so, by turns, until ${bights} bights lie at each edge and the end meets the beginning.`
    : `Every turn goes once round and from edge to edge, ${leads} of them side by side, with ${bights} bights at each edge. Wherever the end meets a turn that lies there it goes over the first, under the next, and so by turns; what was gone over on the way to one edge is gone under on the way back. Pin the bights as you go, until the end meets the beginning.`;

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

export const turksHeadSlider = ownCordSlider<TurksHeadSlider>({
  type: 'turks-head-slider',
  label: 'Slider of a Turk’s head',
  blurb: 'A woven ring of a fine cord round both tails.',
  goodFor: 'The finest slider: a woven ring. It wants a fine cord and patience.',
  name: 'knot',
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
  steps(slider, site) {
    const d = effectiveDiameter(slider.cord);
    const bundle = acrossTails(site, slider.tailForm);
    const tube = tubeFor(bundle, d);
    const rounds = slackRounds(slider, tube / d, bundle / d);
    return [
      onSlider(
        'Tie the Turk’s head on a tube',
        say`On a tube of about ${size(Math.round(tube))} (a pen or a roll of paper). ${weaving(slider)}${following(slider.passes)}`,
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
      {
        ...singleStep(
          'Lay both tails over each other through it',
          'Slip the knot off the tube. Lead the tails through it from opposite sides, so that they lie side by side and point opposite ways.',
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
        'Begin at one end and follow the cord all the way through the knot with a blunt needle, drawing a little slack on at each bight; then again from the start. Little by little keeps it even: one hard pull spoils its shape.',
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
  stopping:
    'Draw the tails out as far as the piece must open, and tie a stopper in the end of each strand.',
  looks: [check('Every round lies flat beside its neighbours', '; none crosses.')],
  mistakes: [
    'Leads and bights with a common divisor: the end meets the beginning too soon, with part of the knot missing.',
    'A later pass crosses the first instead of lying beside it.',
    'The knot is pulled tight in one go and loses its shape.',
  ],
});
