import { painter } from './painting';
import type { Shown } from './picture';
import { keepStill, stillKept } from './stills-kept';

let drawing: ReturnType<typeof painter> | null = null;
let last: Promise<unknown> = Promise.resolve();

/** One picture that stays as it is, as a PNG. They are drawn in a worker, one after the other. */
export function drawStill(shown: () => Shown): Promise<Blob> {
  const next = last
    .catch(() => undefined)
    .then(() => {
      drawing ??= painter();
      return drawing.remote.still(shown());
    });
  last = next;
  return next;
}

/**
 * A picture that is drawn once and kept.
 *
 * @param key all that decides what it shows
 * @param shown asked only when it has to be drawn
 */
export async function stillOf(key: string, shown: () => Shown): Promise<Blob> {
  const kept = await stillKept(key);
  if (kept) return kept;
  const picture = await drawStill(shown);
  await keepStill(key, picture);
  return picture;
}
