import { runsOf, type Piece } from '@coiled-strand/core';
import { useSyncExternalStore } from 'react';
import { usePiece } from './piece-store';

/** From this many strands, or knots in a repeat, a band takes too long to plan and draw at every edit. */
const MANY_STRANDS = 20;
const MANY_KNOTS = 1500;

/** Whether a piece has a knotted band that is worked at on its loom faster than it can be planned. */
export const isBroad = (piece: Piece): boolean =>
  piece.parts.some((part) => {
    if (part.kind !== 'knotted-floss') return false;
    const strands = runsOf(piece).length;
    return strands >= MANY_STRANDS || (part.rows.length * strands) / 2 > MANY_KNOTS;
  });

/** How long in ms hands must rest before what lies round the loom follows. */
const REST = 150;

let settled: Piece | undefined;
let timer: ReturnType<typeof setTimeout> | undefined;
const listeners = new Set<() => void>();

function settle(piece: Piece | undefined): void {
  clearTimeout(timer);
  settled = piece;
  for (const listener of listeners) listener();
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

let openId: string | null = null;
usePiece.subscribe((state) => {
  const piece = state.history?.now;
  if (piece === settled) return;
  // Another piece, or a light one, is followed at once.
  if (!piece || !settled || state.id !== openId || !isBroad(piece)) {
    openId = state.id;
    settle(piece);
    return;
  }
  clearTimeout(timer);
  timer = setTimeout(() => settle(usePiece.getState().history?.now), REST);
});

/**
 * The document as all but the loom sees it: of a broad band a moment later, when the hands on the loom
 * rest, so that no knot waits for the plan.
 */
export function useSettledPiece(): Piece {
  const piece = useSyncExternalStore(subscribe, () => settled ?? usePiece.getState().history?.now);
  if (!piece) throw new Error('no piece is open');
  return piece;
}
