import type { CutDto, LotView } from '@coiled-strand/contract';
import { USEFUL, type CordLot, type WantedCut } from '@coiled-strand/workshop';

/** A lot of cord as cutting sees it. */
export const cordLot = ({ id, key, left, dyeLot, whole, useful }: LotView): CordLot => ({
  id,
  thing: key,
  length: left,
  dyeLot,
  whole,
  useful: useful ?? USEFUL,
});

/** A cut as it is wanted; of one piece and one colour together, where they must come from one dye lot. */
export const wantedCut = (
  { id, thing, length, piece, copy, fold }: CutDto,
  oneDyeLot: boolean,
): WantedCut => ({
  id,
  thing,
  length,
  ...(oneDyeLot ? { together: `${piece} ${copy}` } : {}),
  ...(fold === undefined ? {} : { folded: true }),
});

/** How many of each thing lie in some lots. */
export function leftByKey(lots: readonly Pick<LotView, 'key' | 'left'>[]): Map<string, number> {
  const left = new Map<string, number>();
  for (const lot of lots) left.set(lot.key, (left.get(lot.key) ?? 0) + lot.left);
  return left;
}
