import type { Copy } from '../material/copy.js';
import type { RuleOfThumb, Work } from './rule-of-thumb.js';
import type { Trial } from '../action/action.js';
import type { Practice } from '../material/practice.js';
import type { EndTreatment } from '../material/ends.js';
import type { Cord } from '../material/cord.js';
import type { Advice } from '../measure/advice.js';
import type { RoundPart } from '../measure/ring.js';
import type { PassGirth } from '../measure/girth.js';
import type { Saying } from '../measure/saying.js';
import type { Side } from '../measure/side.js';
import type { Field } from './field.js';
import type { PartEntry, PartStep } from './part-kind.js';
import type { Primitive } from './primitive.js';
import type { AuxiliaryCord, Need, Passage, Reason, Use } from './reason.js';
import type { LegRole, Run } from './run.js';

export interface ClosureBase extends Copy {
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
  /** Largest across in mm of the beads from both ends to the stretch that the fit sets, and of the cords. */
  readonly endSize: number;
  /** What the first and the last part say of themselves; null where there is none. */
  readonly first: PartEntry | null;
  readonly last: PartEntry | null;
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

/** Measures that drawing and steps of a closure need again, in mm. */
export type Measures = Readonly<Record<string, number>>;
export type NoMeasures = Readonly<Record<never, number>>;

/** A closure worked out for a piece. */
export interface ClosureLayout<M extends Measures = Measures> {
  /** From the shortest to the longest. One for a closure that does not adjust; none for an open piece. */
  readonly states: readonly ClosureState[];
  /** What else is said of its sizes: 'Each tail 12 cm'. */
  readonly facts?: readonly Saying[];
  /** How far it reaches on the bench beyond the start and the end of the parts, in mm. */
  readonly reach: { readonly start: number; readonly end: number };
  readonly uses: readonly Use[];
  readonly auxiliary: readonly AuxiliaryCord[];
  readonly needs: readonly Need[];
  readonly passages: readonly Passage[];
  /** Paths are relative to the closure. */
  readonly advice: readonly Advice[];
  readonly measures: M;
}

export interface ClosureEntry {
  readonly type: string;
  readonly label: string;
  readonly blurb: string;
  /** What it is good for, and what to know of it. Common practice, no source. */
  readonly goodFor: string;
  /** Whether it opens, so that the piece need not pass the hand. */
  readonly opens: boolean;
  /** Whether it gives way under a pull before the cord does. */
  readonly givesWay?: true;
  /** Whether the core is set in it before anything is tied: from then on its length is fixed. */
  readonly setsCore?: true;
  /** What is tried while it can still be put right. */
  readonly trials?: readonly Trial[];
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

/** A piece that is worn open. */
export interface WornOpen {
  /** How long it is to be, in mm. */
  readonly length: readonly Reason[];
  /** How many times it goes round the neck, and whether both ends hang down at the front. */
  readonly rounds: 1 | 2;
  readonly hangs: 'both' | 'end';
}

/** What is looked at when all is done, and what to watch for; the text is empty where the title says it all. */
export interface Check {
  readonly title: Saying;
  readonly text: Saying;
}

/** The one face of every closure: model, drawing, steps and catalogue entry. */
export interface ClosureKind<C extends ClosureBase = ClosureBase, M extends Measures = Measures> {
  readonly entry: ClosureEntry;
  readonly fields: readonly Field[];
  make(cord: Cord): C;
  /** What lies in the round when it is worn at the size aimed at. */
  aim(closure: C, site: ClosureSite): readonly RoundPart[];
  /** @param body the parts as they go round, for closures whose tails depend on it */
  layOut(closure: C, site: ClosureSite, body: readonly RoundPart[]): ClosureLayout<M>;
  draw(
    closure: C,
    site: ClosureSite,
    layout: ClosureLayout<M>,
    options: ClosureDraw,
  ): readonly Primitive[];
  /** What lies under the work on the bench, for findings that the cords go over. */
  drawBelow?(closure: C, options: ClosureDraw): readonly Primitive[];
  /**
   * The closed closure seen from its edge, its middle at x = 0, the skin at y = 0 and the outside at y < 0;
   * see PartKind. Its cord alone when left out.
   */
  drawEdge?(closure: C, site: ClosureSite, layout: ClosureLayout<M>): readonly Primitive[];
  /** What is done before the parts are worked, and what closes the piece after them. */
  steps(
    closure: C,
    site: ClosureSite,
    layout: ClosureLayout<M>,
    length: number,
    first: Side,
  ): { readonly start: readonly PartStep[]; readonly end: readonly PartStep[] };
  /** How it is closed on the wearer, where that wants telling. */
  worn?(closure: C, site: ClosureSite): Saying;
  /** How a piece with it is worn open; left out where it closes. */
  open?(closure: C, site: ClosureSite): WornOpen;
  /** Length in mm of cut core ends that it hides in the first part tied over a core. */
  buries?(closure: C, legs: readonly (readonly LegRole[])[]): number;
  /** How it makes up for a piece that came out short. */
  readonly extends?: Saying;
  /** What makers go by for this kind of piece; null where they have no rule. */
  ruleOfThumb?(closure: C, work: Work): RuleOfThumb | null;
  /** What is named before an end is cut, and looked at when all is done. */
  finish(
    closure: C,
    site: ClosureSite,
  ): {
    /** What of the cords at the closure stays. */
    readonly stays: readonly Saying[];
    /** What a finished closure must do. */
    readonly checks: readonly Check[];
  };
  /** What goes wrong here most often. */
  readonly mistakes: readonly string[];
}

/** A layout with nothing special about it, to be filled in. */
export const plainClosure = <M extends Measures>(
  measures: M,
  more: Partial<Omit<ClosureLayout, 'measures'>>,
): ClosureLayout<M> => ({
  states: [],
  reach: { start: 0, end: 0 },
  uses: [],
  auxiliary: [],
  needs: [],
  passages: [],
  advice: [],
  measures,
  ...more,
});
