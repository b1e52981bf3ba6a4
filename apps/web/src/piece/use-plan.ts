import {
  asBefore,
  draftPlan,
  remember,
  tryPlan,
  type Hand,
  type Piece,
  type PlanResult,
} from '@coiled-strand/core';
import { useHand } from '../api/queries';
import { useBenchView } from '../bench/view-store';
import { usePiece } from './piece-store';
import { useSettledPiece } from './settled';

/** What a document comes to in a hand, worked out once; a plan is a pure function of both. */
export const draftOf: (piece: Piece, hand: Hand) => PlanResult = remember(
  (piece: Piece, hand: Hand) => draftPlan(piece, hand),
);

/** The plan of a document: its draft, when hands have tried it. */
const planOf: (piece: Piece, hand: Hand) => PlanResult = remember((piece: Piece, hand: Hand) =>
  tryPlan(piece, draftOf(piece, hand)),
);

/**
 * The plan while something is held: hands try it when it is let go, since trying takes longer than a frame.
 * Until then what they found before stands.
 */
const planInHand: (piece: Piece, hand: Hand, before: Piece | undefined) => PlanResult = remember(
  (piece: Piece, hand: Hand, before: Piece | undefined) =>
    asBefore(draftOf(piece, hand), before ? planOf(before, hand) : draftOf(piece, hand)),
);

/** The plan of the piece on the bench, worked out in the browser, once however many ask. */
export function usePlan(): { readonly piece: Piece; readonly plan: PlanResult } {
  const piece = useSettledPiece();
  const hand = useHand();
  const held = useBenchView((bench) => bench.held !== null);
  const before = usePiece((state) => state.history?.past.at(-1));
  return { piece, plan: held ? planInHand(piece, hand, before) : planOf(piece, hand) };
}
