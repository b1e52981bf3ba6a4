import type { Step } from '../base/kind/step.js';

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
    if (step.part === part && !step.aside) {
      units += Math.min(step.units, Math.max(0, done - before));
    }
    before += step.units;
  }
  return units;
}

/** Units done of every part, and 1 for a closure that is made or needs no making. */
export function doneByPart(steps: readonly Step[], done: number): Record<string, number> {
  const ids = new Set(steps.flatMap((step) => step.part ?? []));
  const out: Record<string, number> = {};
  for (const id of ids) out[id] = unitsDone(steps, done, id);
  const closing = steps.filter((step) => step.part === 'closure' && !step.aside);
  const units = closing.reduce((sum, step) => sum + step.units, 0);
  out.closure = (out.closure ?? 0) >= units ? 1 : 0;
  return out;
}

/**
 * A place in a make that means the same however many steps there are: so many units of the step of this
 * name are done.
 */
export interface StepPlace {
  readonly step: string;
  readonly unit: number;
}

/** Where a make begins. */
export const startPlace = (steps: readonly Step[]): StepPlace => ({ step: steps[0]!.id, unit: 0 });

/**
 * A number of actions as the step they lead to; all of the last step when all is done.
 *
 * @param done 0 to totalActions; values outside are taken as the nearest end
 */
export function stepPlaceOf(steps: readonly Step[], done: number): StepPlace {
  const { index, unit } = placeOf(steps, done);
  const step = steps[index];
  if (step) return { step: step.id, unit };
  const last = steps.at(-1)!;
  return { step: last.id, unit: last.units };
}

/** Actions done at a place; null where there is no such step, or not so many units of it. */
export function actionsAt(steps: readonly Step[], { step, unit }: StepPlace): number | null {
  const index = steps.findIndex(({ id }) => id === step);
  if (index < 0 || unit > steps[index]!.units) return null;
  return actionsBefore(steps, index) + unit;
}

/** How far a make is, for those who do not have its steps at hand. */
export interface Reached {
  readonly done: number;
  readonly total: number;
  /** Actions before the first finishing step. */
  readonly finishFrom: number;
  /** Units done of every part, by id, and whether the closure is made. */
  readonly parts: Readonly<Record<string, number>>;
}

export const reachedBy = (steps: readonly Step[], done: number): Reached => ({
  done,
  total: totalActions(steps),
  finishFrom: finishFrom(steps),
  parts: doneByPart(steps, done),
});

/** Actions before the first finishing step. */
export const finishFrom = (steps: readonly Step[]): number =>
  actionsBefore(
    steps,
    steps.findIndex((step) => step.stage === 'finish'),
  );
