import type { PhotoType } from '@coiled-strand/contract';
import sharp from 'sharp';

/**
 * Points of a picture that is decoded whole. A few hundred MB are needed for them: beyond it a small file is a trap.
 */
const WHOLE = 24_000_000;
/** Points of the largest camera that makers have, and some: a JPEG can be made smaller while it is read. */
const SHRUNK = 60_000_000;
/** Good enough that nobody sees the difference; a photo is written anew once. */
const QUALITY = 90;
/** Longest side of a thumbnail in px: twice what a page shows, for fine screens. */
const SIDE = 360;

const TYPE_OF: Readonly<Record<string, PhotoType>> = {
  jpeg: 'image/jpeg',
  png: 'image/png',
  webp: 'image/webp',
};

export interface CleanPicture {
  readonly type: PhotoType;
  readonly bytes: Buffer;
}

/** What is done with a picture; both ends of the process know it by these names. */
export const WORK = { clean, small } as const;
export type Work = keyof typeof WORK;

/**
 * A photo as it may be kept: decoded whole, turned as the camera was held, and written anew without what the
 * camera wrote beside the picture (where it was taken, with what, by whom). The colours stay.
 *
 * @returns null for what is no picture of these types, is broken, or has more points than can be decoded
 */
async function clean(bytes: Uint8Array): Promise<CleanPicture | null> {
  try {
    const options = { failOn: 'error', limitInputPixels: SHRUNK } as const;
    const { format, width, height } = await sharp(bytes, options).metadata();
    const type = TYPE_OF[format ?? ''];
    if (type === undefined) return null;
    const points = width * height;
    if (points > WHOLE && type !== 'image/jpeg') return null;
    const read = sharp(bytes, options);
    // Half as wide and half as high, which the file itself has ready.
    const fitting = points > WHOLE ? read.resize(Math.floor(width / 2)) : read;
    const upright = fitting.autoOrient().keepIccProfile();
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

/** A picture made small. */
async function small(bytes: Uint8Array): Promise<Buffer | null> {
  try {
    return await sharp(bytes, { limitInputPixels: SHRUNK })
      .resize(SIDE, SIDE, { fit: 'inside', withoutEnlargement: true })
      .webp({ quality: 78 })
      .toBuffer();
  } catch {
    return null;
  }
}
