import { upgradePiece, type Piece } from '@coiled-strand/core';
import { nanoid } from 'nanoid';

/** Edits of one window that the server has not confirmed yet, kept in the browser so that no crash loses them. */
export interface Draft {
  /** Version of the stored piece that the edits were made on. */
  readonly version: number;
  /** That piece; null in what older versions kept. */
  readonly base: Piece | null;
  readonly piece: Piece;
  /** Requests that got no answer: any of them may have been carried out. */
  readonly requests: readonly string[];
}

/** This window among all that have the piece open. */
const WINDOW = nanoid();
const prefixOf = (id: string): string => `coiled-strand.draft.${id}`;
const keyOf = (id: string): string => `${prefixOf(id)}.${WINDOW}`;

function parse(text: string | null): Draft | null {
  try {
    const { version, piece, base = null, requests = [] } = JSON.parse(text ?? '') as Draft;
    // It may be of an older program, as a file may be.
    return {
      version,
      piece: upgradePiece(piece) as Piece,
      base: upgradePiece(base) as Piece | null,
      requests,
    };
  } catch {
    return null;
  }
}

/** A draft and where it lies. */
export interface Kept {
  readonly key: string;
  readonly draft: Draft;
}

/** What every window of this browser kept of a piece: those that were closed, and those that wait for the server. */
export function readDrafts(id: string): Kept[] {
  return Object.keys(localStorage)
    .filter((key) => key === prefixOf(id) || key.startsWith(`${prefixOf(id)}.`))
    .flatMap((key) => {
      const draft = parse(localStorage.getItem(key));
      return draft ? [{ key, draft }] : [];
    });
}

/** @returns whether there was room for it: if not, this window alone knows it */
export function keepDraft(id: string, draft: Draft): boolean {
  try {
    localStorage.setItem(keyOf(id), JSON.stringify(draft));
    return true;
  } catch {
    return false;
  }
}

export const dropDraft = (id: string, key = keyOf(id)): void => localStorage.removeItem(key);
