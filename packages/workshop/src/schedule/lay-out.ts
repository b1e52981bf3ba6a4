import { SET_OUT_MINUTES, type Job, type Task } from './task.js';
import type { Sitting } from './week.js';

/** A stretch of a task at the bench, in ms since 1970. */
export interface Slot {
  readonly task: Task;
  readonly start: number;
  readonly end: number;
  /** Whether the task is done with it. */
  readonly done: boolean;
}

export interface LaidOut {
  readonly slots: readonly Slot[];
  /** When each job is ready, its last wait over; Infinity where the sittings do not reach. */
  readonly ready: ReadonlyMap<string, number>;
}

/** Which of the tasks that can be done is done: the one with the least. */
export type Ranks = (task: Task) => number;

/** A task that the maker wants done at a time, and not before; in ms since 1970, by the task's id. */
export type Pins = ReadonlyMap<string, number>;
const NO_PINS: Pins = new Map();

const MINUTE = 60_000;
/** Shorter stretches than this are not worth taking a work up for. In ms. */
const MIN_STRETCH = 3 * MINUTE;

interface Running {
  readonly job: Job;
  next: number;
  /** Minutes left of the task that is next. */
  left: number;
  /** From when on that can be done. */
  from: number;
}

/**
 * Lays tasks out over the sittings: one pair of hands takes, whenever it is free, the task of least rank that can be
 * done. What may be put down is put down at the end of a sitting and where something of less rank becomes possible;
 * the rest is only begun where it can be finished in the sitting, unless no sitting is long enough. What needs the
 * same laid out and is done in a row has it laid out once.
 */
export function layOut(
  jobs: readonly Job[],
  sittings: readonly Sitting[],
  rank: Ranks,
  pins: Pins = NO_PINS,
): LaidOut {
  const slots: Slot[] = [];
  const ready = new Map<string, number>();
  const longest = Math.max(0, ...sittings.map(({ start, end }) => end - start));
  const running: Running[] = [];
  const starts = (one: Running): void => {
    const task = one.job.tasks[one.next]!;
    one.left = task.minutes;
    one.from = Math.max(one.from, pins.get(task.id) ?? -Infinity);
  };
  for (const job of jobs) {
    const one: Running = { job, next: 0, left: 0, from: job.release };
    if (job.tasks.length === 0) ready.set(job.id, job.release);
    else {
      starts(one);
      running.push(one);
    }
  }
  const rankOf = (one: Running): number => {
    const task = one.job.tasks[one.next]!;
    // What was put there by hand goes before everything else.
    return pins.has(task.id) ? -Infinity : rank(task);
  };
  for (const sitting of sittings) {
    let now = sitting.start;
    let laid: Task['batch'] = null;
    let last: Running | null = null;
    while (now < sitting.end && running.length > 0) {
      let best: Running | null = null;
      let soon = Infinity;
      for (const one of running) {
        if (one.from > now) {
          soon = Math.min(soon, one.from);
          continue;
        }
        const task = one.job.tasks[one.next]!;
        const needs = (one.left + setOut(task, laid)) * MINUTE;
        const room = sitting.end - now;
        const fits = task.splits
          ? room >= Math.min(MIN_STRETCH, needs)
          : needs <= room || (needs > longest && now === sitting.start) || one.left < task.minutes;
        if (!fits) continue;
        if (best === null || less(one, best, rankOf, laid, last)) best = one;
      }
      if (best === null) {
        if (soon >= sitting.end) break;
        now = soon;
        laid = null;
        continue;
      }
      const task = best.job.tasks[best.next]!;
      const set = best === last && best.left < task.minutes ? 0 : setOut(task, laid);
      let end = Math.min(sitting.end, now + (best.left + set) * MINUTE);
      if (task.splits) {
        const mine = rankOf(best);
        for (const one of running) {
          if (one.from > now && one.from < end && rankOf(one) < mine) end = one.from;
        }
      }
      best.left -= Math.max(0, (end - now) / MINUTE - set);
      const done = best.left < 1e-6;
      slots.push({ task, start: now, end, done });
      laid = task.batch;
      last = best;
      now = end;
      if (!done) {
        best.from = now;
        continue;
      }
      best.from = end + task.wait * MINUTE;
      best.next += 1;
      if (best.next < best.job.tasks.length) starts(best);
      else {
        ready.set(best.job.id, best.from);
        running.splice(running.indexOf(best), 1);
      }
    }
    if (running.length === 0) break;
  }
  for (const { job } of running) ready.set(job.id, Infinity);
  return { slots: merged(slots), ready };
}

const setOut = ({ batch }: Task, laid: Task['batch']): number =>
  batch !== null && batch !== laid ? SET_OUT_MINUTES : 0;

/** Whether the first goes before the second: by rank; of equal rank what is laid out or in hand already. */
function less(
  a: Running,
  b: Running,
  rank: (one: Running) => number,
  laid: Task['batch'],
  last: Running | null,
): boolean {
  const ranks = rank(a) - rank(b);
  if (ranks !== 0) return ranks < 0;
  const suits = ({ job, next }: Running): number =>
    laid !== null && job.tasks[next]!.batch === laid ? 0 : 1;
  if (suits(a) !== suits(b)) return suits(a) < suits(b);
  return a === last && b !== last;
}

/** Stretches of one task that follow each other without a break are one. */
function merged(slots: readonly Slot[]): Slot[] {
  const out: Slot[] = [];
  for (const slot of slots) {
    const before = out.at(-1);
    if (before?.task === slot.task && before.end === slot.start) {
      out[out.length - 1] = { ...slot, start: before.start };
    } else out.push(slot);
  }
  return out;
}
