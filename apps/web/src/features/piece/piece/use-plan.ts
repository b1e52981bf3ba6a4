import {
  asBefore,
  draftPlan,
  memoize,
  tryPlan,
  type Hand,
  type Piece,
  type PlanResult,
} from '@coiled-strand/core';
import { useEffect, useState } from 'react';
import { useHand } from '../../../data/api/queries';
import { isLarge } from '../bench/large';
import { useBenchView } from '../bench/view-store';
import { foundFor, useLargePlan, wantPlan } from './large-plan';
import { usePiece } from './piece-store';
import { useSettledPiece } from './settled';

/** What a document comes to in a hand, worked out once; a plan is a pure function of both. */
export const draftOf: (piece: Piece, hand: Hand) => PlanResult = memoize(
  (piece: Piece, hand: Hand) => foundFor(piece, hand)?.draft ?? draftPlan(piece, hand),
);

/** The plan of a document: its draft, when hands have tried it. */
export const planOf: (piece: Piece, hand: Hand) => PlanResult = memoize(
  (piece: Piece, hand: Hand) => foundFor(piece, hand)?.plan ?? tryPlan(piece, draftOf(piece, hand)),
);

/**
 * The plan while something is held: hands try it when it is let go, since trying takes longer than a frame.
 * Until then what they found before stands.
 */
const planInHand: (piece: Piece, hand: Hand, before: Piece | undefined) => PlanResult = memoize(
  (piece: Piece, hand: Hand, before: Piece | undefined) =>
    asBefore(draftOf(piece, hand), before ? planOf(before, hand) : draftOf(piece, hand)),
);

/**
 * Has a large piece planned beside the page.
 *
 * @returns whether there is a plan to show: of a large piece that was just opened it comes a moment later
 */
export function usePlanAhead(id: string): boolean {
  const piece = useSettledPiece();
  const hand = useHand();
  const found = useLargePlan();
  const large = isLarge(piece);
  useEffect(() => {
    if (large) wantPlan({ id, piece, hand });
  }, [large, id, piece, hand]);
  const ready = !large || found?.id === id;
  // Once it is open it stays, also where an edit makes it large.
  const [opened, setOpened] = useState<string | null>(null);
  if (ready && opened !== id) setOpened(id);
  return ready || opened === id;
}

/**
 * The plan of the piece on the bench, worked out in the browser, once however many ask. A large one is worked out
 * beside the page: until it is there, the last that was found stands, with the piece that it is of.
 */
export function usePlan(): { readonly piece: Piece; readonly plan: PlanResult } {
  const piece = useSettledPiece();
  const hand = useHand();
  const found = useLargePlan();
  const id = usePiece((state) => state.id);
  const held = useBenchView((bench) => bench.held !== null);
  const before = usePiece((state) => state.history?.past.at(-1));
  if (found?.id === id && isLarge(piece)) return { piece: found.piece, plan: found.plan };
  return { piece, plan: held ? planInHand(piece, hand, before) : planOf(piece, hand) };
}
