import type { Action, Verb } from '../action/action.js';
import type { Cord } from '../material/cord.js';
import type { Saying } from '../measure/saying.js';
import type { Side } from '../measure/side.js';
import type { TermId } from '../measure/terms.js';
import type { Thing } from './primitive.js';

/** A caution in plain words, shown where the hand is in danger and never as a certificate of safety. */
export interface Caution {
  readonly kind: 'flame' | 'glue' | 'blade' | 'child' | 'load' | 'metal' | 'magnet';
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
  /** The cords side by side in the order that its action names. */
  | { readonly kind: 'order' }
  /** The part at the unit at hand. */
  | { readonly kind: 'part' }
  /** The work where it ends so far, so many units of its last part done: a clip close to it, or at the far end. */
  | {
      readonly kind: 'clipped';
      readonly part: string;
      readonly units: number;
      readonly far?: true;
    }
  /** The closure at one end of the piece. */
  | { readonly kind: 'start' | 'end' }
  /** The last knot with the ends that are still there. */
  | { readonly kind: 'ends' }
  /** Closed round the body. */
  | { readonly kind: 'worn' };

/** A knot that is tied move by move. */
export interface Tied {
  /** Which tying; of a knot that the maker drew, which knot of the piece. */
  readonly tying: string;
  readonly drawn?: true;
  /** Whether it is the mirror image that these hands tie. */
  readonly mirrored: boolean;
  /** Number of the cord of the cut list that each of its strands is, from 1; 0 for its own cord, null for what is none. */
  readonly strands: readonly (number | null)[];
  /** Of each strand, the cords that go with that one as one; none when left out. */
  readonly together?: readonly (readonly number[])[];
  /** The cord that is tied and is none of the piece's: of a slider, of a whipping. */
  readonly own?: Cord;
}

/** What is said of every unit: each sentence once, and which of them goes with each unit. */
export interface Calls {
  readonly said: readonly Saying[];
  readonly order: readonly number[];
}

/** What is said of one or a few actions that belong together, or of some that are repeated `units` times. */
export interface Instruction {
  readonly title: Saying;
  readonly text: Saying;
  /** What is said instead where it is gone on with after a break; the same when left out. */
  readonly again?: Saying;
  /** How many times it is done; the counter counts these. >= 1. */
  readonly units: number;
  /** What one unit is called: 'half knot'. */
  readonly unitName?: string;
  /** Whether it only makes ready or rounds off what its part counts, so that its units are none of the part’s. */
  readonly aside?: true;
  /** Whether the bump of a unit shows which side it came from. */
  readonly bumps?: boolean;
  /** What of the closure moves in it, for its picture; all of it when left out. */
  readonly moves?: readonly Thing[];
  /** How it is tied, of one unit after the other by turns; left out where it is told in words alone. */
  readonly tied?: readonly Tied[];
  /** How what every unit begins with is tied, where that is another knot. */
  readonly begins?: Tied;
  /** Which of these each unit is, where they do not come by turns. */
  readonly tiedBy?: readonly number[];
  /** What the hands do, in order. */
  readonly actions: readonly Action[];
  /** The unit that each of them begins with; 0 for all when left out. */
  readonly actionUnits?: readonly number[];
  /** A wait that begins when it is done. */
  readonly wait?: Wait;
  readonly cautions: readonly Caution[];
}

/**
 * An instruction in its place in a make. Plain data: a make keeps its steps as they were when it was begun.
 * Steps of a make that was begun before there were actions have none.
 */
export interface Step extends Omit<Instruction, 'actions'> {
  readonly actions?: readonly Action[];
  readonly id: string;
  readonly stage: 'prepare' | 'tie' | 'finish';
  /** Which side the units start from, by turns, when it matters. */
  readonly sides?: readonly Side[];
  /** What each very unit is. */
  readonly calls?: Calls;
  /** The part of the piece it is done on, for the drawing. */
  readonly part?: string;
  /** Where a part is worked in several steps: how many of its units come before this step. */
  readonly from?: number;
  /** Whether it goes on with what the step before a break began. */
  readonly goesOn?: true;
  /** What its picture shows. */
  readonly look?: Look;
  /** Before a cut: the ends that stay, and those that go. */
  readonly ends?: { readonly stays: readonly Saying[]; readonly goes: readonly Saying[] };
  /** Words of the trade that stand here first in the make. */
  readonly terms?: readonly TermId[];
  /** What goes wrong here most often. */
  readonly mistakes?: readonly string[];
}

/** Whether hands do something of a kind in a step. */
export const does = ({ actions = [] }: Pick<Step, 'actions'>, verb: Verb): boolean =>
  actions.some((action) => action.do === verb);

/** The side a unit starts from; null where sides do not matter. Units before the first count down from 0. */
export function sideAt({ sides }: Pick<Step, 'sides'>, unit: number): Side | null {
  if (!sides || sides.length === 0) return null;
  const n = sides.length;
  return sides[((unit % n) + n) % n]!;
}

/** How a unit is tied; null where that is told in words alone. */
export const tiedAt = (
  { tied, tiedBy }: Pick<Step, 'tied' | 'tiedBy'>,
  unit: number,
): Tied | null => tied?.[tiedBy ? tiedBy[unit]! : unit % tied.length] ?? null;

/** Whether a unit is the first of its step that is tied its way, whichever cords it is tied with. */
export function isFirstTied(step: Pick<Step, 'tied' | 'tiedBy'>, unit: number): boolean {
  const tying = tiedAt(step, unit)?.tying;
  for (let before = 0; before < unit; before++) {
    if (tiedAt(step, before)?.tying === tying) return false;
  }
  return true;
}

/** What a unit is called; null where all are alike. */
export const callAt = ({ calls }: Pick<Step, 'calls'>, unit: number): Saying | null =>
  calls?.said[calls.order[unit] ?? -1] ?? null;
