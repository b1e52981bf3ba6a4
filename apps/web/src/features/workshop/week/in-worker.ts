import { wrap, type Remote } from 'comlink';
import type { WeekWorker } from './week-worker';

/** A worker of one’s own, and how to end it: what it was doing ends with it. */
export function ownWorker(): { readonly remote: Remote<WeekWorker>; readonly end: () => void } {
  const worker = new Worker(new URL('./week-worker.ts', import.meta.url), { type: 'module' });
  return { remote: wrap<WeekWorker>(worker), end: () => worker.terminate() };
}
