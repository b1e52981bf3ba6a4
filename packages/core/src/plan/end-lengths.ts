import type { Area } from '../base/kind/reason.js';
import type { Piece, Strand } from '../piece/piece.js';
import type { Plan } from './plan-types.js';

/** Cord that is used before the first part and for the closure after the last, per strand, in mm. */
export interface Ends {
  readonly start: number;
  /** Closure and the tails that the last knots are tied with. */
  readonly end: number;
}

/** A strand that runs out as core and comes back tying has its way out behind it before the first knot. */
export const laidFirst = (strand: Strand): boolean => strand.legs.includes('turned');

/** What lies in the parts of every strand, less what a hand varies, in mm. */
function usedInParts({ parts }: Plan): ReadonlyMap<number, number> {
  const used = new Map<number, number>();
  for (const { layout } of parts) {
    for (const { strand, reason } of layout.uses) {
      if (!reason.spread) used.set(strand, (used.get(strand) ?? 0) + reason.mm);
    }
  }
  return used;
}

/**
 * Of every strand what its ends take: all that is told of it, less the reserve, what a hand varies and
 * what lies in the parts.
 */
export function endsOf(piece: Piece, plan: Plan): Ends[] {
  const parts = usedInParts(plan);
  return plan.strands.map(({ number, reasons }, i) => {
    const inParts = parts.get(number) ?? 0;
    const fixed = (test: (area: Area) => boolean): number =>
      reasons.filter((r) => !r.technique && test(r.area)).reduce((sum, r) => sum + r.mm, 0);
    const first = laidFirst(piece.strands[i]!) ? inParts : 0;
    return {
      start: fixed((area) => area === 'start') + first,
      end: fixed((area) => area !== 'start' && area !== 'reserve') - inParts,
    };
  });
}
