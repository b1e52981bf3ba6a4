import { layOut, type LaidOut } from './lay-out.js';
import type { Job } from './task.js';
import type { Sitting } from './week.js';

const MINUTE = 60_000;
/** Times of today are exact to some ten-thousandths of a millisecond: what is left of less is done. */
const DUST = 0.01;

/** How late a plan is; what comes first counts infinitely more than what comes after. In ms. */
export interface Lateness {
  /** Of the latest job: below 0 where every one is ready before it is due; -Infinity where none is due. */
  readonly most: number;
  /** All that jobs are late, together. */
  readonly all: number;
  /**
   * What else is wanted: that what somebody waits for is ready soon, and that few works are taken up and put down
   * again. Times at which jobs are ready, together, and some minutes for each time that a work is taken up.
   */
  readonly ease: number;
}

/** What nobody waits for by a day counts so much less. Assumed. */
const UNDATED = 0.1;
/** Taking a work up is worth so much, in minutes: finding the place, laying out, clearing away. Assumed. */
const TAKING_UP = 15;

export function latenessOf(
  jobs: readonly Job[],
  { ready, slots }: Pick<LaidOut, 'ready' | 'slots'>,
): Lateness {
  let most = -Infinity;
  let all = 0;
  let sum = slots.length * TAKING_UP * MINUTE;
  for (const { id, due, release } of jobs) {
    const at = ready.get(id)!;
    sum += (at - release) * (due === null ? UNDATED : 1);
    if (due === null) continue;
    most = Math.max(most, at - due);
    all += Math.max(0, at - due);
  }
  return { most, all, ease: sum };
}

/** Below 0 where the first is better. That nothing is late counts; by how much everything is early does not. */
export const compareLateness = (a: Lateness, b: Lateness): number =>
  Math.max(0, a.most) - Math.max(0, b.most) || a.all - b.all || a.ease - b.ease;

/**
 * What the latest job is late at least, whatever is done: each as if it were alone with all laid out for it; and all as if each could be put
 * down at any moment, had no waits but the last, and needed nothing laid out. Of that the earliest due date first
 * is the best, when due dates are drawn forward by the last wait.
 *
 * Sources: J. R. Jackson, Scheduling a production line to minimize maximum tardiness, UCLA research report 43
 * (1955); with interruptions W. A. Horn, Some simple scheduling algorithms, Naval Research Logistics Quarterly 21
 * (1974).
 *
 * @returns in ms, like `most`
 */
export function leastLateness(jobs: readonly Job[], sittings: readonly Sitting[]): number {
  let least = -Infinity;
  const owed = jobs.flatMap(({ id, due, release, tasks }) =>
    due === null || tasks.length === 0
      ? []
      : [
          {
            id,
            release,
            left: tasks.reduce((sum, { minutes }) => sum + minutes, 0) * MINUTE,
            due: due - tasks.at(-1)!.wait * MINUTE,
          },
        ],
  );
  for (const job of jobs) {
    if (job.due === null) continue;
    // What it needs laid out may lie there already, for the job before it.
    const tasks = job.tasks.map((task) => ({ ...task, batch: null }));
    const { ready } = layOut([{ ...job, tasks }], sittings, () => 0);
    least = Math.max(least, ready.get(job.id)! - job.due);
  }
  owed.sort((a, b) => a.due - b.due);
  for (const sitting of sittings) {
    let now = sitting.start;
    while (now < sitting.end) {
      const open = owed.filter(({ left }) => left > DUST);
      if (open.length === 0) return least;
      const first = open.find(({ release }) => release <= now);
      const next = Math.min(
        sitting.end,
        ...open.map((o) => (o.release > now ? o.release : Infinity)),
      );
      if (!first) {
        now = next;
        continue;
      }
      const end = Math.min(next, now + first.left);
      first.left -= end - now;
      now = end;
      if (first.left <= DUST) least = Math.max(least, now - first.due);
    }
  }
  return owed.some(({ left }) => left > DUST) ? Infinity : least;
}
