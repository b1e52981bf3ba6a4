import type {
  ClosureLayout,
  ClosureSite,
  ClosureState,
  Measures,
} from '../../base/kind/closure-kind.js';
import type { Action } from '../../base/action/action.js';
import type { PartStep } from '../../base/kind/part-kind.js';
import { outerEnds, startEnds } from '../part/ends.js';
import type { Primitive } from '../../base/kind/primitive.js';
import type { Run } from '../../base/kind/run.js';
import { strokeOf } from '../knot/stroke.js';
import { effectiveDiameter } from '../../base/material/cord.js';
import type { Advice } from '../../base/measure/advice.js';
import { flexibleLengthFor } from '../../base/measure/fit.js';
import type { RoundPart } from '../../base/measure/ring.js';
import { laid, say, type Saying } from '../../base/measure/saying.js';
import {
  heightOfTails,
  plaitAdvice,
  plaitOfTails,
  tailUses,
  type TailForm,
  type WithTails,
} from './tails.js';
import { singleStep, runsFreeAtStart } from './uses.js';
import { workingEnds } from '../../base/kind/working-ends.js';

/** By how much the longest circumference must exceed what it passes, in mm. */
export const PASS_MARGIN = 5;
/** How much tighter than the size aimed at a slider still closes, in mm. Common practice, no source. */
export const TIGHTER = 20;

/** Length of each tail, and how much of it the slider or knot holds, in mm. */
export interface SlideMeasures extends Measures {
  readonly tail: number;
  readonly grip: number;
}

export interface Slide {
  /** Length of each tail in mm, from the body to its stopper. */
  readonly tail: number;
  readonly shortest: number;
  readonly longest: number;
  /** Tail that passing the hand takes. */
  readonly needed: number;
}

/**
 * Tails of a closure whose two tails overlap in something that holds `grip` of each.
 *
 * One slider over both: extra = s to 2 T - s. Two sliding knots: S + k to 2 S, where each knot lies against
 * the other.
 *
 * @param grip length of the slider or of one sliding knot in mm
 * @param closure its tails: as the maker set them, or null for what passing takes
 * @param two whether there are two knots, one on each tail
 */
export function slide(
  site: ClosureSite,
  body: readonly RoundPart[],
  grip: number,
  { tails, tailForm }: WithTails,
  two: boolean,
): Slide {
  const height = heightOfTails(site, tailForm);
  const want = site.pass.mm + PASS_MARGIN;
  const extra = flexibleLengthFor(Math.max(want, site.target), height, body, site.turns);
  // Long enough to pass, to close at the size aimed at, and to be tied at all.
  const least = grip + TIGHTER / 2 + 5;
  const needed = Math.max((extra + (two ? 0 : grip)) / 2, least);
  const tail = tails ?? needed;
  return {
    tail,
    shortest: two ? tail + grip : grip,
    longest: two ? Math.max(2 * tail, tail + grip) : Math.max(2 * tail - grip, grip),
    needed,
  };
}

/** What lies in the round when a slider stands at the size aimed at. */
export const slideAim = (site: ClosureSite, grip: number, form?: TailForm): RoundPart[] => [
  { kind: 'flexible', length: grip + TIGHTER, height: heightOfTails(site, form) },
];

export const slideStates = (site: ClosureSite, at: Slide, form?: TailForm): ClosureState[] => {
  const height = heightOfTails(site, form);
  const state = (id: string, label: string, length: number): ClosureState => ({
    id,
    label,
    extra: [{ kind: 'flexible', length, height }],
  });
  return [state('shortest', 'Drawn in', at.shortest), state('longest', 'Drawn out', at.longest)];
};

const fixTails = (needed: number) => ({
  label: say`Tails of ${laid(Math.ceil(needed))}`,
  path: 'tails',
  value: Math.ceil(needed),
});

/** What there is to say about the tails of a sliding closure. */
export function slideAdvice(site: ClosureSite, at: Slide, grip: number, form?: TailForm): Advice[] {
  const advice = plaitAdvice(site, form);
  const { what, mm: girth, estimated } = site.pass;
  if (at.tail < grip) {
    advice.push({
      code: 'closure.tails-short',
      severity: 'error',
      message: say`Tails of ${laid(at.tail)} are too short to tie a slider of ${laid(grip)} over them.`,
      remedy: say`Make them at least ${laid(Math.ceil(at.needed))}.`,
      path: 'tails',
      fix: fixTails(at.needed),
    });
  } else if (at.tail < at.needed - 0.5) {
    advice.push({
      code: 'closure.range',
      severity: 'warning',
      message: say`Drawn out it does not pass the ${what} (${laid(girth)}${estimated ? ', estimated' : ''}); each tail must be ${laid(at.needed - at.tail)} longer.`,
      remedy: say`Make the tails ${laid(Math.ceil(at.needed))}.`,
      path: 'tails',
      fix: fixTails(at.needed),
    });
  }
  if (site.runs.some((run) => run.folded)) {
    advice.push({
      code: 'closure.folded',
      severity: 'error',
      message: 'A slider needs free ends on both sides; here a strand is folded at the start.',
      remedy: 'Use the strands single, or choose a loop closure.',
      path: 'type',
    });
  }
  return advice;
}

/** Everything of a layout that closures with one slider over both tails have alike. */
export function slidingLayout(
  site: ClosureSite,
  body: readonly RoundPart[],
  grip: number,
  closure: WithTails,
): Pick<
  ClosureLayout<SlideMeasures>,
  'facts' | 'states' | 'uses' | 'reach' | 'advice' | 'measures'
> {
  const at = slide(site, body, grip, closure, false);
  return {
    states: slideStates(site, at, closure.tailForm),
    facts: tailFacts(at),
    reach: { start: at.tail + 12, end: at.tail + 12 },
    uses: slidingTails(site, at.tail, closure.tailForm),
    advice: slideAdvice(site, at, grip, closure.tailForm),
    measures: { tail: at.tail, grip },
  };
}

export const tailFacts = ({ tail }: Slide): Saying[] => [say`Each tail ${laid(tail)}`];

const SLIDING = {
  code: 'closure.tails',
  straight: 'Sliding tails',
  plaited: 'Plaited tails',
  why: 'from the body to the stopper knot',
};

/** The tails of both sides. */
export function tailsOf(site: ClosureSite, tail: number, form?: TailForm) {
  const plaiting = plaitOfTails(site, form);
  const start = runsFreeAtStart(site);
  return [
    ...tailUses(start, tail, plaiting, SLIDING),
    ...tailUses(site.runs, tail, plaiting, SLIDING),
  ];
}

/** The tails of both sides, each with what its stopper is trimmed to. */
export const slidingTails = (site: ClosureSite, tail: number, form?: TailForm) => [
  ...tailsOf(site, tail, form),
  ...workingEnds([...runsFreeAtStart(site), ...site.runs], site, 'slides'),
];

/** Where along a tail the slider is drawn, from the end of the parts, in mm. */
export const sliderAt = ({ tail, grip }: SlideMeasures): number =>
  Math.max(2, (tail - grip) * 0.35);

/** A slider seen from its edge, lying round both tails. */
export function edgeOfSlider(
  { runs }: ClosureSite,
  grip: number,
  wound: Pick<Run, 'strand' | 'cord'>,
): Primitive[] {
  const d = effectiveDiameter(runs[0]!.cord);
  const reach = Math.max(0.05, grip / 2 - d);
  return [
    {
      ...strokeOf(
        wound,
        'closed-slider',
        'closure',
        [
          [
            [-reach, -1.5 * d],
            [reach, -1.5 * d],
          ],
        ],
        'laid',
        'round',
      ),
      diameter: 3 * d,
      thing: 'slider',
    },
  ];
}

/** The tails are laid over each other, which begins every slider that is tied where it stays. */
export const layTailsOver = (site: ClosureSite, text: Saying): PartStep => ({
  ...singleStep('Lay both tails over each other', text, [
    { do: 'overlap', ends: [...startEnds(runsFreeAtStart(site)), ...outerEnds(site.runs)] },
  ]),
  moves: ['run', 'tail'],
});

/** A step in which the slider alone moves. */
export const onSlider = (
  title: Saying,
  text: Saying,
  actions: readonly Action[],
  units = 1,
  unitName?: string,
): PartStep => ({
  ...singleStep(title, text, actions),
  moves: ['slider'],
  units,
  ...(unitName === undefined ? {} : { unitName }),
});
