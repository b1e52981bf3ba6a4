/** Progress, forecasts from half way, records, and what they tell of a hand. What is not here is the room’s own. */
// Making: steps, progress, forecasts, and what a record teaches.
export { secondsBesides, tyingSeconds } from './bench-time.js';
export { callNext, sidesAt } from './call.js';
export { forecast, type Forecast, type HalfWay } from './forecast.js';
export { observe } from './observe.js';
export { compareOutcome, type Compared, type Outcome } from './outcome.js';
export {
  actionsAt,
  actionsBefore,
  doneByPart,
  finishFrom,
  placeOf,
  reachedBy,
  startPlace,
  stepPlaceOf,
  totalActions,
  type Place,
  type Reached,
  type StepPlace,
} from './progress.js';
export type { Between, MakeRecord } from './record.js';
export { remedies, type Remedy } from './remedies.js';
export { MIN_SWATCH, observeSwatch, swatchTechniques } from './swatch.js';
