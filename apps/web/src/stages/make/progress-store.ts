import type { MakeView, ProgressDto, StageSecondsDto } from '@coiled-strand/contract';
import type { Step } from '@coiled-strand/core';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { ApiError, call } from '../../api/client';

/** How far a make is, as this browser knows it before the server does. */
interface Local {
  readonly done: number;
  /** When that was so, in ms by this clock. */
  readonly at: number;
  /** Waits begun or stopped here, by step. */
  readonly timers: Readonly<Record<string, string | null>>;
}

type Seconds = Readonly<StageSecondsDto>;
const NO_TIME: Seconds = { prepare: 0, tie: 0, finish: 0 };

interface Progress {
  readonly local: Readonly<Record<string, Local>>;
  /** Makes whose progress the server has not confirmed. */
  readonly unsent: Readonly<Record<string, true>>;
  /** All time counted here for each make; kept until the make is logged. */
  readonly seconds: Readonly<Record<string, Seconds>>;
  /** This browser among the devices a make is followed on. */
  readonly device: string;
  /** @param stage what the time since the last action went into */
  readonly set: (makeId: string, done: number, stage?: Step['stage']) => void;
  /** @param done actions done, sent along */
  readonly setTimer: (makeId: string, done: number, step: string, startedAt: string | null) => void;
  readonly confirmed: (makeId: string, local: Local) => void;
  readonly forget: (makeId: string) => void;
}

const without = <T>(record: Readonly<Record<string, T>>, key: string): Record<string, T> =>
  Object.fromEntries(Object.entries(record).filter(([k]) => k !== key));

/** A longer pause between two actions is no time at the bench. Assumed. */
const LONGEST_ACTION = 180;
/** When the last action was, by make; a window that was closed begins anew. */
const lastAction = new Map<string, number>();

function timeSince(makeId: string): number {
  const now = Date.now();
  const before = lastAction.get(makeId);
  lastAction.set(makeId, now);
  if (before === undefined) return 0;
  const seconds = (now - before) / 1000;
  return seconds > 0 && seconds <= LONGEST_ACTION ? seconds : 0;
}

/**
 * Progress of makes: kept in this browser at once and sent when it can be, so that neither a closed
 * window nor a stopped server loses a knot.
 */
export const useProgress = create<Progress>()(
  persist(
    (set) => ({
      local: {},
      unsent: {},
      seconds: {},
      device: crypto.randomUUID(),
      set: (makeId, done, stage) => {
        const spent = timeSince(makeId);
        set((state) => {
          const old = state.seconds[makeId] ?? NO_TIME;
          return {
            local: {
              ...state.local,
              [makeId]: {
                done,
                at: Date.now(),
                timers: state.local[makeId]?.timers ?? {},
              },
            },
            seconds: stage
              ? { ...state.seconds, [makeId]: { ...old, [stage]: old[stage] + spent } }
              : state.seconds,
            unsent: { ...state.unsent, [makeId]: true },
          };
        });
        void flush();
      },
      setTimer: (makeId, done, step, startedAt) => {
        set((state) => {
          const old = state.local[makeId];
          return {
            local: {
              ...state.local,
              [makeId]: {
                done: old?.done ?? done,
                at: Date.now(),
                timers: { ...old?.timers, [step]: startedAt },
              },
            },
            unsent: { ...state.unsent, [makeId]: true },
          };
        });
        void flush();
      },
      confirmed: (makeId, local) =>
        set((state) =>
          // What was done while it was on its way stays to be sent.
          state.local[makeId] === local
            ? { local: without(state.local, makeId), unsent: without(state.unsent, makeId) }
            : state,
        ),
      forget: (makeId) =>
        set((state) => ({
          local: without(state.local, makeId),
          unsent: without(state.unsent, makeId),
          seconds: without(state.seconds, makeId),
        })),
    }),
    { name: 'coiled-strand.progress', version: 2, migrate: fromDone },
  ),
);

/** Before there were timers, numbers of actions alone were kept. */
function fromDone(kept: unknown): Partial<Progress> {
  const { done = {}, unsent = {} } = (kept ?? {}) as {
    done?: Record<string, number>;
    unsent?: Record<string, true>;
  };
  const at = Date.now();
  return {
    local: Object.fromEntries(
      Object.entries(done).map(([makeId, n]) => [makeId, { done: n, at, timers: {} }]),
    ),
    unsent,
  };
}

const RETRY_MS = 1500;
let sending = false;
let onSent: ((make: MakeView) => void) | null = null;

/** Lets the query cache follow what the server answered. */
export const whenSent = (listener: typeof onSent): void => {
  onSent = listener;
};

function bodyOf(makeId: string, { done, at, timers }: Local): ProgressDto {
  const { device, seconds } = useProgress.getState();
  const own = seconds[makeId];
  return {
    done,
    ago: Math.max(0, Date.now() - at),
    device,
    ...(own ? { seconds: own } : {}),
    timers: Object.entries(timers).map(([step, startedAt]) => ({ step, startedAt })),
  };
}

/** Sends what the server does not know yet; the last number wins, and nothing is sent twice at once. */
export async function flush(): Promise<void> {
  const state = useProgress.getState();
  const makeId = Object.keys(state.unsent)[0];
  if (sending || makeId === undefined) return;
  const local = state.local[makeId];
  if (!local) {
    state.forget(makeId);
    return flush();
  }
  sending = true;
  let again = 0;
  try {
    const make = await call<MakeView>(`/makes/${makeId}/progress`, {
      method: 'PUT',
      body: bodyOf(makeId, local),
      keepalive: true,
    });
    onSent?.(make);
    useProgress.getState().confirmed(makeId, local);
  } catch (error) {
    // A make that was logged or given up elsewhere takes no more progress; all else passes.
    if (error instanceof ApiError && error.status < 500) useProgress.getState().forget(makeId);
    else again = RETRY_MS;
  } finally {
    sending = false;
  }
  if (Object.keys(useProgress.getState().unsent).length > 0) setTimeout(() => void flush(), again);
}
