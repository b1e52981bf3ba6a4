import type { CordInSpace } from '../../base/kind/in-space.js';
import type { Run } from '../../base/kind/run.js';
import { effectiveDiameter } from '../../base/material/cord.js';

/** Straight cords along a part, side by side. */
export const straightInSpace = (
  runs: readonly Run[],
  lanes: ReadonlyMap<number, number>,
  length: number,
): CordInSpace[] =>
  runs.map((run) => {
    const y = -(lanes.get(run.index) ?? 0);
    return {
      run,
      line: [
        [0, y, 0],
        [length, y, 0],
      ],
    };
  });

/** Cords side by side in the round: one in the middle, or about it. */
export const bundled = (runs: readonly Run[], length: number): CordInSpace[] =>
  runs.map((run, i) => {
    const r =
      runs.length > 1 ? effectiveDiameter(run.cord) / (2 * Math.sin(Math.PI / runs.length)) : 0;
    const a = (2 * Math.PI * i) / runs.length;
    const [y, z] = [r * Math.cos(a), r * Math.sin(a)];
    return {
      run,
      line: [
        [0, y, z],
        [length, y, z],
      ],
    };
  });
