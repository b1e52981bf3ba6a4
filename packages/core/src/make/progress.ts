import type { Step } from '../kind/step.js';

/** Actions in a make: the sum of all units. Progress is one number from 0 to this. */
export const totalActions = (steps: readonly Step[]): number =>
  steps.reduce((sum, step) => sum + step.units, 0);

export interface Place {
  /** Index of the step at hand; the number of steps when all is done. */
  readonly index: number;
  /** Units of that step already done. */
  readonly unit: number;
}

/**
 * Where a number of actions done lands.
 *
 * @param done 0 to totalActions; values outside are taken as the nearest end
 * @example placeOf([{ units: 1 }, { units: 30 }], 4) // { index: 1, unit: 3 }
 */
export function placeOf(steps: readonly Pick<Step, 'units'>[], done: number): Place {
  let rest = Math.max(0, Math.floor(done));
  for (const [index, step] of steps.entries()) {
    if (rest < step.units) return { index, unit: rest };
    rest -= step.units;
  }
  return { index: steps.length, unit: 0 };
}

/** Actions done when everything before a step is done. */
export const actionsBefore = (steps: readonly Pick<Step, 'units'>[], index: number): number =>
  steps.slice(0, index).reduce((sum, step) => sum + step.units, 0);

/** Units of a part done after a number of actions, for the drawing. */
export function unitsDone(steps: readonly Step[], done: number, part: string): number {
  let before = 0;
  let units = 0;
  for (const step of steps) {
    if (step.part === part) units += Math.min(step.units, Math.max(0, done - before));
    before += step.units;
  }
  return units;
}

/** Units done of every part, and 1 for a closure that is made or needs no making. */
export function doneByPart(steps: readonly Step[], done: number): Record<string, number> {
  const ids = new Set(steps.flatMap((step) => step.part ?? []));
  const out: Record<string, number> = {};
  for (const id of ids) out[id] = unitsDone(steps, done, id);
  const closing = steps.filter((step) => step.part === 'closure');
  const units = closing.reduce((sum, step) => sum + step.units, 0);
  out.closure = (out.closure ?? 0) >= units ? 1 : 0;
  return out;
}
