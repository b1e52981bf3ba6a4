import { ANY_HAND, type Hand, type Piece } from '@coiled-strand/core';
import { handQuery, queryClient } from '../../../data/api/queries';
import { isLarge } from '../bench/large';
import { usePiece } from './piece-store';
import { isBroad } from './settled';
import { draftOf, planOf } from './use-plan';

/** The hand whose numbers plans are made with now. */
export const handNow = (): Hand => queryClient.getQueryData<Hand>(handQuery.queryKey) ?? ANY_HAND;

/** Whether a plan is worked out here and at once, and not beside the page or when hands rest. */
const isPlannedHere = (piece: Piece): boolean => !isLarge(piece) && !isBroad(piece);

/**
 * Plans what an edit comes to before the piece on the bench is changed, so that planning and drawing need
 * not be done in one task. Plans are remembered: when it is carried out, this one is there.
 *
 * @returns what carries the edit out; where the piece was changed meanwhile, on what it is by then
 */
export function prepareEdit(change: (piece: Piece) => Piece): (mergeKey?: string) => void {
  const { history, edit } = usePiece.getState();
  const from = history?.now;
  const to = from && change(from);
  if (to && isPlannedHere(to)) draftOf(to, handNow());
  return (mergeKey) => edit((piece) => (to && piece === from ? to : change(piece)), mergeKey);
}

/** Has hands try the piece on the bench, so that their answer is there when what is held is let go. */
export function prepareRest(): void {
  const piece = usePiece.getState().history?.now;
  if (piece && isPlannedHere(piece)) planOf(piece, handNow());
}
