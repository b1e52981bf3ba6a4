import {
  boardFaults,
  crossings,
  fingerprint,
  type Board,
  type BoardVerdict,
} from '@coiled-strand/core';
import { proxy, wrap } from 'comlink';
import { startTransition, useCallback, useEffect, useRef, useState } from 'react';
import type { Frame, TightenWorker } from './tighten-worker';

/** What is known of the board as it is now. */
export interface Tight {
  /** What it came to; null while it is drawn tight, and for a board that cannot be. */
  readonly verdict: BoardVerdict | null;
  readonly drawing: boolean;
  /** How it lay on its way, from loose to tight, as far as it has come. */
  readonly frames: readonly Frame[];
  /** Ends it with what it has. */
  readonly stop: () => void;
}

interface Known {
  readonly of: string;
  readonly verdict: BoardVerdict | null;
  readonly frames: readonly Frame[];
  readonly failed?: true;
}

/** Moments of the way that are kept: when there are twice as many, every other one goes. */
const KEPT = 40;
const kept = (frames: readonly Frame[], next: Frame): Frame[] => {
  const all = [...frames, next];
  return all.length < 2 * KEPT ? all : all.filter((_, i) => i % 2 === 0 || i === all.length - 1);
};

/** A drawing that is still being changed is waited for, in ms. */
const RESTED = 350;

/** Results by what they are of: undone and done again, nothing is computed twice. */
const results = new Map<string, Known>();
const MAX_RESULTS = 30;

function remember(known: Known): void {
  results.set(known.of, known);
  const [oldest] = results.keys();
  if (results.size > MAX_RESULTS && oldest !== undefined) results.delete(oldest);
}

/**
 * Draws a board tight in a worker whenever it changes. How it lies on its way is shown when there is time for it: what
 * the maker does meanwhile goes before.
 */
export function useTight(board: Board): Tight {
  const of = fingerprint(board);
  const [known, setKnown] = useState<Known | null>(null);
  const stop = useRef<() => void>(() => undefined);
  const ready = boardFaults(board).length === 0 && crossings(board).length > 0;
  const latest = useRef(board);
  useEffect(() => {
    latest.current = board;
  });
  useEffect(() => {
    if (!ready || results.has(of)) return undefined;
    let worker: Worker | undefined;
    const begin = setTimeout(() => {
      worker = new Worker(new URL('./tighten-worker.ts', import.meta.url), { type: 'module' });
      const remote = wrap<TightenWorker>(worker);
      stop.current = () => void remote.stop();
      let frames: readonly Frame[] = [];
      const watch = (frame: Frame): void => {
        frames = kept(frames, frame);
        startTransition(() => setKnown({ of, verdict: null, frames }));
      };
      remote
        .draw(latest.current, proxy(watch))
        .then((verdict) => {
          const done = { of, verdict, frames };
          remember(done);
          startTransition(() => setKnown(done));
        })
        .catch(() => setKnown({ of, verdict: null, frames, failed: true }))
        .finally(() => worker?.terminate());
    }, RESTED);
    return () => {
      clearTimeout(begin);
      worker?.terminate();
    };
  }, [of, ready]);
  const end = useCallback(() => stop.current(), []);
  const own = results.get(of) ?? (known?.of === of ? known : null);
  return {
    verdict: own?.verdict ?? null,
    frames: own?.frames ?? [],
    drawing: ready && !own?.verdict && !own?.failed,
    stop: end,
  };
}
