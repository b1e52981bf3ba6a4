import regular from '@fontsource/rosario/files/rosario-latin-400-normal.woff?url';
import bold from '@fontsource/rosario/files/rosario-latin-600-normal.woff?url';
import regularMore from '@fontsource/rosario/files/rosario-latin-ext-400-normal.woff?url';
import boldMore from '@fontsource/rosario/files/rosario-latin-ext-600-normal.woff?url';
import { expose, transfer } from 'comlink';
import type { Printed } from './document';
import type { PaperFonts } from './fonts';
import { printed, type PaperOrder } from './order';
import { unpackedFont } from './unpacked';

async function fetched(url: string): Promise<ArrayBuffer> {
  const answer = await fetch(url);
  if (!answer.ok) throw new Error('The letters to print with could not be fetched.');
  return unpackedFont(await answer.arrayBuffer());
}

async function fontsHere(): Promise<PaperFonts> {
  const [a, b, c, d] = await Promise.all([regular, bold, regularMore, boldMore].map(fetched));
  return { regular: a!, bold: b!, regularMore: c!, boldMore: d! };
}

let fonts: Promise<PaperFonts> | null = null;

const press = {
  /** Fetches the letters, so that the first sheet need not wait for them. */
  async ready(): Promise<void> {
    await (fonts ??= fontsHere()).catch(() => (fonts = null));
  },
  async print(order: PaperOrder): Promise<Printed> {
    fonts ??= fontsHere();
    try {
      const made = await printed(order, await fonts);
      return transfer(made, [made.file.buffer]);
    } catch (error) {
      // Without a network it may be tried again.
      fonts = null;
      throw error;
    }
  },
};
export type PaperWorker = typeof press;

expose(press);
