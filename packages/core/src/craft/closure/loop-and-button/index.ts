import { hempRule } from '../hemp-rule.js';
import { stopperSource } from '../../knot/source.js';
import { knotInRuns } from '../../part/pick.js';
import {
  plainClosure,
  type ClosureBase,
  type ClosureKind,
  type ClosureSite,
} from '../../../base/kind/closure-kind.js';
import {
  choiceField,
  COLOUR_FIELD,
  countField,
  nameField,
  sizeField,
} from '../../../base/kind/field.js';
import { KNOT_SPREAD, needOf, type Use } from '../../../base/kind/reason.js';
import { loopFor } from '../../knot/loop.js';
import { ellipse, plateOf } from '../../knot/plate.js';
import { straightRuns } from '../../knot/stroke.js';
import type { Primitive } from '../../../base/kind/primitive.js';
import {
  drawLoops,
  loopEnd,
  loopReach,
  loopStates,
  tellLoop,
  type LoopMeasures,
} from '../loops.js';
import { closureAt, type Action, type End } from '../../../base/action/action.js';
import { cordsOf, helpThrough, outerEnds, startEnds } from '../../part/ends.js';
import { tiedIn, tiedLoop } from '../../knot/tied.js';
import { check, singleStep, tiedStep, useEach } from '../uses.js';
import { workingEnds } from '../../../base/kind/working-ends.js';
import { laid, say, size } from '../../../base/measure/saying.js';

/** A button at one end, one or two loops at the other. */
export interface LoopAndButton extends ClosureBase {
  readonly type: 'loop-and-button';
  readonly name: string;
  readonly shape: 'disc' | 'ball';
  readonly diameter: number;
  /** Thickness of a disc in mm, with its shank. */
  readonly thickness: number;
  readonly hole: number;
  readonly colour: string;
  readonly buttonAt: 'start' | 'end';
  readonly loops: number;
}

const other = (side: 'start' | 'end'): 'start' | 'end' => (side === 'start' ? 'end' : 'start');

/** Whether the button sits on the folds: then the cord only runs through it and back. */
const onFold = (closure: LoopAndButton, site: ClosureSite): boolean =>
  closure.buttonAt === 'start' && site.runs.every((run) => run.folded);

/** What the button's cord takes up between work and button, in mm. */
const shank = (closure: LoopAndButton): number =>
  closure.shape === 'ball' ? closure.diameter / 2 : closure.thickness / 2;

function buttonUses(closure: LoopAndButton, site: ClosureSite): Use[] {
  if (onFold(closure, site)) {
    return useEach(
      site.runs,
      {
        area: 'closure',
        code: 'closure.button',
        label: 'Through the button',
        detail: 'half of the way through and back',
      },
      through(closure, false),
    );
  }
  const knot = knotInRuns('overhand', site.runs);
  return [
    ...useEach(
      site.runs,
      {
        area: 'closure',
        code: 'closure.button',
        label: 'Through the button',
        detail:
          closure.shape === 'ball'
            ? 'from back to front'
            : 'up through one hole and down through the other',
      },
      through(closure, true),
    ),
    ...useEach(
      site.runs,
      {
        area: 'knot',
        code: 'knot.button',
        label: 'Knot that holds the button',
        detail: 'an overhand knot in all cords together',
        spread: KNOT_SPREAD,
        ...stopperSource('overhand', site.runs),
      },
      knot.inKnot,
    ),
    ...workingEnds(site.runs, site, 'stopper'),
  ];
}

const buttonEnds = (closure: LoopAndButton, site: ClosureSite): End[] =>
  closure.buttonAt === 'start' && !onFold(closure, site)
    ? startEnds(site.runs)
    : outerEnds(site.runs);

/** How far the holes of a disc lie from its middle, as a share of its radius. Assumed. */
const HOLE_AT = 0.22;

/** Cord that lies in the button: a disc takes it up through one hole and down through the other. */
function through({ shape, diameter, thickness }: LoopAndButton, back: boolean): number {
  if (shape === 'ball') return diameter;
  return back ? 2 * thickness + HOLE_AT * diameter : thickness + (HOLE_AT * diameter) / 2;
}

const buttonOn = (closure: LoopAndButton, site: ClosureSite): Action => ({
  do: 'put-on',
  finding: closure.name,
  place: closureAt(closure.buttonAt),
  on: buttonEnds(closure, site),
  mm: 0,
  takes: through(closure, !onFold(closure, site)),
  ...helpThrough(closure.hole, cordsOf(site.runs)),
});

const buttonKnot = (closure: LoopAndButton, site: ClosureSite): Action => ({
  do: 'tie',
  place: closureAt(closure.buttonAt),
  knot: { form: 'overhand-on-ring' },
  by: buttonEnds(closure, site),
  mm: 0,
});

export const loopAndButton: ClosureKind<LoopAndButton, LoopMeasures> = {
  entry: {
    type: 'loop-and-button',
    label: 'Loop and button',
    blurb: 'A button through one loop, or two for two sizes.',
    goodFor:
      'Bracelets that close firmly and need no metal clasp. The loop stretches a little, so it is made snug.',
    opens: true,
    trials: ['passes'],
  },
  ruleOfThumb: (_closure, work) => hempRule(work),
  fields: [
    nameField('Button'),
    choiceField('shape', 'Shape', { disc: 'Disc', ball: 'Ball' }),
    sizeField('diameter', 'Diameter', 3, 60),
    sizeField('thickness', 'Thickness', 0.5, 40, (values) => values.shape === 'disc'),
    sizeField('hole', 'Hole or shank', 0.3, 20),
    COLOUR_FIELD,
    choiceField('buttonAt', 'The button is at', { start: 'The start', end: 'The end' }),
    countField('loops', 'Loops', 1, 2),
  ],
  make: (cord) => ({
    type: 'loop-and-button',
    name: 'Button',
    shape: 'disc',
    diameter: 12,
    thickness: 4,
    hole: Math.max(2, Number((cord.diameter * 2.1).toFixed(1))),
    colour: '#7b6b58',
    buttonAt: 'end',
    loops: 1,
  }),
  aim: (closure, site) =>
    loopStates(
      site,
      loopEnd(site, loopFor(closure), other(closure.buttonAt), closure.loops),
      1,
      shank(closure),
    )[0]!.extra,
  layOut(closure, site) {
    const side = other(closure.buttonAt);
    const loop = loopEnd(site, loopFor(closure), side, closure.loops);
    const reach = loopReach(loop, closure.loops);
    const button = closure.diameter + 4;
    return plainClosure(
      { perimeter: loop.perimeter },
      {
        states: loopStates(site, loop, closure.loops, shank(closure)),
        reach: side === 'start' ? { start: reach, end: button } : { start: button, end: reach },
        uses: [...loop.uses, ...buttonUses(closure, site)],
        passages: [
          {
            what: closure.name,
            finding: closure.name,
            hole: closure.hole,
            // On a fold each strand goes through and comes back: its two halves are both runs here.
            runs: site.runs,
          },
        ],
        needs: [
          { ...needOf(closure.name), label: say`${closure.name}, ${size(closure.diameter)}` },
        ],
        advice: [
          {
            code: 'loop.tight',
            severity: 'note',
            message: say`The loop is tied ${laid(loop.perimeter)} round inside: the button just passes, since a loop loosens.`,
            remedy: 'Try the button before the knot is pulled tight; it should need a push.',
            path: 'diameter',
          },
        ],
      },
    );
  },
  draw(closure, site, _layout, { length, done }) {
    const side = other(closure.buttonAt);
    const state = done ? 'laid' : 'planned';
    const loop = loopEnd(site, loopFor(closure), side, closure.loops);
    const atStart = closure.buttonAt === 'start';
    const gap = shank(closure);
    const r = closure.diameter / 2;
    const x = atStart ? -gap - r * 0.2 : length + gap + r * 0.2;
    const shapes: Primitive[] = [
      ...straightRuns(site.runs, 'closure-button', atStart ? x : length, atStart ? 0 : x, state),
      plateOf('closure', 'button', closure.colour, [
        ellipse(x, 0, r),
        ...(closure.shape === 'disc'
          ? [-1, 1].map((side) => ellipse(x + side * r * HOLE_AT, 0, r * 0.11))
          : []),
      ]),
      ...(closure.shape === 'disc'
        ? [
            plateOf(
              'closure',
              'rim',
              closure.colour,
              [ellipse(x, 0, r * 0.82), ellipse(x, 0, r * 0.74)],
              'finding-recess',
            ),
          ]
        : []),
    ];
    return [...drawLoops(site, loop, closure.loops, side, length, state), ...shapes];
  },
  steps(closure, site, _layout, _length, first) {
    const side = other(closure.buttonAt);
    const made = loopEnd(site, loopFor(closure), side, closure.loops);
    const loop = tiedStep(
      closure.loops === 2 ? 'Make the loops' : 'Make the loop',
      say`${tellLoop(made, closure.loops)} Try the button in it before it is tight.`,
      [tiedLoop(made.of === 'turned-end', site.runs, first)],
      [made.tie, { do: 'test', what: 'passes' }],
    );
    const button = onFold(closure, site)
      ? singleStep(
          'Thread the button to the fold',
          say`Pass the ends ${closure.shape === 'ball' ? 'through it' : 'up through one hole and down through the other'}, and bring the button to the middle, so that both halves hang alike.`,
          [buttonOn(closure, site)],
        )
      : tiedStep(
          'Tie the button on',
          say`Lead the cords ${closure.shape === 'ball' ? 'through it' : 'up through one hole and down through the other'}, and tie them round themselves close to it.${closure.buttonAt === 'end' ? ' Try it in the loop.' : ''}`,
          [tiedIn('ring-knot.1', [null, site.runs], first)],
          [buttonOn(closure, site), buttonKnot(closure, site)],
        );
    return closure.buttonAt === 'start'
      ? { start: [button], end: [loop] }
      : { start: [loop], end: [button] };
  },
  extends: 'a longer loop, or a second one, makes up for it',
  finish: () => ({
    stays: ['the loop', 'the cords that hold the button'],
    checks: [
      check('The button goes through the loop with a push', 'It does not fall out when shaken.'),
      check('Pull at the button', 'Its knot does not creep.'),
    ],
  }),
  mistakes: [
    'The loop is tied too loose: after a week the button falls out. It should need a push.',
    'The button is tied before the piece was tried on; its place sets the size.',
  ],
};
