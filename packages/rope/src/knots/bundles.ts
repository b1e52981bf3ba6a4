import { evenly } from '../engine/curve.js';
import { across, pointsOf, uses } from './measures.js';
import { held, type Recipe } from '../engine/recipe.js';
import { barrel, figureEight, sideBySide } from './stoppers.js';

const FORMS = {
  overhand: () => barrel(1),
  'figure-eight': figureEight,
  'double-barrel': () => barrel(2),
} as const;

/** Room that several cords need along the way of one, as a share of it. */
const ROOM = { 2: 2, 3: 2.2, 4: 2.5 } as const;

const together = (form: keyof typeof FORMS, cords: 2 | 3 | 4): Recipe => ({
  id: `${form}.${cords}`,
  problem: () => ({
    strands: sideBySide(evenly(FORMS[form](), 200), cords, ROOM[cords]).map((points) =>
      held(points),
    ),
  }),
  // Cords roll over each other to lie still closer, slowly: friction keeps them where they come to rest first. All are
  // cut alike, for the one that goes furthest round.
  care: { polygons: 1, still: 1e-4 },
  error: 0.03,
  read: (drawn) => ({
    [`${form}.uses.${cords}`]: Math.max(...drawn.lengths.map((_, s) => uses(drawn, s))),
    [`${form}.width.${cords}`]: across(pointsOf(drawn)),
  }),
});

/** Stopper knots in several cords at once. */
export const BUNDLES: readonly Recipe[] = [
  together('overhand', 2),
  together('overhand', 3),
  together('overhand', 4),
  together('figure-eight', 2),
  together('double-barrel', 2),
  together('double-barrel', 3),
];
