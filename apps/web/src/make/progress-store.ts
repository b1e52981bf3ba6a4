import type { MakeView, ProgressDto, StageSecondsDto } from '@coiled-strand/contract';
import type { Step, StepPlace } from '@coiled-strand/core';
import { nanoid } from 'nanoid';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { ApiError, call } from '../api/client';

/** How far a make is, as this browser knows it before the server does. */
interface Local {
  /** null where only the number of actions is known: kept before places had the name of their step. */
  readonly at: StepPlace | null;
  readonly count?: number;
  /** When that was so, in ms by this clock. */
  readonly when: number;
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
  readonly set: (makeId: string, at: StepPlace, stage?: Step['stage']) => void;
  /** @param at where the make stands, sent along */
  readonly setTimer: (
    makeId: string,
    at: StepPlace,
    step: string,
    startedAt: string | null,
  ) => void;
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
      device: nanoid(),
      set: (makeId, at, stage) => {
        const spent = timeSince(makeId);
        set((state) => {
          const old = state.seconds[makeId] ?? NO_TIME;
          return {
            local: {
              ...state.local,
              [makeId]: {
                at,
                when: Date.now(),
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
      setTimer: (makeId, at, step, startedAt) => {
        set((state) => {
          const old = state.local[makeId];
          return {
            local: {
              ...state.local,
              [makeId]: {
                at: old?.at ?? at,
                when: Date.now(),
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
    { name: 'coiled-strand.progress', version: 3, migrate: fromNumbers },
  ),
);

/** Before places had the name of their step, numbers of actions were kept; first of all, they alone. */
function fromNumbers(kept: unknown, version: number): Partial<Progress> {
  const old = (kept ?? {}) as Partial<Progress> & {
    done?: Record<string, number>;
    local?: Record<string, { done: number; at: number; timers: Local['timers'] }>;
  };
  const numbered =
    version < 2
      ? Object.entries(old.done ?? {}).map(
          ([id, done]) => [id, { done, at: Date.now(), timers: {} }] as const,
        )
      : Object.entries(old.local ?? {});
  const local = Object.fromEntries(
    numbered.map(([id, { done, at, timers }]) => [id, { at: null, count: done, when: at, timers }]),
  );
  return { ...old, local, unsent: old.unsent ?? {} };
}

const RETRY_MS = 1500;
/** Answers of a server that has no such make any more. */
const GONE: readonly number[] = [404, 410];
/** What the server would not take as it is. */
const refused = new WeakSet<Local>();
let sending = false;
let onSent: ((make: MakeView) => void | Promise<void>) | null = null;

/** Lets the query cache follow what the server answered, before what is known here is let go. */
export const whenSent = (listener: typeof onSent): void => {
  onSent = listener;
};

function bodyOf(makeId: string, at: StepPlace, { when, timers }: Local): ProgressDto {
  const { device, seconds } = useProgress.getState();
  const own = seconds[makeId];
  return {
    at,
    ago: Math.max(0, Date.now() - when),
    device,
    ...(own ? { seconds: own } : {}),
    timers: Object.entries(timers).map(([step, startedAt]) => ({ step, startedAt })),
  };
}

/** Sends what the server does not know yet; the last number wins, and nothing is sent twice at once. */
export async function flush(): Promise<void> {
  const state = useProgress.getState();
  const next = Object.keys(state.unsent).flatMap((makeId) => {
    const local = state.local[makeId];
    return local?.at && !refused.has(local) ? [{ makeId, local, at: local.at }] : [];
  })[0];
  if (sending || !next) return;
  const { makeId, local, at } = next;
  sending = true;
  let again = 0;
  try {
    const make = await call<MakeView>(`/makes/${makeId}/progress`, {
      method: 'PUT',
      body: bodyOf(makeId, at, local),
      keepalive: true,
    });
    await onSent?.(make);
    useProgress.getState().confirmed(makeId, local);
  } catch (error) {
    // Only of a make that is gone nothing is kept. What is refused otherwise stays here, and is sent
    // again with the next action.
    const status = error instanceof ApiError ? error.status : 0;
    if (GONE.includes(status)) useProgress.getState().forget(makeId);
    else if (status >= 400 && status < 500) refused.add(local);
    else again = RETRY_MS;
  } finally {
    sending = false;
  }
  if (Object.keys(useProgress.getState().unsent).length > 0) {
    setTimeout(() => void flush(), again);
  }
}
