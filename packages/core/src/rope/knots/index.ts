export { compute, computeNow, ENGINE, type Computed } from '../compute.js';
export { tighten, USUAL, type Care, type Drawn, type Progress } from '../tighten.js';
export { CATALOGUE } from './catalogue.js';
export { constants } from './derived.js';
export type { Recipe } from './recipe.js';
