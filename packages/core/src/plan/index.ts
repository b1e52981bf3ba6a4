/** From a piece to strand lengths with reasons, steps, and the hands that try them; templates. What is not here is the room’s own. */
export { shortestEnd, type FingerEnd } from './shortest-end.js';
export { planCost, type PlanCost } from './cost.js';
// The plan: fit, cut list, advice.
export { costOfWaste } from './cost-of-waste.js';
export { draftPlan } from './plan.js';
export { asBefore, planPiece, tryPlan } from './steps/plan-piece.js';
export { tellPiece } from './steps/tell-piece.js';
export { inSizes, ofSize, RUN, RUN_GIRTHS, type Sized } from './steps/sizes.js';
export type { AuxiliaryPlan, PartPlan, Plan, PlanResult, StrandPlan } from './plan-types.js';
// Pieces to begin with.
export { templateById, TEMPLATES, type Template } from './template/templates.js';
// Layouts that are proposed.
export {
  proposeLayouts,
  type LayoutWish,
  type Proposal,
  type RowGap,
  type RowOrder,
} from './layout/propose.js';
export { firstSideFor } from './steps/habits.js';
export { makeSteps } from './steps/steps.js';
export { refit, type Refit } from './steps/refit.js';
