import { countField } from '../../kind/field.js';
import { KNOT_SPREAD } from '../../kind/reason.js';
import { turksHeadStrokes } from '../../knot/round-drawing.js';
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
import { say, size } from '../../measure/saying.js';
import { ownCordSlider } from '../own-cord-slider.js';
import { onSlider } from '../slide.js';
import { acrossTails, type OwnCordSlider } from '../tails.js';
import { check, once } from '../uses.js';

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

const gripOf = (slider: TurksHeadSlider): number =>
  turksHeadWidth(slider) * effectiveDiameter(slider.cord);

const closes = ({ leads, bights }: TurksHeadSlider): boolean =>
  cordsOfTurksHead(leads, bights) === 1;

export const turksHeadSlider = ownCordSlider<TurksHeadSlider>({
  type: 'turks-head-slider',
  label: 'Slider of a Turk’s head',
  blurb: 'A woven ring of a fine cord round both tails.',
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
      assumed: slider.passes > 2 || slider.leads !== 3 || slider.bights !== 4,
    };
  },
  ends: {
    each: 100,
    code: 'end.hold',
    label: 'Ends to weave and hold',
    detail: 'trimmed inside afterwards',
  },
  stopperInEach: true,
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
        say`On a tube of about ${size(Math.round(tube))} (a pen or a roll of paper): wind and weave ${slider.leads} leads and ${slider.bights} bights, over and under by turns, until the end meets the beginning.${following(slider.passes)}`,
      ),
      {
        ...once(
          'Lay both tails over each other through it',
          'Slip the knot off the tube. Lead the tails through it from opposite sides, so that they lie side by side and point opposite ways.',
        ),
        moves: ['run', 'tail'],
      },
      onSlider(
        `Take up the slack, ${rounds} rounds`,
        'Begin at one end and follow the cord all the way through the knot with a blunt needle, drawing a little slack on at each bight; then again from the start. Little by little keeps it even: one hard pull spoils its shape.',
        rounds,
        'round',
      ),
    ];
  },
  stopping:
    'See that it slides and grips. Draw the tails out as far as the piece must open, and tie a stopper in the end of each strand.',
  goes: ['the two ends of the knot’s own cord, where they lie inside it'],
  looks: [check('Every round lies flat beside its neighbours', '; none crosses.')],
  mistakes: [
    'Leads and bights with a common divisor: the end meets the beginning too soon, with part of the knot missing.',
    'A later pass crosses the first instead of lying beside it.',
    'The knot is pulled tight in one go and loses its shape.',
  ],
});
