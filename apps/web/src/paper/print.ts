import { fileNameOf } from '@coiled-strand/core';
import { wrap } from 'comlink';
import { saveFile } from '../shell/save-file';
import type { PaperOrder } from './order';
import type { PaperWorker } from './paper-worker';

/** Makes the file in a worker and hands it to the browser to be saved. */
export async function savePaper(order: PaperOrder, name: string): Promise<void> {
  const worker = new Worker(new URL('./paper-worker.ts', import.meta.url), { type: 'module' });
  try {
    const file = await wrap<PaperWorker>(worker).print(order);
    saveFile(fileNameOf(name, 'pdf'), 'application/pdf', file);
  } finally {
    worker.terminate();
  }
}
