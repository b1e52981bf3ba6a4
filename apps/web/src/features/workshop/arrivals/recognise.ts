import { readBand, readPieceFile, type FileFault } from '@coiled-strand/core';
import type { Sheet } from '../lists/sheet';

/** Something that was dropped, pasted or chosen, as what it was recognised. */
export type Arrival = { readonly name: string } & (
  | { readonly kind: 'piece'; readonly file: object }
  | { readonly kind: 'bad-piece'; readonly faults: readonly FileFault[] }
  | { readonly kind: 'band'; readonly text: string }
  | { readonly kind: 'table'; readonly sheet: Sheet }
  | { readonly kind: 'picture'; readonly file: File }
  | { readonly kind: 'unknown'; readonly why: string }
);

/** Larger than any text that is meant for this program. */
const MAX_CHARACTERS = 2_000_000;

const UNKNOWN =
  'This is none of what can be taken in: the file of a piece, a picture, the pattern of a band as text, or a table (CSV) of beads, cords, findings or wearers.';

/** What a file is. */
export async function recogniseFile(file: File): Promise<Arrival> {
  const { name } = file;
  if (file.type.startsWith('image/')) return { name, kind: 'picture', file };
  if (file.size > MAX_CHARACTERS) {
    return {
      name,
      kind: 'unknown',
      why: 'The file is larger than 2 MB. A piece, a pattern or a table takes a few kilobytes.',
    };
  }
  return recogniseText(name, await file.text());
}

/** What a text is, whatever it is called. */
export async function recogniseText(name: string, raw: string): Promise<Arrival> {
  const text = raw.replace(/^\ufeff/, '');
  if (/^\s*[{[]/.test(text)) {
    const read = readPieceFile(text);
    return read.ok
      ? { name, kind: 'piece', file: read.value }
      : { name, kind: 'bad-piece', faults: read.faults };
  }
  // A pattern that tells its strands is meant as one, also where something in it is wrong.
  if (readBand(text).ok || /^\s*strands\s*:/im.test(text)) return { name, kind: 'band', text };
  return asTable(name, text);
}

async function asTable(name: string, text: string): Promise<Arrival> {
  // What reads tables is only fetched when one may have come.
  const { readSheet } = await import('../lists/sheet');
  const { listOf } = await import('../lists/read-table');
  const meant = name.toLowerCase().endsWith('.csv');
  try {
    const sheet = readSheet(text);
    if (meant || listOf(sheet) !== null) return { name, kind: 'table', sheet };
    return { name, kind: 'unknown', why: UNKNOWN };
  } catch (error) {
    return { name, kind: 'unknown', why: meant ? (error as Error).message : UNKNOWN };
  }
}
