import { ANY_HAND, type Hand } from '../../base/learn/hand.js';
import { NECK_IF_UNKNOWN, type WearSite } from '../../base/measure/girth.js';
import type { Piece, Wearer } from '../../piece/piece.js';
import type { PlanResult } from '../plan-types.js';
import { planPiece } from './plan-piece.js';

/** A design as it becomes for one wearer. */
export interface Sized {
  readonly piece: Piece;
  readonly plan: PlanResult;
}

/** One design for several wearers, each planned by itself: lengths, beads and cuts follow the body. */
export const inSizes = (
  piece: Piece,
  wearers: readonly Wearer[],
  hand: Hand = ANY_HAND,
): readonly Sized[] =>
  wearers.map((wearer) => {
    const sized = { ...piece, wearer };
    return { piece: sized, plan: planPiece(sized, hand) };
  });

/** What the sizes of a run are called. */
export const RUN = ['Small', 'Medium', 'Large'] as const;

/**
 * Girths in mm that a run of three sizes begins with: about the means of women, of all and of men, see
 * measure/girth; of the neck, where no mean is known here, assumed. A maker puts her own in their place.
 */
export const RUN_GIRTHS: Readonly<Record<WearSite, readonly [number, number, number]>> = {
  wrist: [150, 163, 175],
  ankle: [207, 215, 222],
  neck: [320, NECK_IF_UNKNOWN, 400],
};

/**
 * Somebody of a size, of whom only the girth at one site is known.
 *
 * @param girth in mm
 * @example ofSize('Small', 'ankle', 207) // { name: 'Small', wrist: 163, ankle: 207 }
 */
export const ofSize = (name: string, site: WearSite, girth: number): Wearer => ({
  name,
  wrist: RUN_GIRTHS.wrist[1],
  [site]: girth,
});
