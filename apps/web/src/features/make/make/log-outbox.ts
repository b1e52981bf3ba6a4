import type { MakeLogDto, MakeView } from '@coiled-strand/contract';
import { ApiError, call, isElsewhere, isPassing, isSignedOut } from '../../../data/api/client';
import { allEntries, drop, entriesOf, keep, useOutbox } from '../../../data/outbox/outbox';
import { flush } from './progress-sender';

/** A log that is filled in and has not reached the server. */
export interface LogToSend {
  readonly record: MakeLogDto;
  /** What the server says against it; null while it only waits. */
  readonly refused: string | null;
}

/** Logs on their way outlive a closed page, and go out when the server is back. */
export const keepLog = (makeId: string, log: LogToSend): Promise<void> =>
  keep('log', makeId, '', log);
export const dropLog = (makeId: string): Promise<void> => drop('log', makeId, '');
/** The log of a make that waits, if one does. */
export const useWaitingLog = (makeId: string): LogToSend | undefined =>
  useOutbox((state) => entriesOf<LogToSend>('log', makeId, state)[0]?.value);

const LOGGED: ((make: MakeView) => void)[] = [];
/** Hears of every log that the server took after it had waited. */
export const whenLogged = (hear: (make: MakeView) => void): void => void LOGGED.push(hear);

/** @param doneBy whoever filled it in, where that was earlier */
export const putLog = (makeId: string, record: MakeLogDto, doneBy: string): Promise<MakeView> =>
  call<MakeView>(`/makes/${makeId}/log`, {
    method: 'PUT',
    body: record,
    doneBy,
  });

let sending: Promise<void> | null = null;

/** Sends what waits, after all progress: a log closes its make. */
export function sendLogs(): Promise<void> {
  sending ??= sendAll().finally(() => {
    sending = null;
  });
  return sending;
}

async function sendAll(): Promise<void> {
  const waiting = allEntries<LogToSend>('log').filter(({ value }) => value.refused === null);
  if (waiting.length === 0) return;
  await flush();
  for (const { id, owner, value } of waiting) {
    // What lies under one name is not changed in another’s, who may have signed in while it was on its way.
    const stillHere = (): boolean => useOutbox.getState().owner === owner;
    if (!stillHere()) return;
    try {
      const make = await putLog(id, value.record, owner);
      if (!stillHere()) return;
      await dropLog(id);
      for (const hear of LOGGED) hear(make);
    } catch (error) {
      // Nobody answers, or somebody else is signed in or nobody: it waits.
      if (isPassing(error) || isSignedOut(error) || isElsewhere(error) || !stillHere()) return;
      if (error instanceof ApiError) await keepLog(id, { ...value, refused: error.message });
      else throw error;
    }
  }
}
