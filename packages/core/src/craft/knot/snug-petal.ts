import { tightened } from '@coiled-strand/rope';
import type { Tension } from '../../base/kind/part-kind.js';

/** A strand's whole turn round the one beside it, in diameters of the strands. */
export interface SnugPetal {
  /** Length of the work that it takes. */
  readonly along: number;
  /** Cord of the strand that turns and of the one it turns round, beyond the plain plait. */
  readonly turning: number;
  readonly turned: number;
}

/** How the middle is pulled: as hard as it goes, or like the others. A soft hand does as an even one; assumed. */
export const pullOf = (tension: Tension): 'hard' | 'even' => (tension === 'hard' ? 'hard' : 'even');

/**
 * What a snug petal takes. Drawn alike, the two strands wind round each other; with the strand that is gone
 * round pulled hard, that one lies all but straight and the other takes the whole turn.
 *
 * Source: `tightened.ts`.
 *
 * @example snugPetal('even').along // 2.3
 */
export function snugPetal(tension: Tension): SnugPetal {
  const pull = pullOf(tension);
  return {
    along: tightened(`petal.${pull}.along`),
    turning: tightened(`petal.${pull}.turning`),
    turned: tightened(`petal.${pull}.turned`),
  };
}

/**
 * Radius of a helix of one turn, which a cord draws that makes a length of work out of more cord:
 *
 *     r = sqrt(cord^2 - along^2) / 2 pi
 *
 * @param cord >= along
 * @example turnRadius(Math.hypot(2 * Math.PI, 1), 1) // 1
 */
export const turnRadius = (cord: number, along: number): number =>
  Math.sqrt(Math.max(0, cord ** 2 - along ** 2)) / (2 * Math.PI);
