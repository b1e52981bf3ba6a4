import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { emptyOutbox } from '../../../data/outbox/testing';
import type { PieceView } from '@coiled-strand/contract';
import { EXAMPLE_PIECE, type Piece } from '@coiled-strand/core';
import { act, render } from '@testing-library/react';
import { leave, useAutosave } from './autosave';
import { readDrafts } from './draft';
import { usePiece } from './piece-store';

// A server of one piece with versions, to have it fail at will; the real one is in the browser tests.
const fresh = {
  version: 1,
  piece: EXAMPLE_PIECE,
  changedBy: null as string | null,
  away: false,
  putAway: false,
  losesAnswer: false,
  puts: 0,
};
const server = { ...fresh };
const readDraft = (id: string) => readDrafts(id)[0]?.draft ?? null;
const view = (): PieceView => ({
  id: 'p',
  version: server.version,
  piece: server.piece,
  changedBy: server.changedBy,
  updatedAt: '',
  make: null,
  underWay: 0,
  logged: 0,
  tags: [],
});
const answer = (status: number, body: unknown): Response =>
  ({ ok: status < 400, status, text: () => Promise.resolve(JSON.stringify(body)) }) as Response;

function Saver() {
  useAutosave();
  return null;
}
const setWrist = (wrist: number): void =>
  act(() => usePiece.getState().edit((p) => ({ ...p, wearer: { ...p.wearer, wrist } })));
const wait = (ms: number): Promise<void> => act(() => jest.advanceTimersByTimeAsync(ms));

beforeEach(() => {
  jest.useFakeTimers();
  emptyOutbox();
  Object.assign(server, fresh);
  globalThis.fetch = ((_path: string, init: RequestInit) => {
    if (server.away) return Promise.reject(new TypeError('Failed to fetch'));
    server.puts += 1;
    if (server.putAway) {
      const error = { code: 'piece.put-away', message: 'x', remedy: 'y' };
      return Promise.resolve(answer(410, { error }));
    }
    const headers = init.headers as Record<string, string>;
    const seen = headers['If-Match'];
    if (seen !== `"${server.version}"`) {
      const error = { code: 'piece.changed', message: 'x', remedy: 'y', current: view() };
      return Promise.resolve(answer(412, { error }));
    }
    server.version += 1;
    server.piece = JSON.parse(init.body as string) as Piece;
    server.changedBy = headers['Idempotency-Key'] ?? null;
    if (server.losesAnswer) {
      server.losesAnswer = false;
      return Promise.reject(new TypeError('Failed to fetch'));
    }
    return Promise.resolve(answer(200, view()));
  }) as typeof fetch;
  usePiece.getState().close();
  usePiece.getState().open(view());
  render(<Saver />);
});
afterEach(async () => {
  await leave();
  jest.useRealTimers();
});

describe('autosave', () => {
  it('saves by itself once the hand rests', async () => {
    for (const wrist of [181, 182, 184]) setWrist(wrist);
    expect(server.puts).toBe(0);
    await wait(1000);
    expect(server.puts).toBe(1);
    expect(server.piece.wearer.wrist).toBe(184);
    expect(usePiece.getState().save).toBe('saved');
  });

  it('tries again until the server is back', async () => {
    server.away = true;
    setWrist(184);
    await wait(4000);
    expect(usePiece.getState().save).toBe('waiting');
    expect(readDraft('p')?.piece.wearer.wrist).toBe(184);
    server.away = false;
    await wait(9000);
    expect(server.piece.wearer.wrist).toBe(184);
    expect(readDraft('p')).toBeNull();
  });

  it('stops and asks when another window was first', async () => {
    server.version = 2;
    server.piece = { ...EXAMPLE_PIECE, wearer: { ...EXAMPLE_PIECE.wearer, wrist: 160 } };
    setWrist(184);
    await wait(2000);
    expect(server.puts).toBe(1);
    expect(usePiece.getState().conflict?.theirs.piece.wearer.wrist).toBe(160);
    act(() => usePiece.getState().keepMine());
    await wait(1000);
    expect(server.piece.wearer.wrist).toBe(184);
  });

  it('puts what another window changed elsewhere in the piece together with this, and saves both', async () => {
    server.version = 2;
    server.piece = { ...EXAMPLE_PIECE, name: 'Theirs' };
    setWrist(184);
    await wait(2000);
    expect(server.piece).toMatchObject({ name: 'Theirs', wearer: { wrist: 184 } });
    expect(server.version).toBe(3);
  });

  it('has no conflict with itself when the answer is lost after it was stored', async () => {
    server.losesAnswer = true;
    setWrist(184);
    await wait(500);
    expect(server.version).toBe(2);
    expect(usePiece.getState().save).toBe('waiting');
    setWrist(185);
    await wait(3000);
    expect(usePiece.getState().conflict).toBeNull();
    expect(server.piece.wearer.wrist).toBe(185);
    expect(server.version).toBe(3);
    expect(readDraft('p')).toBeNull();
  });

  it('ends its tries when the piece was put away, and goes on when it is back', async () => {
    server.putAway = true;
    setWrist(184);
    await wait(60_000);
    expect(server.puts).toBe(1);
    expect(usePiece.getState().save).toBe('gone');
    setWrist(185);
    await wait(60_000);
    expect(server.puts).toBe(1);
    expect(readDraft('p')?.piece.wearer.wrist).toBe(185);
    server.putAway = false;
    act(() => usePiece.getState().setSave('saved'));
    await wait(1000);
    expect(server.piece.wearer.wrist).toBe(185);
    expect(usePiece.getState().save).toBe('saved');
  });

  it('sends what was edited in the last moment before leaving', async () => {
    setWrist(184);
    await act(() => leave());
    expect(server.piece.wearer.wrist).toBe(184);
    expect(readDraft('p')).toBeNull();
    expect(usePiece.getState().id).toBeNull();
  });

  it('keeps it in the browser when it cannot be sent on leaving', async () => {
    server.away = true;
    setWrist(184);
    await act(() => leave());
    expect(readDraft('p')).toMatchObject({ version: 1, piece: { wearer: { wrist: 184 } } });
  });
});
