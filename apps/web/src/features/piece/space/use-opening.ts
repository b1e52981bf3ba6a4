import type { Moment, Openable } from '@coiled-strand/core';
import { skipToken, useQuery } from '@tanstack/react-query';
import { wrap } from 'comlink';
import type { OpeningWorker } from './opening-worker';

async function open(openable: Openable): Promise<readonly Moment[]> {
  const worker = new Worker(new URL('./opening-worker.ts', import.meta.url), { type: 'module' });
  try {
    return await wrap<OpeningWorker>(worker).open(openable);
  } finally {
    worker.terminate();
  }
}

/** One of the catalogue is always the same; one of one’s own is known by what was drawn. */
const keyOf = (openable: Openable): string =>
  openable.of === 'catalogue' ? openable.id : openable.knot.tight.of;

/**
 * The way of a knot from loose to tight, the widest moment first: computed when it is wanted, and kept.
 *
 * @param openable null while nobody wants it
 */
export function useOpening(openable: Openable | null): readonly Moment[] {
  const { data } = useQuery({
    queryKey: ['opening', openable && keyOf(openable)],
    queryFn: openable ? () => open(openable) : skipToken,
    staleTime: Infinity,
    // It is computed here: being without a network does not hold it back.
    networkMode: 'always',
  });
  return data ?? NONE;
}

const NONE: readonly Moment[] = [];
