import { planPiece, remember, type Hand, type Piece, type PlanResult } from '@coiled-strand/core';
import { useHand } from '../api/queries';
import { useSettledPiece } from './settled';

/** The plan of a document in a hand, worked out once; a plan is a pure function of both. */
export const planOf: (piece: Piece, hand: Hand) => PlanResult = remember(
  (piece: Piece, hand: Hand) => planPiece(piece, hand),
);

/** The plan of the piece on the bench, worked out in the browser, once however many ask. */
export function usePlan(): { readonly piece: Piece; readonly plan: PlanResult } {
  const piece = useSettledPiece();
  const hand = useHand();
  return { piece, plan: planOf(piece, hand) };
}
