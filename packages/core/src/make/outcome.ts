import type { Piece } from '../piece/piece.js';
import type { Plan } from '../plan/plan-types.js';
import type { Observation } from '../learn/hand.js';
import { observe } from './observe.js';

/** What the maker measured when the piece was finished. Lengths in mm. */
export interface MakeRecord {
  /** Per strand, in cut-list order. */
  readonly cords: readonly {
    /** Length cut. */
    readonly cut: number;
    /** All that was left over: trimmed tails and offcut. */
    readonly leftover: number;
  }[];
  /** Finished length of the parts, without the closure. */
  readonly length: number;
  /** At the bench, in all. */
  readonly minutes: number;
  /** The same by what was done, where it was kept apart. */
  readonly stages?: StageMinutes;
  /** Units tied in the parts whose length grows by units, where they were not as many as planned. */
  readonly tied?: number;
}

export interface StageMinutes {
  readonly prepare: number;
  readonly tie: number;
  readonly finish: number;
}

export interface Compared {
  readonly label: string;
  readonly predicted: number;
  readonly actual: number;
  /** actual / predicted - 1 */
  readonly off: number;
}

export interface Outcome {
  /** Cord kept in the piece, per strand. */
  readonly cords: readonly Compared[];
  readonly length: Compared;
  /** What this make says of the hand, over the model. */
  readonly observations: readonly Observation[];
}

const compare = (label: string, predicted: number, actual: number): Compared => ({
  label,
  predicted,
  actual,
  off: actual / predicted - 1,
});

/**
 * Predicted against actual, and what the hand showed.
 *
 * @throws RangeError when the record has another number of strands than the plan
 */
export function compareOutcome(piece: Piece, plan: Plan, record: MakeRecord): Outcome {
  if (record.cords.length !== plan.strands.length) {
    throw new RangeError(
      `the plan has ${plan.strands.length} cords, the record ${record.cords.length}`,
    );
  }
  return {
    cords: plan.strands.map((strand, i) => {
      const { cut, leftover } = record.cords[i]!;
      return compare(`Cord ${strand.number}`, strand.kept, cut - leftover);
    }),
    length: compare('Length', plan.fit.length, record.length),
    observations: observe(piece, plan, record),
  };
}
