import { memoize } from '@coiled-strand/rope';
import type { ClosureSite } from '../base/kind/closure-kind.js';
import type { PartKind, PartSite } from '../base/kind/part-kind.js';

import { partKind, type Part } from '../craft/part/registry.js';
import type { Piece } from '../piece/piece.js';
import { closureSiteOf, sitesIn } from '../piece/sites.js';
import type { PartPlan, Plan } from './plan-types.js';

/** A part of a planned piece with all there is of it: as it was designed, where it lies, and what it became there. */
export interface PlacedPart extends Omit<PartPlan, 'kind'> {
  /** Of the piece’s parts, from 0. */
  readonly index: number;
  readonly part: Part;
  readonly kind: PartKind;
  readonly site: PartSite;
}

const placed = memoize((plan: Plan, piece: Piece): readonly PlacedPart[] => {
  const sites = sitesIn(piece, plan);
  return piece.parts.flatMap((part, index) => {
    const [own, site] = [plan.parts[index], sites[index]];
    return own && site ? [{ ...own, index, part, kind: partKind(part.kind), site }] : [];
  });
});

/** The parts of a planned piece in their order; the same list for the same piece and plan. */
export const placedParts = (piece: Piece, plan: Plan): readonly PlacedPart[] => placed(plan, piece);

/** One of them by its id; undefined where no part has it. */
export const placedPart = (
  piece: Piece,
  plan: Plan,
  id: string | undefined,
): PlacedPart | undefined => placedParts(piece, plan).find((part) => part.id === id);

const closing = memoize((plan: Plan, piece: Piece): ClosureSite =>
  closureSiteOf(
    piece,
    placedParts(piece, plan).map(({ site }) => site),
  ),
);

/** What the closure of a planned piece has to close. */
export const placedClosure = (piece: Piece, plan: Plan): ClosureSite => closing(plan, piece);
