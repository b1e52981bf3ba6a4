import type { Side } from './side.js';

/** A caution in plain words, shown where the hand is in danger and never as a certificate of safety. */
export interface Caution {
  readonly kind: 'flame' | 'glue' | 'blade' | 'child' | 'load';
  readonly text: string;
}

/** A wait that runs by itself: glue that cures, dye that dries. */
export interface Wait {
  readonly minutes: number;
  /** What is waited for: 'the glue cures'. */
  readonly what: string;
  /** What must not be done before it is over. */
  readonly not: string;
}

/** What the picture of a step shows. */
export type Look =
  /** A cord of the cut list laid straight, or another that is cut with it. */
  | { readonly kind: 'cord'; readonly strand: number }
  | { readonly kind: 'auxiliary'; readonly index: number }
  /** The piece where a part begins, the strand that comes in there laid bare. */
  | { readonly kind: 'lay-in'; readonly part: string; readonly strand: number }
  /** The part at the unit at hand. */
  | { readonly kind: 'part' }
  /** The closure at one end of the piece. */
  | { readonly kind: 'start' | 'end' }
  /** The last knot with the ends that are still there. */
  | { readonly kind: 'ends' }
  /** Closed round the body. */
  | { readonly kind: 'worn' };

/** One action of the maker's hands, or one kind of action repeated `units` times. */
export interface Step {
  readonly id: string;
  readonly stage: 'prepare' | 'tie' | 'finish';
  readonly title: string;
  readonly text: string;
  /** How many times it is done; the counter counts these. >= 1. */
  readonly units: number;
  /** What one unit is called: 'half knot'. */
  readonly unitName?: string;
  /** Which side each unit starts from, when it matters. */
  readonly sideOf?: (unit: number) => Side;
  /** What this very unit is: 'Bead 3: hematite, 6 mm'. */
  readonly unitText?: (unit: number) => string;
  /** The part of the piece it is done on, for the drawing. */
  readonly part?: string;
  /** Where a part is worked in several steps: how many of its units come before this step. */
  readonly from?: number;
  /** What its picture shows. */
  readonly look?: Look;
  /** What of the closure moves in it; see PartStep. */
  readonly moves?: readonly string[];
  /** Before a cut: the ends that stay, and those that go. */
  readonly ends?: { readonly stays: readonly string[]; readonly goes: readonly string[] };
  /** What goes wrong here most often. */
  readonly mistakes?: readonly string[];
  /** A wait that begins when it is done. */
  readonly wait?: Wait;
  readonly cautions: readonly Caution[];
}
