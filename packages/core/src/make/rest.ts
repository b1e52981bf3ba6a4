import type { Reason } from '../base/kind/reason.js';
import type { Hand } from '../base/learn/hand.js';
import { partKind } from '../craft/part/registry.js';
import type { Piece } from '../piece/piece.js';
import { laidFirst } from '../plan/end-lengths.js';
import { withHand } from '../plan/hand-uses.js';
import type { PartPlan, Plan } from '../plan/plan-types.js';

/** Cord of one strand, in mm, by what a hand varies. */
export interface Amount {
  /** In knots and plaits. */
  readonly knots: number;
  /** Straight, along the work. */
  readonly straight: number;
}

/** One unit of a part that is still to be tied: what it takes of every strand, and its length. */
export interface UnitCost {
  readonly strands: readonly Amount[];
  readonly length: number;
}

/** A part and how much of it is done. */
export interface PartState {
  readonly plan: PartPlan;
  readonly pitched: boolean;
  readonly fills: boolean;
  readonly done: number;
  readonly left: number;
  readonly cost: UnitCost;
}

const NONE: Amount = { knots: 0, straight: 0 };

export const plus = (a: Amount, b: Amount, times = 1): Amount => ({
  knots: a.knots + b.knots * times,
  straight: a.straight + b.straight * times,
});

const amountOf = ({ mm, technique }: Reason): Amount =>
  technique ? { knots: mm, straight: 0 } : { knots: 0, straight: mm };

/**
 * Every part with what one unit of it takes, evenly over its units: in this hand, as it was planned.
 *
 * @param done units done of every part, by id; what is not named is not begun
 */
export function partStates(
  piece: Piece,
  plan: Plan,
  hand: Hand,
  done: Readonly<Record<string, number>>,
): PartState[] {
  return plan.parts.map((part, i): PartState => {
    const own = piece.parts[i]!;
    const kind = partKind(own.kind);
    const { units, length } = part.layout;
    const totals = piece.strands.map(() => NONE);
    for (const { strand, reason } of withHand(
      part.layout.uses,
      own.kind,
      piece.strands,
      hand,
      false,
    )) {
      const amount = amountOf(reason);
      const first = laidFirst(piece.strands[strand - 1]!) ? { ...amount, straight: 0 } : amount;
      totals[strand - 1] = plus(totals[strand - 1]!, first);
    }
    const finished = Math.min(units, Math.max(0, done[part.id] ?? 0));
    return {
      plan: part,
      pitched: kind.entry.pitched === true,
      fills: kind.fills(own),
      done: finished,
      left: units - finished,
      cost: {
        strands: totals.map((total) => plus(NONE, total, 1 / units)),
        length: length / units,
      },
    };
  });
}
