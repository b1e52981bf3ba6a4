import { TIGHTENED_DATA } from './tightened-data.js';

/**
 * Numbers of knots that were computed: ropes without friction, drawn tight until nothing overlaps and no
 * bend is tighter than its own radius, and then measured, in diameters of the tightened cord. The engine is
 * in `rope/`, and what it is held to beside it; `npm run knots` computes all of them anew and writes the data.
 *
 * They leave out friction, flattening and how evenly a hand pulls: that is what the maker's own factor is for.
 */
export interface Tightened {
  readonly value: number;
  /** Relative: 0.01 is 1 %. */
  readonly error: number;
  /** Edges of the finest polygon, of all ropes, and rounds until that was at rest. */
  readonly points: number;
  readonly rounds: number;
}

export type TightenedName = keyof typeof TIGHTENED_DATA;

export const TIGHTENED: Readonly<Record<TightenedName, Tightened>> = TIGHTENED_DATA;

/** @example tightened('overhand.uses') // 10.10 */
export const tightened = (name: TightenedName): number => TIGHTENED[name].value;
