import type { Piece } from '@coiled-strand/core';

/** Edits that the server has not confirmed yet, kept in the browser so that no crash loses them. */
export interface Draft {
  /** Version of the stored piece that the edits were made on. */
  readonly version: number;
  readonly piece: Piece;
}

const keyOf = (id: string): string => `coiled-strand.draft.${id}`;

export function readDraft(id: string): Draft | null {
  try {
    const text = localStorage.getItem(keyOf(id));
    return text === null ? null : (JSON.parse(text) as Draft);
  } catch {
    return null;
  }
}

export function keepDraft(id: string, draft: Draft): void {
  try {
    localStorage.setItem(keyOf(id), JSON.stringify(draft));
  } catch {
    // A full or forbidden store leaves the copy in memory, which is saved as soon as it can be.
  }
}

export function dropDraft(id: string): void {
  try {
    localStorage.removeItem(keyOf(id));
  } catch {
    // Nothing was kept, so nothing is to be dropped.
  }
}
