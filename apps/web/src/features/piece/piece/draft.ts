import { upgradePiece, type Piece } from '@coiled-strand/core';
import { nanoid } from 'nanoid';
import { drop, entriesOf, keep } from '../../../data/outbox/outbox';

/** Edits of one window that the server has not confirmed yet, kept in the browser so that no crash loses them. */
export interface Draft {
  /** Version of the stored piece that the edits were made on. */
  readonly version: number;
  /** That piece; null where it is not known. */
  readonly base: Piece | null;
  readonly piece: Piece;
  /** Requests that got no answer: any of them may have been carried out. */
  readonly requests: readonly string[];
}

/** This window among all that have the piece open. */
const WINDOW = nanoid();

function upgraded({ version, piece, base, requests }: Draft): Draft {
  // It may be of an older program, as a file may be.
  return {
    version,
    piece: upgradePiece(piece) as Piece,
    base: upgradePiece(base) as Piece | null,
    requests,
  };
}

/** A draft and the window that left it. */
export interface Kept {
  readonly window: string;
  readonly draft: Draft;
}

/** What every window of this browser kept of a piece: those that were closed, and those that wait for the server. */
export const readDrafts = (id: string): Kept[] =>
  entriesOf<Draft>('draft', id).map(({ part, value }) => ({
    window: part,
    draft: upgraded(value),
  }));

export const keepDraft = (id: string, draft: Draft): Promise<void> =>
  keep('draft', id, WINDOW, draft);

export const dropDraft = (id: string, window = WINDOW): Promise<void> => drop('draft', id, window);
