/** What a workshop does around its pieces, by folders. What is not here is this package’s own. */

// Integer programs; the solver comes from outside.
export {
  Programming,
  type Column,
  type Program,
  type Solve,
  type Solved,
} from './cutting/program.js';

// Cutting: which cut from which lot.
export {
  cutPlans,
  type CutPlan,
  type LotCuts,
  type Proof,
  type Uncut,
} from './cutting/cut-plan.js';
export { needsOf, type NeededCut, type PieceNeeds } from './cutting/needs.js';
export type { CordLot, WantedCut } from './cutting/of-one-thing.js';
export type { Means } from './cutting/solve.js';

// What lies in the drawers.
export {
  difference,
  MOVEMENT_REASONS,
  moved,
  opposite,
  type Movement,
  type MovementReason,
} from './stock/ledger.js';
export {
  COPIED_LISTS,
  isCopied,
  LIST_IDS,
  LISTS,
  type CopiedListId,
  type ListId,
  type ListTable,
} from './stock/lists.js';
export { sayAmount } from './stock/say-amount.js';
export { ringThickness, woundRadius } from './stock/wound.js';
export { USEFUL, worthKeeping } from './stock/offcuts.js';
export { likeKey, thingKey, thingName, type Thing, type ThingKind } from './stock/thing.js';
export {
  assumedDensity,
  countByWeight,
  lengthByWeight,
  type LinearDensity,
  type Uncertain,
} from './stock/weight.js';

// Buying.
export { coverCuts } from './buying/cover-cuts.js';
export { coverNeed, type Bought, type Covering, type Pack } from './buying/packs.js';
export { BEADS_TO_A_SPARE, inchesToOrder, withSpare } from './buying/spare.js';

// Bench time.
export { minutesOf, tasksOf } from './schedule/from-plan.js';
export { compareLateness, type Lateness } from './schedule/lateness.js';
export { type LaidOut, type Pins, type Slot } from './schedule/lay-out.js';
export { isBest, planWeek, type WeekPlan } from './schedule/plan-week.js';
export { paceOf, promiseFor, type Pace, type ReadyBy, type Took } from './schedule/promise.js';
export { SET_OUT_MINUTES, type Batch, type Job, type Task } from './schedule/task.js';
export { sittingsOf, type BenchWeek, type Hours, type Sitting } from './schedule/week.js';
export {
  addDays,
  dayFrom,
  dayText,
  instantOf,
  isZone,
  wallTime,
  weekdayOf,
  type Day,
  type WallTime,
} from './schedule/zone.js';

// Prices.
export { cents, shareOut, type Cents } from './price/money.js';
export {
  priceOf,
  PRICING,
  wageAt,
  type Material,
  type Price,
  type PriceReason,
  type Pricing,
  type Work,
} from './price/price.js';
