import type { CordLot, CutPlan, WantedCut } from '@coiled-strand/workshop';
import { proxy } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { ownWorker } from './in-worker';

interface Answer {
  readonly plan: CutPlan | null;
  /** Whether a better one is still looked for. */
  readonly busy: boolean;
  readonly error: Error | null;
  /** Ends the search with what it has. */
  readonly stop: () => void;
}

/** So long it looks for a better plan at most, in seconds. */
const SECONDS = 20;

/**
 * The cutting plan of some cuts over some lots, better and better while it is looked for beside the page.
 *
 * @param cuts the same list for as long as the same is wanted
 */
export function useCutPlan(
  cuts: readonly WantedCut[] | null,
  lots: readonly CordLot[] | undefined,
  seconds = SECONDS,
): Answer {
  const [found, setFound] = useState<{ readonly of: unknown; readonly plan: CutPlan } | null>(null);
  const [ended, setEnded] = useState<unknown>(null);
  const [error, setError] = useState<Error | null>(null);
  const end = useRef(() => undefined as void);
  useEffect(() => {
    if (!cuts || !lots) return;
    const { remote, end: kill } = ownWorker();
    let over = false;
    end.current = () => {
      over = true;
      kill();
      setEnded(cuts);
    };
    const take = (plan: CutPlan): void => {
      if (!over) setFound({ of: cuts, plan });
    };
    void remote
      .cut(cuts, lots, seconds, proxy(take))
      .then(take, (fault: unknown) => !over && setError(fault as Error))
      .finally(() => {
        if (!over) setEnded(cuts);
        kill();
      });
    return () => {
      over = true;
      kill();
    };
  }, [cuts, lots, seconds]);
  return {
    plan: found?.of === cuts ? found.plan : null,
    busy: cuts !== null && lots !== undefined && ended !== cuts,
    error,
    stop: () => end.current(),
  };
}
