import type { MakeView, ProgressDto } from '@coiled-strand/contract';
import { ApiError, call, isGone, isPassing } from '../../../data/api/client';
import { allEntries, useOutbox } from '../../../data/outbox/outbox';
import { sentHalfWay } from './half-way';
import { reportsOf, useProgress, whenChanged, type ProgressReport } from './progress-store';

/** Until what was not answered is sent again, in ms: longer each time, and no longer than this. */
const RETRY_MS = 1500;
const MAX_MS = 6000;
/** Until what was refused is. */
const REFUSED_MS = 30_000;
/** Another window sends its own; after so long it may have been closed. */
const OTHERS_MS = 5000;

/** What is on its way, by make. */
const busy = new Map<string, Promise<void>>();
const failures = new Map<string, number>();
const timers = new Map<string, ReturnType<typeof setTimeout>>();
let onSent: ((make: MakeView) => void | Promise<void>) | null = null;

/** Lets the query cache follow what the server answered, before what is known here is let go. */
export const whenSent = (listener: typeof onSent): void => {
  onSent = listener;
};

function bodyOf({
  at,
  from,
  device,
  said,
  seconds,
  timers: waits,
  measured,
}: ProgressReport): ProgressDto {
  return {
    ...(at ? { at } : {}),
    ...(at && from ? { from } : {}),
    device,
    said,
    ...(Object.values(seconds).some((time) => time > 0) ? { seconds } : {}),
    timers: Object.entries(waits).map(([step, startedAt]) => ({ step, startedAt })),
    ...(measured === undefined ? {} : { measured: measured && sentHalfWay(measured) }),
  };
}

/** The next of a make that can be sent: nothing while its maker is asked. */
const nextOf = (makeId: string): ProgressReport | undefined =>
  useProgress.getState().elsewhere[makeId] ? undefined : reportsOf(makeId)[0];

function later(makeId: string, ms: number): void {
  clearTimeout(timers.get(makeId));
  timers.set(
    makeId,
    setTimeout(() => void send(makeId), ms),
  );
}

/** Sends what is kept of a make, one after the other. @returns once nothing more can be sent for now */
function send(makeId: string): Promise<void> {
  const under = busy.get(makeId);
  if (under) return under;
  clearTimeout(timers.get(makeId));
  const sending = sendAll(makeId).finally(() => busy.delete(makeId));
  busy.set(makeId, sending);
  return sending;
}

async function sendAll(makeId: string): Promise<void> {
  const { owner } = useOutbox.getState();
  // What was done by one is not sent by another who has signed in meanwhile.
  const stillHere = (): boolean => useOutbox.getState().owner === owner;
  try {
    for (let next = nextOf(makeId); next && stillHere(); next = nextOf(makeId)) {
      const make = await call<MakeView>(`/makes/${makeId}/progress`, {
        method: 'PUT',
        body: bodyOf(next),
        keepalive: true,
        doneBy: owner,
      });
      if (!stillHere()) return;
      failures.delete(makeId);
      await onSent?.(make);
      useProgress.getState().confirmed(next);
    }
  } catch (error) {
    if (stillHere()) await failed(makeId, error);
  }
}

/**
 * Only of a make that is gone nothing is kept: the server knows who asks, and where they look. All else stays here and
 * is sent again, by itself or with the next action.
 */
async function failed(makeId: string, error: unknown): Promise<void> {
  const { forget, wentOn } = useProgress.getState();
  const fault = error instanceof ApiError ? error : null;
  if (isGone(error)) return forget(makeId);
  if (fault?.body.make) {
    await onSent?.(fault.body.make);
    return wentOn(fault.body.make);
  }
  const times = failures.get(makeId) ?? 0;
  failures.set(makeId, times + 1);
  later(makeId, isPassing(error) ? Math.min(MAX_MS, RETRY_MS * 2 ** times) : REFUSED_MS);
}

whenChanged((makeId, soon) => {
  if (soon) {
    failures.delete(makeId);
    void send(makeId);
  } else if (nextOf(makeId)) {
    later(makeId, OTHERS_MS);
  }
});

/** Sends whatever is kept here of whoever is here, and the server does not know yet; makes do not wait for each other. */
export async function flush(): Promise<void> {
  const makes = new Set(allEntries('progress').map(({ id }) => id));
  await Promise.all([...makes].map(send));
}
