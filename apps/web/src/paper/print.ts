import { fileNameOf } from '@coiled-strand/core';
import { wrap, type Remote } from 'comlink';
import { saveFile } from '../shell/save-file';
import type { PaperOrder } from './order';
import type { PaperWorker } from './paper-worker';

/** So long a press that nobody needs is kept, in ms: often several sheets are wanted one after the other. */
const KEPT = 60_000;

let press: { readonly worker: Worker; readonly remote: Remote<PaperWorker> } | null = null;
let closing: ReturnType<typeof setTimeout> | undefined;

function opened(): Remote<PaperWorker> {
  if (!press) {
    const worker = new Worker(new URL('./paper-worker.ts', import.meta.url), { type: 'module' });
    press = { worker, remote: wrap<PaperWorker>(worker) };
  }
  return press.remote;
}

function closeLater(): void {
  clearTimeout(closing);
  closing = setTimeout(() => {
    press?.worker.terminate();
    press = null;
  }, KEPT);
}

/** Makes the press ready while the maker still chooses. */
export function readyPress(): void {
  void opened().ready();
  closeLater();
}

/** Makes the file in a worker and hands it to the browser to be saved. */
export async function savePaper(order: PaperOrder, name: string): Promise<void> {
  clearTimeout(closing);
  try {
    const file = await opened().print(order);
    saveFile(fileNameOf(name, 'pdf'), 'application/pdf', file);
  } finally {
    closeLater();
  }
}
