import { across, knotLength, pointsOf, uses } from './measures.js';
import { held, type Recipe } from '../engine/recipe.js';
import { barrel } from './stoppers.js';

/** Where the other cord lies beside the passes through the middle. */
const BESIDE = -1.05;

/** A barrel tied round another cord, which is held taut and runs straight through its middle. */
const grip = (turns: 1 | 2 | 3): Recipe => ({
  id: `barrel-round.${turns}`,
  problem: () => ({
    strands: [held(barrel(turns).map(([x, y, z]) => [x, 1.3 * y, 1.3 * z]))],
    rods: [{ y: 0, z: BESIDE, radius: 0.5 }],
  }),
  read: (drawn) => ({
    [`barrel-round.uses.${turns}`]: uses(drawn, 0),
    [`barrel-round.length.${turns}`]: knotLength(drawn),
    [`barrel-round.width.${turns}`]: across(pointsOf(drawn)),
  }),
});

export const GRIPS: readonly Recipe[] = [grip(1), grip(2), grip(3)];
