import type { Hand, Piece, PlanResult } from '@coiled-strand/core';
import { wrap, type Remote } from 'comlink';
import { useSyncExternalStore } from 'react';
import { isLarge } from '../bench/large';
import type { PlanWorker } from './plan-worker';

/** The plan of a large piece, as the worker found it. */
export interface Planned {
  /** Of the piece as it is stored. */
  readonly id: string;
  readonly piece: Piece;
  readonly hand: Hand;
  readonly draft: PlanResult;
  readonly plan: PlanResult;
}
type Wanted = Pick<Planned, 'id' | 'piece' | 'hand'>;

let worker: Remote<PlanWorker> | null = null;
const planner = (): Remote<PlanWorker> =>
  (worker ??= wrap<PlanWorker>(
    new Worker(new URL('./plan-worker.ts', import.meta.url), { type: 'module' }),
  ));

let latest: Planned | null = null;
let wanted: Wanted | null = null;
let busy = false;
const listeners = new Set<() => void>();

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** One after the other; of what is wanted meanwhile the last alone. */
async function work(): Promise<void> {
  if (busy) return;
  busy = true;
  try {
    while (wanted) {
      const next = wanted;
      wanted = null;
      latest = { ...next, ...(await planner().plan(next.piece, next.hand)) };
      listeners.forEach((listener) => listener());
    }
  } finally {
    busy = false;
  }
}

/** Has a piece planned beside the page, unless it was. */
export function wantPlan(next: Wanted): void {
  const { id, piece, hand } = next;
  if (latest?.id === id && latest.piece === piece && latest.hand === hand) return;
  wanted = next;
  void work();
}

/** The last large plan that was found. */
export const useLargePlan = (): Planned | null => useSyncExternalStore(subscribe, () => latest);

/** The same, where it is of this piece. */
export const largePlanOf = (id: string | null): Planned | null =>
  latest !== null && latest.id === id && isLarge(latest.piece) ? latest : null;

/** The same, where it is of this very document. */
export const foundFor = (piece: Piece, hand: Hand): Planned | null =>
  latest?.piece === piece && latest.hand === hand ? latest : null;
