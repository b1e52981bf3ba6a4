import type { Cord } from '../material/cord.js';
import type { Saying } from '../measure/saying.js';
import type { Run } from './run.js';

/**
 * Where a length goes:
 * - `fit`: part of the way round, no cord of its own
 * - `start`, `closure`: fixed lengths at the ends
 * - `run`: along the work, as long as it
 * - `knot`: in knots
 * - `end`: trimmed away
 * - `reserve`: for a hand that takes more
 */
export type Area = 'fit' | 'start' | 'run' | 'knot' | 'closure' | 'end' | 'reserve';

/**
 * Where a number comes from: `computed` by a model that was checked, to a relative error; `practice`, a fact of
 * the trade without a source.
 */
export type Source =
  | { readonly how: 'computed'; readonly error: number }
  | { readonly how: 'practice' };

/** A fact of the trade that no publication stands behind. */
export const PRACTICE = { source: { how: 'practice' } } as const satisfies {
  readonly source: Source;
};

/** One named part of a length. A length is the exact sum of its reasons. */
export interface Reason {
  readonly area: Area;
  /** Stable name for programs. Reasons of one code and technique are added up. */
  readonly code: string;
  readonly label: Saying;
  /** How the number comes about, in plain words. */
  readonly detail: Saying;
  /** In mm. Never rounded. */
  readonly mm: number;
  /** Where the part is a repeat: how many times what length (mm). */
  readonly times?: { readonly count: number; readonly each: number };
  /**
   * Where both halves of a folded strand tie one knot together: what is said of the two, for whom the
   * count stays and the length of each is doubled.
   */
  readonly bothHalves?: Saying;
  /** True where the cord is there already and not cut: a strand that has it comes with the work. */
  readonly given?: boolean;
  /** Where the numbers behind it come from; left out where none are but what was measured. */
  readonly source?: Source;
  /** True where the model behind it is an assumption that a swatch should check. */
  readonly assumed?: boolean;
  /** Prior spread of a hand's take-up here: standard deviation of its logarithm. 0 when left out. */
  readonly spread?: number;
  /**
   * Spread of how many units a length takes, where it is tied to a length: it varies the cord besides. Told by
   * the plan; 0 when left out.
   */
  readonly pitchSpread?: number;
  /** What a hand learns here: the kind of part, with the kind of cord. Told by the plan. */
  readonly technique?: string;
  /** True of an end that fingers tie with: how much of it they need is learnt. */
  readonly fingers?: boolean;
  /** What was learnt of this hand: its factor, already in `mm`, and how many makes that rests on. */
  readonly hand?: { readonly factor: number; readonly rests: number };
}

/** The one way to add reasons up, so that "the sum is exact" means the same sum everywhere. */
export const sumOf = (reasons: readonly Reason[]): number =>
  reasons.reduce((sum, reason) => sum + reason.mm, 0);

/** Spread of what a reason takes, of its cord and of how many units it is, which do not depend on each other. */
export const spreadOf = ({ spread = 0, pitchSpread = 0 }: Reason): number =>
  Math.hypot(spread, pitchSpread);

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

/** The same length some times over, for one run. */
export const useOf = (
  run: Pick<Run, 'strand' | 'half'>,
  reason: Omit<Reason, 'mm' | 'times'>,
  each: number,
  count = 1,
): Use => ({
  strand: run.strand,
  half: run.half,
  reason: { ...reason, mm: count * each, times: { count, each } },
});

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
  /** Like things have the same, and are counted together. */
  readonly id: string;
  readonly label: Saying;
  readonly count: number;
}

/** A thing that is called by its own name. */
export const needOf = (name: string, count = 1): Need => ({ id: name, label: name, count });

/** Cords that go through a hole together. */
export interface Passage {
  readonly what: string;
  /** The finding whose hole it is, by its id among the needs; left out for a bead. */
  readonly finding?: string;
  /** Whether it has a bottom: cut ends are pushed in, and no thread pulls them through. */
  readonly blind?: true;
  /** Whether they go through one after the other: no thread pulls them together. */
  readonly inTurn?: true;
  /** Diameter of the hole in mm. */
  readonly hole: number;
  readonly runs: readonly Run[];
}
