import type { Picture, PictureOptions, PictureWoven } from '@coiled-strand/core';
import { releaseProxy, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { PictureWeaver } from './picture-worker';

/** Largest file that is read, in bytes, and most pixels along one side that are looked at. */
const MAX_BYTES = 12_000_000;
const MAX_PIXELS = 480;

/**
 * Reads a picture of any size that the browser knows, made smaller where it is large.
 * @throws Error with a sentence for the maker
 */
export async function readPicture(file: File): Promise<Picture> {
  if (file.size > MAX_BYTES) {
    throw new Error(`“${file.name}” is larger than 12 MB. Save it smaller, and choose it again.`);
  }
  const bitmap = await createImageBitmap(file).catch(() => {
    throw new Error(
      `“${file.name}” is not a picture that can be read here. Choose a PNG or a JPEG.`,
    );
  });
  const scale = Math.min(1, MAX_PIXELS / Math.max(bitmap.width, bitmap.height));
  const [width, height] = [bitmap.width, bitmap.height].map((side) =>
    Math.max(1, Math.round(side * scale)),
  ) as [number, number];
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const ctx = canvas.getContext('2d', { willReadFrequently: true });
  if (!ctx) throw new Error('This browser cannot read pictures.');
  ctx.drawImage(bitmap, 0, 0, width, height);
  bitmap.close();
  const { data } = ctx.getImageData(0, 0, width, height);
  return { width, height, data };
}

export interface Weaving {
  readonly woven: PictureWoven | null;
  readonly fault: string | null;
}

/** The picture as a band, worked out in a worker whenever what is wanted changes. */
export function useWoven(picture: Picture | null, options: PictureOptions | null): Weaving {
  const [result, setResult] = useState<Weaving>({ woven: null, fault: null });
  // Options are compared by what they say.
  const wanted = JSON.stringify(options);
  useEffect(() => {
    const asked = JSON.parse(wanted) as PictureOptions | null;
    if (!picture || !asked) return;
    const worker = new Worker(new URL('./picture-worker.ts', import.meta.url), { type: 'module' });
    const weaver = wrap<PictureWeaver>(worker);
    let live = true;
    weaver
      .weave(picture, asked)
      .then((woven) => live && setResult({ woven, fault: null }))
      .catch(
        (error: unknown) =>
          live &&
          setResult({ woven: null, fault: error instanceof Error ? error.message : String(error) }),
      );
    return () => {
      live = false;
      weaver[releaseProxy]();
      worker.terminate();
    };
  }, [picture, wanted]);
  return result;
}
