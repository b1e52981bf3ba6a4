import { planPiece, type Piece, type PlanResult } from '@coiled-strand/core';
import { useSettledPiece } from './settled';

const plans = new WeakMap<Piece, PlanResult>();

/** The plan of a document, worked out once; a plan is a pure function of it. */
export function planOf(piece: Piece): PlanResult {
  let plan = plans.get(piece);
  if (!plan) {
    plan = planPiece(piece);
    plans.set(piece, plan);
  }
  return plan;
}

/** The plan of the piece on the bench, worked out in the browser, once however many ask. */
export function usePlan(): { readonly piece: Piece; readonly plan: PlanResult } {
  const piece = useSettledPiece();
  return { piece, plan: planOf(piece) };
}
