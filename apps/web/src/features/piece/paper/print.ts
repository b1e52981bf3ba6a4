import { fileNameOf } from '@coiled-strand/core';
import { wrap, type Remote } from 'comlink';
import { saveFile } from '../../../ui/shell/save-file';
import type { PaperOrder } from './order';
import type { PaperWorker } from './paper-worker';
import { savedMessage } from './saved-message';

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

/**
 * Makes the file in a worker and hands it to the browser to be saved.
 *
 * @returns what is said of it: also what it could not say
 */
export async function savePaper(order: PaperOrder, name: string): Promise<string> {
  clearTimeout(closing);
  try {
    const { file, lost } = await opened().print(order);
    const saved = fileNameOf(name, 'pdf');
    saveFile(saved, 'application/pdf', file);
    return savedMessage(saved, lost);
  } finally {
    closeLater();
  }
}
