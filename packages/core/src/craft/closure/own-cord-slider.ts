import type { RuleOfThumb, Work } from '../../base/kind/rule-of-thumb.js';
import {
  plainClosure,
  type ClosureKind,
  type ClosureLayout,
  type ClosureSite,
} from '../../base/kind/closure-kind.js';
import type { Field } from '../../base/kind/field.js';
import type { PartStep } from '../../base/kind/part-kind.js';
import type { Primitive } from '../../base/kind/primitive.js';
import type { Reason } from '../../base/kind/reason.js';
import type { Action } from '../../base/action/action.js';
import { outerEnds, startEnds } from '../part/ends.js';
import { knotInRuns } from '../part/pick.js';
import { oneOf } from '../../base/measure/plural.js';
import { laid, say } from '../../base/measure/saying.js';
import { STOPPERS } from '../knot/stopper.js';
import { asThing, moved } from '../knot/stroke.js';
import { endReason } from '../../base/kind/working-ends.js';
import type { Cord } from '../../base/material/cord.js';
import { workingEnd } from '../../base/material/working-end.js';
import type { Advice } from '../../base/measure/advice.js';
import type { Saying } from '../../base/measure/saying.js';
import type { Side } from '../../base/measure/side.js';
import { drawTails } from './tail-drawing.js';
import { edgeOfSlider, slideAim, sliderAt, slidingLayout, type SlideMeasures } from './slide.js';
import { plaitOfTails, plaitSteps, SLIDER_FIELDS, type OwnCordSlider } from './tails.js';
import { tiedIn } from '../knot/tied.js';
import { check, leave, singleStep, runsFreeAtStart, stopperIn, stopperUses } from './uses.js';

/** What tells one slider from another. */
export interface OwnCordSliderSpec<C extends OwnCordSlider> {
  readonly type: C['type'];
  readonly label: string;
  readonly blurb: string;
  readonly goodFor: string;
  /** What it asks for besides cord and tails. */
  readonly fields: readonly Field[];
  make(): Omit<C, keyof OwnCordSlider>;
  /** What it is called in a sentence: 'slider', 'coil'. */
  readonly name: string;
  /** The tying that its own cord ends with. */
  tying(slider: C): string;
  /** Length in mm that holds both tails. */
  grip(slider: C, site: ClosureSite): number;
  /** What its own cord takes, without ends. */
  cord(slider: C, site: ClosureSite): Omit<Reason, 'area'>;
  /** Whether every strand has a stopper of its own; else one is tied in all of a side together. */
  readonly stopperInEach?: true;
  /** What makes it impossible. */
  faults?(slider: C): Advice[];
  /** The slider from x = 0 to its grip, y = 0 on the middle of both tails. */
  draw(slider: C, site: ClosureSite, done: boolean, firstSide: Side): readonly Primitive[];
  /** How it is put on the tails. */
  steps(slider: C, site: ClosureSite, first: Side): readonly PartStep[];
  ruleOfThumb?(work: Work): RuleOfThumb | null;
  /** How the stoppers are tied. */
  readonly stopping: Saying;
  /** Looked at last, besides that it slides and passes. */
  readonly looks?: readonly ReturnType<typeof check>[];
  readonly mistakes: readonly string[];
}

/** What fingers need of both ends of a slider's cord. */
const endsOfSlider = (cord: Cord, site: ClosureSite, tying: string): Reason => {
  const each = workingEnd('slider', cord, site.practice, tying);
  return { ...endReason('slider'), mm: 2 * each, times: { count: 2, each } };
};

/** A slider tied from a cord of its own over both tails: everything such sliders have alike. */
export function ownCordSlider<C extends OwnCordSlider>(
  spec: OwnCordSliderSpec<C>,
): ClosureKind<C, SlideMeasures> {
  const stoppers = (slider: C, site: ClosureSite) => {
    const sides = [runsFreeAtStart(site), site.runs];
    const tied = spec.stopperInEach ? sides.flat().map((run) => [run]) : sides;
    return tied.flatMap((runs) => stopperUses(runs, slider.stopper));
  };
  /** Tails are left as long as they are to be, unless they are plaited already, and stopped. */
  const stopping = (slider: C, site: ClosureSite, tail: number): Action[] =>
    (['start', 'end'] as const).flatMap((side) => {
      const ends = side === 'start' ? startEnds(runsFreeAtStart(site)) : outerEnds(site.runs);
      const runs = side === 'start' ? runsFreeAtStart(site) : site.runs;
      return [
        ...(plaitOfTails(site, slider.tailForm) ? [] : leave(side, ends, tail)),
        ...(spec.stopperInEach
          ? ends.flatMap((end, i) =>
              stopperIn(side, [end], slider.stopper, knotInRuns(slider.stopper, [runs[i]!]).length),
            )
          : stopperIn(side, ends, slider.stopper, knotInRuns(slider.stopper, runs).length)),
      ];
    });
  const layOut = (
    slider: C,
    site: ClosureSite,
    body: Parameters<typeof slidingLayout>[1],
  ): ClosureLayout<SlideMeasures> => {
    const { measures, advice, uses, ...layout } = slidingLayout(
      site,
      body,
      spec.grip(slider, site),
      slider,
    );
    const faults = spec.faults?.(slider) ?? [];
    if (faults.length > 0) {
      return plainClosure(measures, { ...layout, uses, advice: [...advice, ...faults] });
    }
    return plainClosure(measures, {
      ...layout,
      advice,
      uses: [...uses, ...stoppers(slider, site)],
      auxiliary: [
        {
          id: 'slider',
          label: 'Slider cord',
          cord: slider.cord,
          reasons: [
            { area: 'knot', ...spec.cord(slider, site) },
            endsOfSlider(slider.cord, site, spec.tying(slider)),
          ],
        },
      ],
    });
  };
  return {
    entry: {
      type: spec.type,
      label: spec.label,
      blurb: spec.blurb,
      goodFor: spec.goodFor,
      opens: false,
      trials: ['slides'],
    },
    fields: [...spec.fields, ...SLIDER_FIELDS],
    make: (cord: Cord) =>
      ({
        type: spec.type,
        ...spec.make(),
        cord,
        tails: null,
        tailForm: 'straight',
        stopper: 'overhand',
      }) as C,
    aim: (slider, site) => slideAim(site, spec.grip(slider, site), slider.tailForm),
    layOut,
    draw(slider, site, { measures }, { length, done, firstSide }) {
      return [
        ...drawTails(site, measures.tail, length, slider.stopper, done ? 'laid' : 'planned', {
          each: spec.stopperInEach ?? false,
          plaiting: plaitOfTails(site, slider.tailForm),
        }),
        ...asThing(
          moved(spec.draw(slider, site, done, firstSide), length + sliderAt(measures)),
          'slider',
        ),
      ];
    },
    drawEdge: (slider, site, { measures }) =>
      edgeOfSlider(site, measures.grip, { strand: 0, cord: slider.cord }),
    steps: (slider, site, { measures }, _length, first) => ({
      start: [],
      end: [
        ...plaitSteps(site, slider.tailForm, measures.tail, first),
        ...spec.steps(slider, site, first),
        {
          ...singleStep(
            `Tie ${oneOf(STOPPERS[slider.stopper].label)} at the end of each ${spec.stopperInEach ? 'strand' : 'tail'}`,
            say`${spec.stopping} Each tail is ${laid(measures.tail)} from body to stopper.`,
            stopping(slider, site, measures.tail),
          ),
          moves: ['stopper'],
          tied: [tiedIn(slider.stopper, [spec.stopperInEach ? site.runs[0] : site.runs], first)],
        },
      ],
    }),
    ...(spec.ruleOfThumb
      ? { ruleOfThumb: (_slider: C, work: Work) => spec.ruleOfThumb!(work) }
      : {}),
    finish: (_slider, site) => ({
      stays: ['both tails, out to their stopper knots'],
      checks: [
        check(
          `The ${spec.name} moves with some force`,
          'It stays where it is put when you let go.',
        ),
        check(
          `It passes the ${site.pass.what} when it is drawn right out`,
          `The stoppers do not slip through the ${spec.name}.`,
        ),
        ...(spec.looks ?? []),
      ],
    }),
    mistakes: spec.mistakes,
  };
}
