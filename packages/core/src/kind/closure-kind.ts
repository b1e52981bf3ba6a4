import type { Practice } from '../material/practice.js';
import type { EndTreatment } from '../material/ends.js';
import type { Advice } from '../measure/advice.js';
import type { RoundPart } from '../measure/fit.js';
import type { PassGirth } from '../measure/girth.js';
import type { Cord } from '../material/cord.js';
import type { Field } from './field.js';
import type { PartStep } from './part-kind.js';
import type { Primitive } from './primitive.js';
import type { AuxiliaryCord, Need, Passage, Reason, Use } from './reason.js';
import type { Run } from './run.js';
import type { Side } from './side.js';

export interface ClosureBase {
  readonly type: string;
}

/** What a closure has to close. */
export interface ClosureSite {
  /** Runs that reach the closure at both ends. */
  readonly runs: readonly Run[];
  /** Numbers of the strands that run out as core, turn here, and come back working. */
  readonly turned: readonly number[];
  readonly practice: Practice;
  readonly ends: EndTreatment;
  /** What the closed piece must pass. */
  readonly pass: PassGirth;
  readonly turns: number;
  /** Inner circumference aimed at in mm. */
  readonly target: number;
  readonly child: boolean;
  /** Largest across in mm of what lies in the first and the last part. */
  readonly endSize: number;
  /** Kinds of the first and the last part. */
  readonly firstKind: string;
  readonly lastKind: string;
  /** Width and thickness in mm of the work where it meets the closure. */
  readonly width: number;
  readonly thickness: number;
}

/** One way of wearing it: what lies in the round besides the parts. */
export interface ClosureState {
  readonly id: string;
  readonly label: string;
  readonly extra: readonly RoundPart[];
}

/** A closure worked out for a piece. */
export interface ClosureLayout {
  /** From the shortest to the longest. One for a closure that does not adjust; none for an open piece. */
  readonly states: readonly ClosureState[];
  /** How far it reaches on the bench beyond the start and the end of the parts, in mm. */
  readonly reach: { readonly start: number; readonly end: number };
  readonly uses: readonly Use[];
  readonly auxiliary: readonly AuxiliaryCord[];
  readonly needs: readonly Need[];
  readonly passages: readonly Passage[];
  /** Paths are relative to the closure. */
  readonly advice: readonly Advice[];
  /** Measures that the drawing and the steps need again, in mm. */
  readonly measures: Readonly<Record<string, number>>;
}

export interface ClosureEntry {
  readonly type: string;
  readonly label: string;
  readonly blurb: string;
  /** Whether it opens, so that the piece need not pass the hand. */
  readonly opens: boolean;
}

export interface ClosureDraw {
  /** Length of the parts in mm: the closure lies before 0 and after it. */
  readonly length: number;
  /** Whether tails that are trimmed away later are drawn. */
  readonly tails: boolean;
  /** Whether the closure is made already. */
  readonly done: boolean;
  readonly firstSide: Side;
}

/** The one face of every closure: model, drawing, steps and catalogue entry. */
export interface ClosureKind<C extends ClosureBase = ClosureBase> {
  readonly entry: ClosureEntry;
  readonly fields: readonly Field[];
  make(cord: Cord): C;
  /** What lies in the round when it is worn at the size aimed at. */
  aim(closure: C, site: ClosureSite): readonly RoundPart[];
  /** @param body the parts as they go round, for closures whose tails depend on it */
  layOut(closure: C, site: ClosureSite, body: readonly RoundPart[]): ClosureLayout;
  draw(
    closure: C,
    site: ClosureSite,
    layout: ClosureLayout,
    options: ClosureDraw,
  ): readonly Primitive[];
  /** What lies under the work on the bench, for findings that the cords go over. */
  drawBelow?(closure: C, options: ClosureDraw): readonly Primitive[];
  /** What is done before the parts are worked, and what closes the piece after them. */
  steps(
    closure: C,
    site: ClosureSite,
    layout: ClosureLayout,
    length: number,
  ): { readonly start: readonly PartStep[]; readonly end: readonly PartStep[] };
  /** For a piece that is worn open: how long it is to be, as reasons. */
  openLength?(closure: C, site: ClosureSite): readonly Reason[];
  /** What is named before an end is cut, and looked at when all is done. */
  readonly finish: {
    /** Ends and runs of the closure that stay. */
    readonly stays: readonly string[];
    /** Ends that are trimmed. */
    readonly goes: readonly string[];
    /** What a finished closure must do. */
    readonly checks: readonly string[];
  };
  /** What goes wrong here most often. */
  readonly mistakes: readonly string[];
}

export const plainClosure = (more: Partial<ClosureLayout>): ClosureLayout => ({
  states: [],
  reach: { start: 0, end: 0 },
  uses: [],
  auxiliary: [],
  needs: [],
  passages: [],
  advice: [],
  measures: {},
  ...more,
});
