import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { ApiError, call } from '../../api/client';

interface Progress {
  /** Actions done by make, as this browser knows them before the server does. */
  readonly done: Readonly<Record<string, number>>;
  /** Makes whose progress the server has not confirmed. */
  readonly unsent: Readonly<Record<string, true>>;
  readonly set: (makeId: string, done: number) => void;
  readonly confirmed: (makeId: string, done: number) => void;
  readonly forget: (makeId: string) => void;
}

const without = <T>(record: Readonly<Record<string, T>>, key: string): Record<string, T> =>
  Object.fromEntries(Object.entries(record).filter(([k]) => k !== key));

/**
 * Progress of makes: kept in this browser at once and sent when it can be, so that neither a closed
 * window nor a stopped server loses a knot.
 */
export const useProgress = create<Progress>()(
  persist(
    (set) => ({
      done: {},
      unsent: {},
      set: (makeId, done) => {
        set((state) => ({
          done: { ...state.done, [makeId]: done },
          unsent: { ...state.unsent, [makeId]: true },
        }));
        void flush();
      },
      confirmed: (makeId, done) =>
        set((state) =>
          state.done[makeId] === done
            ? { done: without(state.done, makeId), unsent: without(state.unsent, makeId) }
            : state,
        ),
      forget: (makeId) =>
        set((state) => ({
          done: without(state.done, makeId),
          unsent: without(state.unsent, makeId),
        })),
    }),
    { name: 'coiled-strand.progress' },
  ),
);

const RETRY_MS = 1500;
let sending = false;
let onSent: ((makeId: string, done: number) => void) | null = null;

/** Lets the query cache follow what the server confirmed. */
export const whenSent = (listener: typeof onSent): void => {
  onSent = listener;
};

/** Sends what the server does not know yet; the last number wins, and nothing is sent twice at once. */
export async function flush(): Promise<void> {
  const [makeId] = Object.keys(useProgress.getState().unsent);
  if (sending || makeId === undefined) return;
  sending = true;
  const done = useProgress.getState().done[makeId] ?? 0;
  let again = 0;
  try {
    await call(`/makes/${makeId}/progress`, { method: 'PUT', body: { done }, keepalive: true });
    onSent?.(makeId, done);
    useProgress.getState().confirmed(makeId, done);
  } catch (error) {
    // A make that was logged or given up elsewhere takes no more progress; all else passes.
    if (error instanceof ApiError && error.status < 500) useProgress.getState().forget(makeId);
    else again = RETRY_MS;
  } finally {
    sending = false;
  }
  if (Object.keys(useProgress.getState().unsent).length > 0) setTimeout(() => void flush(), again);
}
