import type { Cord } from '../material/cord.js';
import type { Run } from './run.js';

/** One named part of a length. A length is the exact sum of its reasons. */
export interface Reason {
  /**
   * `area.what`. Areas: `start` and `closure` (fixed lengths at the ends), `run` (straight, as long as
   * the work), `knot` (cord in knots), `end` (trimmed away), `reserve`.
   */
  readonly code: string;
  readonly label: string;
  /** How the number comes about, in plain words; numbers in it are already rounded. */
  readonly detail: string;
  /** In mm. Never rounded. */
  readonly mm: number;
  /** Where the part is a repeat: how many times what length (mm). */
  readonly times?: { readonly count: number; readonly each: number };
  /** True where the model behind it is an assumption that a swatch should check. */
  readonly assumed?: boolean;
  /** Prior spread of a hand's take-up here: standard deviation of its logarithm. 0 when left out. */
  readonly spread?: number;
  /** What a hand learns here: the kind of part, with the kind of cord. Told by the plan. */
  readonly technique?: string;
  /** What was learnt of this hand: its factor, already in `mm`, and how many makes that rests on. */
  readonly hand?: { readonly factor: number; readonly rests: number };
}

/** Code of cord that is there already and not cut: a strand that has it comes with the work. */
export const GIVEN = 'run.given';

/** The one way to add reasons up, so that "the sum is exact" means the same sum everywhere. */
export const sumOf = (reasons: readonly Reason[]): number =>
  reasons.reduce((sum, reason) => sum + reason.mm, 0);

/** Spread of a hand's take-up in knots: about 10-12 %. Common practice, no source. */
export const KNOT_SPREAD = 0.11;
/** The same in plaits: about 5 %. Common practice, no source. */
export const PLAIT_SPREAD = 0.05;

/** Cord that one half of a strand needs somewhere, and why. */
export interface Use {
  readonly strand: number;
  readonly half: 0 | 1;
  readonly reason: Reason;
}

/** A cord cut besides the strands: a slider's, a whipping's, a thread to pull by. */
export interface AuxiliaryCord {
  readonly id: string;
  readonly label: string;
  /** null where any thread at hand does. */
  readonly cord: Cord | null;
  readonly reasons: readonly Reason[];
}

/** A finding, button or other thing to have ready. */
export interface Need {
  readonly label: string;
  readonly count: number;
}

/** Cords that go through a hole together. */
export interface Passage {
  readonly what: string;
  /** Diameter of the hole in mm. */
  readonly hole: number;
  readonly runs: readonly Run[];
}
