import { draftPlan, tryPlan, type Hand, type Piece, type PlanResult } from '@coiled-strand/core';
import { expose } from 'comlink';

const planner = {
  /** A draft, and the same tried by hands. */
  plan(piece: Piece, hand: Hand): { readonly draft: PlanResult; readonly plan: PlanResult } {
    const draft = draftPlan(piece, hand);
    return { draft, plan: tryPlan(piece, draft) };
  },
};
export type PlanWorker = typeof planner;

expose(planner);
