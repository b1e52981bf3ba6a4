import type { PieceView } from '@coiled-strand/contract';
import type { Piece, PlanResult } from '@coiled-strand/core';
import { useOutletContext } from 'react-router';
import type { Make } from '../../make/make/use-make';

export interface StageContext {
  readonly view: PieceView;
  readonly piece: Piece;
  readonly plan: PlanResult;
  /** The make under way that is followed; null where nothing is being made. */
  readonly make: Make | null;
  /** Whether a make is under way whose plan is still being fetched. */
  readonly makeComes: boolean;
}
/** What every stage works on. */
export const useStage = (): StageContext => useOutletContext<StageContext>();
