import { sameDocument, type Piece } from '@coiled-strand/core';
import type { PieceView } from '@coiled-strand/contract';
import { create } from 'zustand';
import { useOutbox } from '../../../data/outbox/outbox';
import { dropDraft, keepDraft, readDrafts } from './draft';
import * as history from './history';
import { merge } from '../../../data/api/merge';

/**
 * saved: as stored; saving: on its way; waiting: no answer, tried again; refused: the server says why;
 * gone: the piece was put away, and nothing is tried again until it is brought back.
 */
export type SaveState = 'saved' | 'saving' | 'waiting' | 'refused' | 'gone';

export interface Conflict {
  /** The piece as another window stored it. */
  readonly theirs: PieceView;
  /** The window that what was changed here lies under, when one that was closed left it. */
  readonly window?: string;
}

interface PieceState {
  readonly id: string | null;
  readonly history: history.History<Piece> | null;
  /** The piece as the server last confirmed it, with its version. */
  readonly stored: { readonly version: number; readonly piece: Piece } | null;
  readonly save: SaveState;
  /** What is on its way to the server, so that its own echo is not taken for another window's. */
  readonly inFlight: Piece | null;
  /** Requests without an answer: where one of them was carried out, nobody else changed the piece. */
  readonly unanswered: readonly string[];
  readonly refusal: string | null;
  readonly conflict: Conflict | null;
  /** How often what another window changed was put together with what was changed here. */
  readonly merges: number;

  /** Whether whoever looks at it may not change it. */
  readonly readOnly: boolean;

  readonly open: (view: PieceView) => void;
  readonly edit: (change: (piece: Piece) => Piece, mergeKey?: string) => void;
  readonly undo: () => void;
  readonly redo: () => void;
  readonly sending: (piece: Piece, request: string) => void;
  readonly setSave: (save: Exclude<SaveState, 'saving'>, refusal?: string) => void;
  readonly confirmed: (view: PieceView, sent: Piece) => void;
  readonly collided: (theirs: PieceView) => void;
  readonly keepMine: () => void;
  readonly takeTheirs: () => void;
  readonly close: () => void;
}

/** So many requests without an answer are remembered. */
const MAX_REQUESTS = 50;

const CLOSED = {
  id: null,
  history: null,
  stored: null,
  save: 'saved',
  inFlight: null,
  unanswered: [],
  refusal: null,
  conflict: null,
  merges: 0,
} as const;

/** Whether there are edits that the server has not confirmed. */
export const isDirty = ({ history: h, stored }: Pick<PieceState, 'history' | 'stored'>): boolean =>
  h !== null && stored !== null && !sameDocument(h.now, stored.piece);

/** The piece on the bench: its document with undo, and how it stands with the server. */
export const usePiece = create<PieceState>()((set, get) => {
  /** Keeps what is here beside what it was made of, or lets go of it where the server has the same. */
  const keep = (): void => {
    const { id, stored, history: current, unanswered } = get();
    if (id === null || stored === null || !current) return;
    const { version, piece: base } = stored;
    const now = current.now;
    if (sameDocument(now, base)) void dropDraft(id);
    else void keepDraft(id, { version, base, piece: now, requests: unanswered });
  };
  const change = (next: history.History<Piece>): void => {
    set({ history: next });
    keep();
  };
  /** Puts what is here together with what was stored meanwhile; undo leads over that back to this. */
  const follow = (theirs: PieceView, base: Piece | null): boolean => {
    const { history: current } = get();
    if (!current) return false;
    const both = base && merge(base, current.now, theirs.piece);
    if (!both) return false;
    const { version, piece } = theirs;
    const past = history.edit(current, piece);
    set(({ merges }) => ({
      stored: { version, piece },
      history: sameDocument(both, piece) ? past : history.edit(past, both),
      merges: sameDocument(both, piece) ? merges : merges + 1,
      save: 'saved',
      inFlight: null,
      refusal: null,
    }));
    keep();
    return true;
  };
  /** What windows of this browser left unsent: put together, until two of them clash and somebody must choose. */
  const takeUpDrafts = (view: PieceView): void => {
    for (const { window, draft } of readDrafts(view.id)) {
      const { version, piece, requests } = draft;
      const { history: current, conflict } = get();
      if (!current || conflict) return;
      const own = version === view.version || requests.includes(view.changedBy ?? '');
      const base = own ? view.piece : draft.base;
      const both = sameDocument(piece, view.piece)
        ? current.now
        : base && merge(base, piece, current.now);
      if (!both) {
        // It stays where it lies, with what it was made of, until somebody has chosen.
        set({ history: history.edit(current, piece), conflict: { theirs: view, window } });
        return;
      }
      if (!sameDocument(both, current.now)) set({ history: history.edit(current, both) });
      settle(view.id, window);
    }
  };
  /** What lay there is here now: kept as this window's, which may be under the same name. */
  const settle = (id: string, window: string | undefined): void => {
    keep();
    if (window === undefined) return;
    void dropDraft(id, window);
    keep();
  };
  return {
    ...CLOSED,
    readOnly: false,

    open(view) {
      const { id, stored, history: current, conflict, inFlight, unanswered, save } = get();
      const fresh = { version: view.version, piece: view.piece };
      if (id !== view.id) {
        set({ ...CLOSED, id: view.id, stored: fresh, history: history.begin(view.piece) });
        takeUpDrafts(view);
        return;
      }
      // It is there again: what waits for it is sent.
      if (save === 'gone') set({ save: 'saved', refusal: null });
      if (!stored || !current || conflict || view.version <= stored.version) return;
      if (inFlight && sameDocument(view.piece, inFlight)) return;
      if (view.changedBy !== null && unanswered.includes(view.changedBy)) {
        get().confirmed(view, view.piece);
      } else if (isDirty({ history: current, stored })) {
        if (!follow(view, stored.piece)) set({ conflict: { theirs: view } });
      } else {
        // Another window went on with it; this one follows, and undo leads back.
        set({ stored: fresh, history: history.edit(current, view.piece) });
      }
    },

    edit(recipe, mergeKey) {
      const { history: current, readOnly } = get();
      if (!current || readOnly) return;
      const next = recipe(current.now);
      if (sameDocument(next, current.now)) return;
      change(history.edit(current, next, mergeKey ?? null));
    },
    undo() {
      const { history: current, readOnly } = get();
      if (current && !readOnly) change(history.undo(current));
    },
    redo() {
      const { history: current, readOnly } = get();
      if (current && !readOnly) change(history.redo(current));
    },

    sending: (piece, request) => {
      set(({ unanswered }) => ({
        save: 'saving',
        inFlight: piece,
        unanswered: [...unanswered.filter((one) => one !== request), request].slice(-MAX_REQUESTS),
      }));
      keep();
    },
    setSave: (save, refusal) => set({ save, refusal: refusal ?? null, inFlight: null }),

    confirmed(view, sent) {
      const { id, history: current } = get();
      if (id !== view.id || !current) return;
      set({
        stored: { version: view.version, piece: sent },
        save: 'saved',
        inFlight: null,
        unanswered: [],
        refusal: null,
      });
      keep();
    },

    collided(theirs) {
      const { history: current, stored, unanswered } = get();
      // The answer was lost, and nobody but this window changed it.
      if (theirs.changedBy !== null && unanswered.includes(theirs.changedBy)) {
        get().confirmed(theirs, theirs.piece);
        return;
      }
      // Two windows that made the same change agree already.
      if (current && sameDocument(current.now, theirs.piece)) {
        get().confirmed(theirs, theirs.piece);
        return;
      }
      if (!follow(theirs, stored?.piece ?? null)) {
        set({ conflict: { theirs }, save: 'saved', inFlight: null });
      }
    },

    keepMine() {
      const { conflict, history: current } = get();
      if (!conflict || !current) return;
      const { id, version, piece } = conflict.theirs;
      set({
        conflict: null,
        stored: { version, piece },
        // Their state goes into the past, so that undo still reaches it.
        history: history.edit(history.edit(current, piece), current.now),
      });
      settle(id, conflict.window);
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
      settle(id, conflict.window);
    },

    close: () => set(CLOSED),
  };
});

// What is on the bench is whose who opened it: somebody else, or another workshop, does not go on with it.
useOutbox.subscribe(({ owner }, { owner: before }) => {
  if (owner !== before && before !== '') usePiece.getState().close();
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
