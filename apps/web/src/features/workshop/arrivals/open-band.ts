import type { FlossPart } from '@coiled-strand/core';
import { useMatch } from 'react-router';
import { usePiece } from '../../piece/piece/piece-store';

const NONE: readonly FlossPart[] = [];

/** The knotted bands of the piece on the bench; none where no piece is open, or where it is only looked at. */
export function useOpenBands(): readonly FlossPart[] {
  const open = useMatch('/pieces/:id/*')?.params.id;
  const id = usePiece((store) => store.id);
  const readOnly = usePiece((store) => store.readOnly);
  const parts = usePiece((store) => store.history?.now.parts);
  if (open === undefined || open !== id || readOnly || !parts) return NONE;
  return parts.filter((part): part is FlossPart => part.kind === 'knotted-floss');
}
