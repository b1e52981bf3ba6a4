import { layOut } from './lay-out.js';
import type { Job } from './task.js';
import type { Sitting } from './week.js';

const MINUTE = 60_000;

/** How late a plan is; what comes first counts infinitely more than what comes after. In ms. */
export interface Lateness {
  /** Of the latest job: below 0 where every one is ready before it is due; -Infinity where none is due. */
  readonly most: number;
  /** All that jobs are late, together. */
  readonly all: number;
  /** All times at which jobs are ready, together: what is ready soon can be handed over. */
  readonly ready: number;
}

export function latenessOf(jobs: readonly Job[], ready: ReadonlyMap<string, number>): Lateness {
  let most = -Infinity;
  let all = 0;
  let sum = 0;
  for (const { id, due, release } of jobs) {
    const at = ready.get(id)!;
    sum += at - release;
    if (due === null) continue;
    most = Math.max(most, at - due);
    all += Math.max(0, at - due);
  }
  return { most, all, ready: sum };
}

/** Below 0 where the first is better. That nothing is late counts; by how much everything is early does not. */
export const compareLateness = (a: Lateness, b: Lateness): number =>
  Math.max(0, a.most) - Math.max(0, b.most) || a.all - b.all || a.ready - b.ready;

/**
 * What the latest job is late at least, whatever is done: each as if it were alone; and all as if each could be put
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
    const { ready } = layOut([job], sittings, () => 0);
    least = Math.max(least, ready.get(job.id)! - job.due);
  }
  owed.sort((a, b) => a.due - b.due);
  for (const sitting of sittings) {
    let now = sitting.start;
    while (now < sitting.end) {
      const open = owed.filter(({ left }) => left > 0);
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
      if (first.left <= 0) least = Math.max(least, now - first.due);
    }
  }
  return owed.some(({ left }) => left > 0) ? Infinity : least;
}
