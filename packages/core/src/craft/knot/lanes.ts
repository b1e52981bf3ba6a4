import { effectiveDiameter } from '../../base/material/cord.js';
import type { Run } from '../../base/kind/run.js';

/** The runs that lie inside the work. */
export const coresOf = (runs: readonly Run[]): Run[] =>
  runs.filter((run) => run.role !== 'working');
/** The runs that tie. */
export const workingOf = (runs: readonly Run[]): Run[] =>
  runs.filter((run) => run.role === 'working');

/**
 * Where each run lies across the work in mm when nothing is tied: cores side by side about the middle,
 * working cords outside of them, in turn at both edges.
 */
export function lanesOf(runs: readonly Run[]): ReadonlyMap<number, number> {
  const cores = coresOf(runs);
  const lanes = new Map<number, number>();
  const total = cores.reduce((sum, run) => sum + effectiveDiameter(run.cord), 0);
  let y = -total / 2;
  for (const run of cores) {
    const d = effectiveDiameter(run.cord);
    lanes.set(run.index, y + d / 2);
    y += d;
  }
  const edges = [-total / 2, total / 2];
  workingOf(runs).forEach((run, i) => {
    const side = i % 2;
    const d = effectiveDiameter(run.cord);
    const s = side === 0 ? -1 : 1;
    lanes.set(run.index, edges[side]! + (s * d) / 2);
    edges[side] = edges[side]! + s * d;
  });
  return lanes;
}

/** Width and thickness in mm of runs that lie side by side. */
export function sideBySide(runs: readonly Run[]): {
  readonly width: number;
  readonly thickness: number;
} {
  const ds = runs.map((run) => effectiveDiameter(run.cord));
  return {
    width: ds.reduce((sum, d) => sum + d, 0),
    thickness: Math.max(0, ...ds),
  };
}
