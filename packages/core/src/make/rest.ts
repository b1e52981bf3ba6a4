import type { Area, Reason } from '../kind/reason.js';
import type { Hand } from '../learn/hand.js';
import { partKind } from '../part/registry.js';
import type { Piece, Strand } from '../piece/piece.js';
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

/** A strand that runs out as core and comes back tying has its way out behind it before the first knot. */
const laidFirst = (strand: Strand): boolean => strand.legs.includes('turned');

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
    for (const { strand, reason } of withHand(part.layout.uses, own.kind, piece.strands, hand)) {
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

/** Cord that is used before the first part and for the closure after the last, per strand. */
export interface Ends {
  readonly start: number;
  /** Closure and the tails that the last knots are tied with. */
  readonly end: number;
}

/**
 * Of every strand what its ends take: all that is told of it, less the reserve, what a hand varies and
 * what lies in the parts.
 */
export const endsOf = (piece: Piece, plan: Plan): Ends[] =>
  plan.strands.map(({ number, reasons }, i) => {
    const inParts = plan.parts
      .flatMap(({ layout }) => layout.uses)
      .filter(({ strand, reason }) => strand === number && !reason.spread)
      .reduce((sum, { reason }) => sum + reason.mm, 0);
    const fixed = (test: (area: Area) => boolean): number =>
      reasons.filter((r) => !r.technique && test(r.area)).reduce((sum, r) => sum + r.mm, 0);
    const first = laidFirst(piece.strands[i]!) ? inParts : 0;
    return {
      start: fixed((area) => area === 'start') + first,
      end: fixed((area) => area !== 'start' && area !== 'reserve') - inParts,
    };
  });
