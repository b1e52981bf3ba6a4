import { secondsOf } from '../base/action/seconds.js';
import type { Step } from '../base/kind/step.js';
import { factorOf, type Hand } from '../base/learn/hand.js';
import type { Piece } from '../piece/piece.js';
import { tyingCord } from '../piece/sites.js';
import { techniqueOf } from '../piece/technique.js';
import { placedParts } from '../plan/placed-parts.js';
import type { Plan } from '../plan/plan-types.js';

/**
 * Seconds that the parts still take to be worked: units left times what one takes in this hand.
 *
 * @param done units done of every part, by id; what is not named is not begun
 */
export function tyingSeconds(
  piece: Piece,
  plan: Plan,
  hand: Hand,
  done: Readonly<Record<string, number>> = {},
): number {
  return placedParts(piece, plan).reduce((sum, { id, kind, part, site, layout }) => {
    const cord = tyingCord(site);
    const factor =
      (cord && factorOf(hand, techniqueOf(part, site), cord.kind, 'time')?.factor) ?? 1;
    const left = Math.max(0, layout.units - (done[id] ?? 0));
    return sum + left * kind.entry.seconds * factor;
  }, 0);
}

/**
 * Seconds at the bench for all that is no work on a part: making ready, closing and finishing. What waits
 * by itself is not counted.
 */
export const secondsBesides = (steps: readonly Step[]): number =>
  steps
    .filter((step) => step.part === undefined || step.part === 'closure')
    .reduce((sum, { actions = [] }) => sum + secondsOf(actions), 0);
