import type { RuleBeside } from '../base/kind/rule-of-thumb.js';
import type { ClosureLayout } from '../base/kind/closure-kind.js';
import type { Lying, PartLayout } from '../base/kind/part-kind.js';
import type { Need, Reason } from '../base/kind/reason.js';
import type { Cord } from '../base/material/cord.js';
import type { Advice } from '../base/measure/advice.js';
import type { PassGirth } from '../base/measure/girth.js';

/** A size that the closed piece can take. */
export interface SizeState {
  readonly id: string;
  readonly label: string;
  /** Inner circumference in mm, after break-in; 0 when it does not close round anything. */
  readonly circumference: number;
}

/** How the finished size follows from the body. Lengths in mm. */
export interface FitPlan {
  /** 0 when it was not measured and is not needed. */
  readonly girth: number;
  readonly ease: number;
  /** Inner circumference aimed at: girth + ease, or the length wanted. 0 for an open piece. */
  readonly target: number;
  /** The target as reasons, for display. */
  readonly targetReasons: readonly Reason[];
  /** Length of all parts that closes on the target, before break-in. */
  readonly fitted: number;
  /** That length as reasons: circumference, thickness, beads, closure, stretch. */
  readonly lengthReasons: readonly Reason[];
  /** Length of all parts as planned. */
  readonly length: number;
  /** Whether some part takes what the fit asks for. */
  readonly filled: boolean;
  /** Inner circumference that the planned length gives at the size aimed at; 0 when it cannot close. */
  readonly circumference: number;
  /** Room all round between skin and work, on a round body. */
  readonly gap: number;
  /** From the shortest to the longest; one for a closure that does not adjust, none for an open piece. */
  readonly states: readonly SizeState[];
  /** What the closed piece must pass, for closures that do not open; null otherwise. */
  readonly pass: PassGirth | null;
}

/** What is cut of a cord, and why. */
interface CutPlan {
  readonly reasons: readonly Reason[];
  /** Exact sum of the reasons. */
  readonly total: number;
  /** The total rounded up to the maker's step: what is cut. */
  readonly cut: number;
}

/** One cord of the cut list. */
export interface StrandPlan extends CutPlan {
  /** From 1. */
  readonly number: number;
  readonly role: string;
  readonly cord: Cord;
  /** Whether it is there already, as an endless loop is, and need not be cut. */
  readonly given: boolean;
  /** Where it is folded, from one end, in mm; null when it is used single. */
  readonly fold: number | null;
  /** Expected leftover in mm: reserve and rounding not used, and the tails that are trimmed. */
  readonly leftover: number;
  /** Cord in mm that the finished piece is expected to keep. */
  readonly kept: number;
}

/** A cord cut besides the strands. */
export interface AuxiliaryPlan extends CutPlan {
  readonly id: string;
  readonly label: string;
  readonly cord: Cord | null;
}

export interface PartPlan {
  readonly id: string;
  readonly kind: string;
  readonly layout: PartLayout;
  /** What a hand learns in it, where that is not its kind. */
  readonly technique?: string;
  /** Where the part begins on the ruler, in mm. */
  readonly start: number;
  /** How its cords lie, where it goes on from a plait or a band before it. */
  readonly lies?: Lying;
  /** Length of this hand's units over the model's, where it differs. */
  readonly pitchFactor?: number;
}

export interface PlanTotals {
  /** All cuts, strands and others, in mm. */
  readonly cut: number;
  /** Cord in the parts alone, straight and in knots, in mm. */
  readonly inWork: number;
  /** inWork / length of the parts. */
  readonly perLength: number;
  readonly leftover: number;
  /** The strands alone, in mm: each cut to its own length, and all of a kind cut alike. */
  readonly ownCuts: number;
  readonly equalCuts: number;
  /** Of all cuts, what is for a first make and gone with the first that is logged, in mm. */
  readonly firstMake: number;
  /** What is tied and strung: `{ unitName: 'half knot', count: 60 }`. */
  readonly counts: readonly { readonly unitName: string; readonly count: number }[];
}

export interface BeadCount {
  readonly id: string;
  readonly name: string;
  readonly count: number;
  /** Pieces in hand; null when not counted. */
  readonly inHand: number | null;
}

/** What a maker counts on a layout. */
export interface Counters {
  /** Beads left of the middle of the parts, right of it, and on it. */
  readonly left: number;
  readonly right: number;
  readonly middle: number;
  /** Whether the second half is the mirror of the first. */
  readonly symmetric: boolean;
  readonly beads: readonly BeadCount[];
  readonly needs: readonly Need[];
}

export interface Plan {
  readonly ok: true;
  readonly fit: FitPlan;
  readonly parts: readonly PartPlan[];
  readonly closure: ClosureLayout;
  readonly strands: readonly StrandPlan[];
  readonly auxiliary: readonly AuxiliaryPlan[];
  readonly totals: PlanTotals;
  readonly counters: Counters;
  readonly rules: readonly RuleBeside[];
  /** Whether hands that follow its steps to the letter come to a stop; the advice says where and why. */
  readonly unmakeable?: true;
  readonly advice: readonly Advice[];
}

/** A piece that cannot be planned as it stands, and why. */
export interface NoPlan {
  readonly ok: false;
  readonly advice: readonly Advice[];
}

export type PlanResult = Plan | NoPlan;
