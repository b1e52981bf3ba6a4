import { compareLateness, latenessOf, leastLateness, type Lateness } from './lateness.js';
import { layOut, type LaidOut, type Pins } from './lay-out.js';
import type { Job, Task } from './task.js';
import type { Sitting } from './week.js';

/** Tasks laid out, how late that is, and what no plan is below. */
export interface WeekPlan extends LaidOut {
  readonly lateness: Lateness;
  /** What the latest job is late at least, in ms; see `leastLateness`. */
  readonly least: number;
  /** Tasks by their rank, so that it can be laid out again. */
  readonly order: readonly string[];
}

/** Whether no plan has its latest job any earlier, as far as being late goes. */
export const isBest = ({ lateness, least }: Pick<WeekPlan, 'lateness' | 'least'>): boolean =>
  Math.max(0, lateness.most) <= Math.max(0, least) + 1;

const MINUTE = 60_000;

/** Earliest due date first, drawn forward by all that still has to be done and waited for after a task. */
export function byDueDate(jobs: readonly Job[]): Task[] {
  const keyed = jobs.flatMap(({ tasks, due }) => {
    let after = 0;
    return [...tasks]
      .reverse()
      .map((task) => {
        after += task.wait * MINUTE;
        const key = due === null ? Infinity : due - after;
        after += task.minutes * MINUTE;
        // Of what nobody waits for, that goes first after which something cures by itself.
        return { task, key, wait: task.wait };
      })
      .reverse();
  });
  return keyed
    .map((one, i) => ({ ...one, i }))
    .sort((a, b) => cmp(a.key, b.key) || b.wait - a.wait || a.i - b.i)
    .map(({ task }) => task);
}

/** Infinity is no later than Infinity. */
const cmp = (a: number, b: number): number => (a === b ? 0 : a < b ? -1 : 1);

/** By place in an order. */
export function ranksOf(order: readonly string[]): (task: Task) => number {
  const places = new Map(order.map((id, i) => [id, i]));
  return ({ id }) => places.get(id) ?? order.length;
}

/**
 * Tasks over sittings so that nothing is late, or the least late: earliest due date first, then better and better by
 * moving single tasks and whole jobs forward and back.
 *
 * @param tries how many moves are tried
 * @param uniform random numbers from 0 to 1, seeded, so that the same week comes out the same
 * @returns better plans as they are found; the last is the answer
 */
export function* planWeek(
  jobs: readonly Job[],
  sittings: readonly Sitting[],
  { pins, tries, uniform }: { pins?: Pins; tries: number; uniform: () => number },
): Generator<WeekPlan> {
  const least = leastLateness(jobs, sittings);
  const laid = (order: readonly string[]): WeekPlan => {
    const out = layOut(jobs, sittings, ranksOf(order), pins);
    return { ...out, lateness: latenessOf(jobs, out), least, order };
  };
  let best = laid(byDueDate(jobs).map(({ id }) => id));
  const alike = likeJobs(jobs, pins);
  yield best;
  const jobOf = new Map(jobs.flatMap(({ tasks }) => tasks.map((task) => [task.id, task.job])));
  const finite = (plan: WeekPlan): boolean => plan.lateness.ease < Infinity;
  let current = best;
  for (let turn = 0; turn < tries && current.order.length > 1; turn++) {
    const order = moved(current.order, jobOf, uniform);
    const next = laid(order);
    // What is as good is gone on from as well, so that the search does not stand still on a plateau.
    const less = compareLateness(next.lateness, current.lateness);
    if (less <= 0 || (!finite(current) && finite(next))) current = next;
    if (compareLateness(next.lateness, best.lateness) < 0) {
      best = laid(inTurn(next.order, alike));
      yield best;
    }
  }
}

/** Jobs that nothing but their names tell apart, and of which nothing was put anywhere by hand. */
function likeJobs(jobs: readonly Job[], pins?: Pins): Job[][] {
  const groups = new Map<string, Job[]>();
  for (const job of jobs) {
    if (job.tasks.length === 0 || job.tasks.some(({ id }) => pins?.has(id))) continue;
    const tasks = job.tasks.map(({ id: _id, job: _job, ...task }) => task);
    const key = JSON.stringify([job.due, job.release, tasks]);
    groups.set(key, [...(groups.get(key) ?? []), job]);
  }
  return [...groups.values()].filter((group) => group.length > 1);
}

/** The same order, in which of alike jobs the first is begun first: it makes no difference but to who reads it. */
function inTurn(order: readonly string[], groups: readonly Job[][]): string[] {
  const place = new Map(order.map((id, i) => [id, i]));
  const renamed = new Map<string, string>();
  for (const group of groups) {
    const begun = [...group].sort(
      (a, b) => place.get(a.tasks[0]!.id)! - place.get(b.tasks[0]!.id)!,
    );
    begun.forEach((job, n) =>
      job.tasks.forEach(({ id }, t) => renamed.set(id, group[n]!.tasks[t]!.id)),
    );
  }
  return order.map((id) => renamed.get(id) ?? id);
}

/** One task, or all tasks of one job, elsewhere in the order. */
function moved(
  order: readonly string[],
  jobOf: ReadonlyMap<string, string>,
  uniform: () => number,
): string[] {
  const at = (n: number): number => Math.floor(uniform() * n);
  const one = order[at(order.length)]!;
  const whole = uniform() < 0.4;
  const taken = order.filter((id) => (whole ? jobOf.get(id) === jobOf.get(one) : id === one));
  const rest = order.filter((id) => !taken.includes(id));
  const to = at(rest.length + 1);
  return [...rest.slice(0, to), ...taken, ...rest.slice(to)];
}
