import type { PieceView } from '@coiled-strand/contract';
import type { Piece } from '@coiled-strand/core';
import { create } from 'zustand';
import { sameDocument } from './differences';
import { dropDraft, keepDraft, readDraft } from './draft';
import * as history from './history';

/** saved: as stored; saving: on its way; waiting: no answer, tried again; refused: the server says why. */
export type SaveState = 'saved' | 'saving' | 'waiting' | 'refused';

export interface Conflict {
  /** The piece as another window stored it. */
  readonly theirs: PieceView;
}

interface PieceState {
  readonly id: string | null;
  readonly history: history.History<Piece> | null;
  /** The piece as the server last confirmed it, with its version. */
  readonly stored: { readonly version: number; readonly piece: Piece } | null;
  readonly save: SaveState;
  /** What is on its way to the server, so that its own echo is not taken for another window's. */
  readonly inFlight: Piece | null;
  readonly refusal: string | null;
  readonly conflict: Conflict | null;

  readonly open: (view: PieceView) => void;
  readonly edit: (change: (piece: Piece) => Piece, mergeKey?: string) => void;
  readonly undo: () => void;
  readonly redo: () => void;
  readonly sending: (piece: Piece) => void;
  readonly setSave: (save: Exclude<SaveState, 'saving'>, refusal?: string) => void;
  readonly confirmed: (view: PieceView, sent: Piece) => void;
  readonly collided: (theirs: PieceView) => void;
  readonly keepMine: () => void;
  readonly takeTheirs: () => void;
  readonly close: () => void;
}

const CLOSED = {
  id: null,
  history: null,
  stored: null,
  save: 'saved',
  inFlight: null,
  refusal: null,
  conflict: null,
} as const;

/** Whether there are edits that the server has not confirmed. */
export const isDirty = ({ history: h, stored }: Pick<PieceState, 'history' | 'stored'>): boolean =>
  h !== null && stored !== null && !sameDocument(h.now, stored.piece);

/** The piece on the bench: its document with undo, and how it stands with the server. */
export const usePiece = create<PieceState>()((set, get) => {
  const change = (next: history.History<Piece>): void => {
    const { id, stored } = get();
    set({ history: next });
    if (id !== null && stored !== null) {
      keepDraft(id, { version: stored.version, piece: next.now });
    }
  };
  return {
    ...CLOSED,

    open(view) {
      const { id, stored, history: current, conflict, inFlight } = get();
      const fresh = { version: view.version, piece: view.piece };
      if (id !== view.id) {
        const draft = readDraft(view.id);
        const unsent = draft !== null && !sameDocument(draft.piece, view.piece);
        if (!unsent) dropDraft(view.id);
        const begun = history.begin(view.piece);
        set({
          ...CLOSED,
          id: view.id,
          stored: fresh,
          history: unsent ? history.edit(begun, draft.piece) : begun,
          conflict: unsent && draft.version !== view.version ? { theirs: view } : null,
        });
        return;
      }
      if (!stored || !current || conflict || view.version <= stored.version) return;
      if (inFlight && sameDocument(view.piece, inFlight)) return;
      if (isDirty({ history: current, stored })) {
        set({ conflict: { theirs: view } });
      } else {
        // Another window went on with it; this one follows, and undo leads back.
        set({ stored: fresh, history: history.edit(current, view.piece) });
      }
    },

    edit(recipe, mergeKey) {
      const { history: current } = get();
      if (!current) return;
      const next = recipe(current.now);
      if (sameDocument(next, current.now)) return;
      change(history.edit(current, next, mergeKey ?? null));
    },
    undo() {
      const { history: current } = get();
      if (current) change(history.undo(current));
    },
    redo() {
      const { history: current } = get();
      if (current) change(history.redo(current));
    },

    sending: (piece) => set({ save: 'saving', inFlight: piece }),
    setSave: (save, refusal) => set({ save, refusal: refusal ?? null, inFlight: null }),

    confirmed(view, sent) {
      const { id, history: current } = get();
      if (id !== view.id || !current) return;
      set({
        stored: { version: view.version, piece: sent },
        save: 'saved',
        inFlight: null,
        refusal: null,
      });
      if (sameDocument(current.now, sent)) dropDraft(view.id);
      else keepDraft(view.id, { version: view.version, piece: current.now });
    },

    collided(theirs) {
      const { history: current } = get();
      // Two windows that made the same change agree already.
      if (current && sameDocument(current.now, theirs.piece)) {
        get().confirmed(theirs, theirs.piece);
        return;
      }
      set({ conflict: { theirs }, save: 'saved', inFlight: null });
    },

    keepMine() {
      const { conflict, history: current } = get();
      if (!conflict || !current) return;
      const { version, piece } = conflict.theirs;
      set({ conflict: null, stored: { version, piece } });
      // Their state goes into the past, so that undo still reaches it.
      change(history.edit(history.edit(current, piece), current.now));
    },
    takeTheirs() {
      const { conflict, history: current } = get();
      if (!conflict || !current) return;
      const { id, version, piece } = conflict.theirs;
      set({
        conflict: null,
        stored: { version, piece },
        history: history.edit(current, piece),
        save: 'saved',
      });
      dropDraft(id);
    },

    close: () => set(CLOSED),
  };
});

/**
 * One part of the document. Edits keep what they do not touch, so whoever looks at a part is drawn anew
 * only when that part changes, not with every move of a drag.
 */
export function usePiecePart<T>(select: (piece: Piece) => T): T {
  return usePiece((state) => {
    if (!state.history) throw new Error('no piece is open');
    return select(state.history.now);
  });
}

/** The document on the bench; only rendered below the route that opens it. */
export function usePieceDocument(): Piece {
  const piece = usePiece((state) => state.history?.now);
  if (!piece) throw new Error('no piece is open');
  return piece;
}
