import sharp from 'sharp';
import { WORK, type Work } from './picture-work.js';

/** What is asked of the process, and answered. */
export interface Asked {
  readonly id: number;
  readonly work: Work;
  readonly bytes: Uint8Array;
}
export interface Answered {
  readonly id: number;
  readonly result: unknown;
}

// One picture uses one core, and nothing of it is kept.
sharp.concurrency(1);
sharp.cache(false);

process.on('message', ({ id, work, bytes }: Asked) => {
  void WORK[work](bytes).then((result) => process.send?.({ id, result } satisfies Answered));
});
// Without whoever asks there is nothing to do.
process.on('disconnect', () => process.exit());
