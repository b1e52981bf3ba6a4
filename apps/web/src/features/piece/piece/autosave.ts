import { sameDocument, type Piece } from '@coiled-strand/core';
import type { PieceView } from '@coiled-strand/contract';
import { nanoid } from 'nanoid';
import { useEffect } from 'react';
import { hearWindows, tellWindows } from '../../../data/device/windows';
import { ApiError, call, isElsewhere, isGone, isPassing } from '../../../data/api/client';
import { keys, queryClient } from '../../../data/api/queries';
import { useOutbox } from '../../../data/outbox/outbox';
import { dropDraft } from './draft';
import { isDirty, usePiece } from './piece-store';

const SETTLE_MS = 350;
const RETRY_MS = [1000, 2000, 4000, 8000] as const;

/** Other windows of this browser hear that a piece changed, so that they fetch it at once. */
const PIECE = 'piece';

let timer: ReturnType<typeof setTimeout> | undefined;
/** The save under way, with the version it leads to, or null when it fails. */
let sending: Promise<number | null> | null = null;
let failures = 0;
/** What was sent last: sent again, it is the same request. */
let last: { readonly sent: Piece; readonly request: string } | null = null;

function schedule(delay: number): void {
  clearTimeout(timer);
  timer = setTimeout(() => void send(), delay);
}

async function put(
  id: string,
  piece: Piece,
  seen: number,
  request: string,
  doneBy = useOutbox.getState().owner,
): Promise<PieceView> {
  const view = await call<PieceView>(`/pieces/${id}`, {
    method: 'PUT',
    body: piece,
    ifMatch: seen,
    request,
    keepalive: true,
    doneBy,
  });
  queryClient.setQueryData(keys.piece(id), view);
  void queryClient.invalidateQueries({ queryKey: keys.pieces });
  tellWindows(PIECE, id);
  return view;
}

async function send(): Promise<void> {
  const state = usePiece.getState();
  const { id, history, stored, conflict, save } = state;
  if (sending || conflict || save === 'gone' || id === null || !history || !stored) return;
  if (!isDirty(state)) return;
  const sent = history.now;
  const request = last && sameDocument(last.sent, sent) ? last.request : nanoid();
  last = { sent, request };
  state.sending(sent, request);
  sending = put(id, sent, stored.version, request).then(
    (view) => {
      failures = 0;
      usePiece.getState().confirmed(view, sent);
      return view.version;
    },
    (error: unknown) => {
      fail(id, error);
      return null;
    },
  );
  await sending;
  sending = null;
  if (isDirty(usePiece.getState()) && failures === 0) schedule(SETTLE_MS);
}

/**
 * Takes the piece off the bench; an edit of the last moment is still sent. When it does not arrive,
 * the browser's copy of it waits for the piece to be opened again.
 */
export async function leave(): Promise<void> {
  const state = usePiece.getState();
  const { id, history, stored, conflict, save } = state;
  const { owner } = useOutbox.getState();
  const unsent = isDirty(state) && !conflict && save !== 'gone';
  clearTimeout(timer);
  last = null;
  state.close();
  if (!unsent || id === null || !history || !stored) return;
  const seen = (await sending) ?? stored.version;
  try {
    await put(id, history.now, seen, nanoid(), owner);
    if (usePiece.getState().id !== id) await dropDraft(id);
  } catch {
    // The draft stays; opening the piece sends it, or asks when the piece was changed meanwhile.
  }
}

function fail(id: string, error: unknown): void {
  const state = usePiece.getState();
  if (state.id !== id) return;
  if (error instanceof ApiError && error.status === 412 && error.body.current) {
    state.collided(error.body.current);
    return;
  }
  if (isGone(error)) {
    state.setSave('gone');
    return;
  }
  if (isPassing(error) || isElsewhere(error)) {
    state.setSave('waiting', error instanceof ApiError ? error.message : undefined);
    schedule(RETRY_MS[Math.min(failures, RETRY_MS.length - 1)] as number);
    failures += 1;
    return;
  }
  state.setSave('refused', (error as Error).message);
}

/** Saves every edit by itself, again and again until it arrives; never asks. */
export function useAutosave(): void {
  useEffect(() => {
    const stop = usePiece.subscribe((state, before) => {
      const edited = state.history?.now !== before.history?.now;
      const settled =
        (before.conflict !== null && state.conflict === null) ||
        (before.save === 'gone' && state.save !== 'gone');
      if ((edited || settled) && isDirty(state)) {
        failures = 0;
        if (state.save !== 'gone') schedule(SETTLE_MS);
      } else if (edited && state.save === 'refused') {
        state.setSave('saved');
      }
    });
    // An edit restored from the browser's copy is sent without waiting for the next one.
    if (isDirty(usePiece.getState())) schedule(0);
    const stopHearing = hearWindows<string>(
      PIECE,
      (id) => void queryClient.invalidateQueries({ queryKey: keys.piece(id) }),
    );
    const now = (): void => void send();
    window.addEventListener('online', now);
    window.addEventListener('pagehide', now);
    return () => {
      stop();
      stopHearing();
      window.removeEventListener('online', now);
      window.removeEventListener('pagehide', now);
    };
  }, []);
}
