import {
  secondsOf,
  type Step,
  type Hand,
  tyingSeconds,
  placeOf,
  type Piece,
  type Plan,
} from '@coiled-strand/core';
import type { Batch, Task } from './task.js';

/** A shorter wait is part of the work: nothing else is taken up meanwhile. In minutes. */
const SHORT_WAIT = 10;

/** A make, as far as its tasks go by it. */
export interface Planned {
  readonly piece: Piece;
  readonly plan: Plan;
  readonly steps: readonly Step[];
  readonly hand: Hand;
}

/** Seconds of hands for one unit of each step, by this hand: those of a part evenly over all units it is told in. */
function secondsByStep({ piece, plan, steps, hand }: Planned): number[] {
  const told = new Map<string, number>();
  for (const { part, aside, units } of steps) {
    if (part !== undefined && !aside) told.set(part, (told.get(part) ?? 0) + units);
  }
  const done = Object.fromEntries(plan.parts.map(({ id, layout }) => [id, layout.units]));
  const byPart = new Map(
    plan.parts.map(({ id }) => {
      const seconds = tyingSeconds(piece, plan, hand, { ...done, [id]: 0 });
      return [id, seconds / Math.max(1, told.get(id) ?? 0)];
    }),
  );
  return steps.map(({ part, aside, actions = [], units }) => {
    const each = part === undefined ? undefined : byPart.get(part);
    if (each !== undefined) return aside ? 0 : each;
    return secondsOf(actions) / Math.max(1, units);
  });
}

/** What has to be laid out for a step: what it begins to dry. */
function batchOf({ actions = [] }: Step): Batch | null {
  for (const action of actions) {
    switch (action.do) {
      case 'glue':
      case 'dye':
      case 'seal':
      case 'oil':
        return action.do;
      default:
    }
  }
  return null;
}

/**
 * What is still to be done of a make, as tasks: measuring and cutting, tying, then finishing up to each wait. Minutes
 * by this hand, as its steps and units say.
 *
 * @param job by which its tasks are known
 * @param done actions done so far
 */
export function tasksOf(job: string, planned: Planned, done = 0): Task[] {
  const { steps } = planned;
  const seconds = secondsByStep(planned);
  const { index, unit } = placeOf(steps, done);
  const tasks: Task[] = [];
  for (let from = index; from < steps.length;) {
    const to = endOf(steps, from);
    const group = steps.slice(from, to);
    const wait = longWait(group.at(-1)!);
    const hands = group.reduce((sum, step, i) => {
      const left = step.units - (from + i === index ? unit : 0);
      return sum + left * seconds[from + i]!;
    }, 0);
    if (hands > 0 || wait > 0) {
      const what = group[0]!.stage;
      tasks.push({
        // By where it ends, so that it keeps its name while the make goes on.
        id: `${job} ${what} ${to}`,
        job,
        what,
        minutes: Math.max(hands, 1) / 60,
        splits: what === 'tie',
        wait,
        batch: group.map(batchOf).find((batch) => batch !== null) ?? null,
      });
    }
    from = to;
  }
  return tasks;
}

const longWait = ({ wait }: Step): number =>
  wait && wait.minutes >= SHORT_WAIT ? wait.minutes : 0;

/** Where the steps that are done in one go end: at the next stage, and at a long wait. */
function endOf(steps: readonly Step[], from: number): number {
  let to = from;
  while (to < steps.length && steps[to]!.stage === steps[from]!.stage) {
    to += 1;
    if (longWait(steps[to - 1]!) > 0) break;
  }
  return to;
}

/** Minutes of hands for a whole make. */
export const minutesOf = (planned: Planned): number =>
  tasksOf('', planned).reduce((sum, { minutes }) => sum + minutes, 0);
