import type { Piece } from '../piece/piece.js';
import type { Plan } from '../plan/plan-types.js';
import type { Observation } from '../base/learn/hand.js';
import { observe } from './observe.js';
import type { MakeRecord } from './record.js';

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
