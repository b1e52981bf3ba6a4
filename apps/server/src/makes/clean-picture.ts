import type { PhotoType } from '@coiled-strand/contract';
import sharp from 'sharp';

/** Pixels of the largest camera that makers have, and some: beyond it a small file is a trap. */
const MAX_PIXELS = 60_000_000;
/** Good enough that nobody sees the difference; a photo is written anew once. */
const QUALITY = 90;

const TYPE_OF: Readonly<Record<string, PhotoType>> = {
  jpeg: 'image/jpeg',
  png: 'image/png',
  webp: 'image/webp',
};

export interface CleanPicture {
  readonly type: PhotoType;
  readonly bytes: Buffer;
}

/**
 * A photo as it may be kept: decoded whole, turned as the camera was held, and written anew without what the
 * camera wrote beside the picture (where it was taken, with what, by whom). The colours stay.
 *
 * @returns null for what is no picture of these types, is broken, or has more pixels than any camera
 */
export async function cleanPicture(bytes: Buffer): Promise<CleanPicture | null> {
  try {
    const picture = sharp(bytes, { failOn: 'error', limitInputPixels: MAX_PIXELS });
    const { format } = await picture.metadata();
    const type = TYPE_OF[format ?? ''];
    if (type === undefined) return null;
    const upright = picture.autoOrient().keepIccProfile();
    const written =
      type === 'image/png'
        ? upright.png()
        : type === 'image/jpeg'
          ? upright.jpeg({ quality: QUALITY })
          : upright.webp({ quality: QUALITY });
    return { type, bytes: await written.toBuffer() };
  } catch {
    // The library throws for everything that it cannot decode, and says no more than its words.
    return null;
  }
}
