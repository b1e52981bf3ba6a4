import { useEffect } from 'react';

const MAKING = 'coiled-strand.making';

/** Says to the other windows of this browser that something is being made in this one, for as long as it is shown. */
export function useMakingHere(): void {
  useEffect(() => {
    if (!navigator.locks) return;
    const shown = new AbortController();
    let done: () => void = () => undefined;
    const until = new Promise<void>((resolve) => {
      done = resolve;
    });
    navigator.locks
      .request(MAKING, { mode: 'shared', signal: shown.signal }, () => until)
      .catch(() => undefined);
    return () => {
      shown.abort();
      done();
    };
  }, []);
}

/** Whether something is being made in any window of this browser. */
export async function isMakingAnywhere(): Promise<boolean> {
  const held = (await navigator.locks?.query())?.held ?? [];
  return held.some(({ name }) => name === MAKING);
}
