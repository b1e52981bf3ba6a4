export {
  compute,
  computeWhole,
  ENGINE,
  finer,
  type Computed,
  type Finer,
} from '../engine/compute.js';
export { tighten, USUAL, type Care, type Drawn, type Progress } from '../engine/tighten.js';
export { CATALOGUE } from './catalogue.js';
export { constants } from './derived.js';
export type { Recipe } from '../engine/recipe.js';
