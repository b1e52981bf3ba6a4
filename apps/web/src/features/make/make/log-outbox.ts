import type { MakeLogDto, MakeView } from '@coiled-strand/contract';
import { ApiError, call, isPassing, isSignedOut } from '../../../data/api/client';
import { storeByMake } from './store-by-make';
import { flush } from './progress-sender';

/** A log that is filled in and has not reached the server. */
export interface LogToSend {
  readonly record: MakeLogDto;
  /** What the server says against it; null while it only waits. */
  readonly refused: string | null;
}

/** Logs on their way, by make: they outlive a closed page, and go out when the server is back. */
export const useLogOutbox = storeByMake<LogToSend>('logs-to-send');

const LOGGED: ((make: MakeView) => void)[] = [];
/** Hears of every log that the server took after it had waited. */
export const whenLogged = (hear: (make: MakeView) => void): void => void LOGGED.push(hear);

export const putLog = (makeId: string, record: MakeLogDto): Promise<MakeView> =>
  call<MakeView>(`/makes/${makeId}/log`, { method: 'PUT', body: record });

let sending: Promise<void> | null = null;

/** Sends what waits, after all progress: a log closes its make. */
export function sendLogs(): Promise<void> {
  sending ??= sendAll().finally(() => {
    sending = null;
  });
  return sending;
}

async function sendAll(): Promise<void> {
  const waiting = Object.entries(useLogOutbox.getState().kept).filter(
    ([, { refused }]) => refused === null,
  );
  if (waiting.length === 0) return;
  await flush();
  for (const [makeId, { record }] of waiting) {
    const { keep } = useLogOutbox.getState();
    try {
      const make = await putLog(makeId, record);
      keep(makeId, null);
      for (const hear of LOGGED) hear(make);
    } catch (error) {
      // Nobody answers, or nobody is signed in: it waits for somebody.
      if (isPassing(error) || isSignedOut(error)) return;
      // Also where there is no such make: it may be one of another workshop, in which its maker is not now.
      if (error instanceof ApiError) keep(makeId, { record, refused: error.message });
      else throw error;
    }
  }
}
