import { memoize } from '@coiled-strand/rope';
import type { PartStep } from '../base/kind/part-kind.js';
import type { Side } from '../base/measure/side.js';
import { closureKind } from '../craft/closure/registry.js';
import type { Piece } from '../piece/piece.js';
import { placedClosure, placedParts } from './placed-parts.js';
import type { Plan } from './plan-types.js';

/** What the kinds of the parts, and the closure, say of a planned piece. */
export interface KindSteps {
  /** Of every part, in their order. */
  readonly parts: readonly (readonly PartStep[])[];
  readonly start: readonly PartStep[];
  readonly end: readonly PartStep[];
}

/** Worked out once for those who tell them and those who carry them out. */
export const kindSteps = memoize((plan: Plan, piece: Piece, first: Side): KindSteps => ({
  parts: placedParts(piece, plan).map(({ part, kind, site, layout }) =>
    kind.steps(part, site, layout, first),
  ),
  ...closureKind(piece.closure.type).steps(
    piece.closure,
    placedClosure(piece, plan),
    plan.closure,
    plan.fit.length,
    first,
  ),
}));
