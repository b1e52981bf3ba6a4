import { BUNDLES } from './bundles.js';
import { CHAINS } from './chain.js';
import { END_KNOTS_TIGHT } from './end-knots.js';
import { GRIPS } from './grips.js';
import { HITCH_SPIRALS } from './hitch-spirals.js';
import { HITCHES } from './hitches.js';
import { PETALS } from './petals.js';
import { PLAITS } from './plaits.js';
import type { Recipe } from '../engine/recipe.js';
import { RINGS } from './rings.js';
import { SINNETS } from './sinnets.js';
import { STOPPERS_ALONE } from './stoppers.js';
import { TURKS_HEADS } from './turks-heads.js';
import { TWO_CORD_KNOTS } from './two-cord.js';

export const CATALOGUE: readonly Recipe[] = [
  ...STOPPERS_ALONE,
  ...BUNDLES,
  ...GRIPS,
  ...SINNETS,
  ...PLAITS,
  ...HITCHES,
  ...END_KNOTS_TIGHT,
  ...TURKS_HEADS,
  ...TWO_CORD_KNOTS,
  ...PETALS,
  ...HITCH_SPIRALS,
  ...CHAINS,
  ...RINGS,
];
