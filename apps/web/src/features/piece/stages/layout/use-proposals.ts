import type { LayoutWish, Piece, Proposal } from '@coiled-strand/core';
import { proxy, releaseProxy, wrap } from 'comlink';
import { useHand } from '../../../../data/api/queries';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { LayoutSolver } from './layout-worker';

export type Proposals =
  | { readonly state: 'idle' }
  | { readonly state: 'searching'; readonly share: number }
  | { readonly state: 'found'; readonly proposals: readonly Proposal[] }
  | { readonly state: 'failed'; readonly message: string };

interface Search {
  readonly result: Proposals;
  readonly start: (piece: Piece, wish: LayoutWish) => void;
  readonly stop: () => void;
}

/** The layout solver in a worker of its own; stopping it ends the worker. */
export function useProposals(): Search {
  const [result, setResult] = useState<Proposals>({ state: 'idle' });
  const end = useRef<(() => void) | null>(null);
  const stop = useCallback(() => {
    end.current?.();
    end.current = null;
    setResult({ state: 'idle' });
  }, []);
  useEffect(() => () => end.current?.(), []);
  const hand = useHand();
  const start = useCallback(
    (piece: Piece, wish: LayoutWish) => {
      end.current?.();
      const worker = new Worker(new URL('./layout-worker.ts', import.meta.url), { type: 'module' });
      const solver = wrap<LayoutSolver>(worker);
      let live = true;
      const close = (): void => {
        live = false;
        solver[releaseProxy]();
        worker.terminate();
      };
      end.current = close;
      setResult({ state: 'searching', share: 0 });
      const settle = (next: Proposals): void => {
        if (!live) return;
        if (next.state !== 'searching') {
          close();
          end.current = null;
        }
        setResult(next);
      };
      solver
        .propose(
          piece,
          wish,
          hand,
          proxy((share: number) => settle({ state: 'searching', share })),
        )
        .then((proposals) => settle({ state: 'found', proposals }))
        .catch((error: unknown) =>
          settle({
            state: 'failed',
            message: error instanceof Error ? error.message : String(error),
          }),
        );
    },
    [hand],
  );
  return { result, start, stop };
}
