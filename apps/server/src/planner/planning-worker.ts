import {
  makeSteps,
  planPiece,
  type Hand,
  type Piece,
  type Plan,
  type PlanResult,
  type Side,
  type Step,
} from '@coiled-strand/core';

// Runs in a thread of its own: what it is given and answers with is copied.

export interface Planning {
  readonly piece: Piece;
  readonly hand: Hand;
}

export const plan = ({ piece, hand }: Planning): PlanResult => planPiece(piece, hand);

export interface PlannedMake {
  readonly plan: Plan;
  readonly steps: readonly Step[];
}

/** A plan with its steps, or why there is none. */
export function make({
  piece,
  hand,
  leads,
}: Planning & { readonly leads: Side }): PlannedMake | Exclude<PlanResult, { ok: true }> | Plan {
  const planned = planPiece(piece, hand);
  if (!planned.ok || planned.unmakeable) return planned;
  return { plan: planned, steps: makeSteps(piece, planned, { hand: leads }) };
}
