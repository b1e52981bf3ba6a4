import { mirror, tyingOf, tyingOfKnot, type Tying } from '@coiled-strand/rope';
import type { Tied } from '../base/kind/step.js';
import type { Piece } from './piece.js';

const mirrors = new WeakMap<Tying, Tying>();

/** What of a piece tells how its knots are tied, and with what. */
export type TiedPiece = Pick<Piece, 'strands' | 'knots'>;

/** The tying as these hands make it; null for a knot that the piece does not have any more. */
export function tyingIn(piece: TiedPiece, { tying: id, mirrored, drawn }: Tied): Tying | null {
  const own = piece.knots?.find((knot) => knot.id === id);
  if (drawn && !own) return null;
  const tying = drawn ? tyingOfKnot(own!) : tyingOf(id);
  if (!mirrored) return tying;
  const seen = mirrors.get(tying) ?? mirror(tying);
  mirrors.set(tying, seen);
  return seen;
}
