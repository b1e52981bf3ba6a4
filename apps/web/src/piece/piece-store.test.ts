import { beforeEach, describe, expect, it } from '@jest/globals';
import type { PieceView } from '@coiled-strand/contract';
import { EXAMPLE_PIECE, type Piece } from '@coiled-strand/core';
import { readDraft } from './draft';
import { isDirty, usePiece } from './piece-store';

const piece = (wrist = 180): Piece => ({
  ...EXAMPLE_PIECE,
  wearer: { name: 'x', wrist },
});
const view = (version: number, wrist = 180, id = 'p1'): PieceView => ({
  id,
  version,
  piece: piece(wrist),
  updatedAt: '2026-01-01T00:00:00.000Z',
  make: null,
  underWay: 0,
  logged: 0,
});
const store = () => usePiece.getState();
const wrist = (): number | undefined => store().history?.now.wearer.wrist;
const setWrist = (mm: number): void =>
  store().edit((p) => ({ ...p, wearer: { ...p.wearer, wrist: mm } }));

beforeEach(() => {
  localStorage.clear();
  store().close();
  store().open(view(1));
});

describe('the piece on the bench', () => {
  it('keeps an edit in the browser until the server has it', () => {
    setWrist(170);
    expect(isDirty(store())).toBe(true);
    expect(readDraft('p1')).toEqual({ version: 1, piece: piece(170) });
    store().confirmed(view(2, 170), piece(170));
    expect(isDirty(store())).toBe(false);
    expect(readDraft('p1')).toBeNull();
  });

  it('keeps what was edited while a save was on its way', () => {
    setWrist(170);
    setWrist(171);
    store().confirmed(view(2, 170), piece(170));
    expect(isDirty(store())).toBe(true);
    expect(readDraft('p1')).toEqual({ version: 2, piece: piece(171) });
  });

  it('comes back with unsent edits after a crash, undo reaching the stored piece', () => {
    setWrist(170);
    store().close();
    store().open(view(1));
    expect(wrist()).toBe(170);
    expect(store().conflict).toBeNull();
    store().undo();
    expect(wrist()).toBe(180);
  });

  it('asks when the piece was changed elsewhere since those unsent edits', () => {
    setWrist(170);
    store().close();
    store().open(view(4, 165));
    expect(store().conflict?.theirs.version).toBe(4);
    expect(wrist()).toBe(170);
  });

  it('follows another window when nothing is unsent here', () => {
    store().open(view(2, 165));
    expect(wrist()).toBe(165);
    expect(store().conflict).toBeNull();
    store().undo();
    expect(wrist()).toBe(180);
  });

  it('does not take the echo of its own save for another window', () => {
    setWrist(170);
    store().sending(piece(170));
    store().open(view(2, 170));
    expect(store().conflict).toBeNull();
  });

  it('lets mine win and keeps theirs one undo away', () => {
    setWrist(170);
    store().collided(view(5, 165));
    store().keepMine();
    expect(store().stored?.version).toBe(5);
    expect(wrist()).toBe(170);
    expect(isDirty(store())).toBe(true);
    store().undo();
    expect(wrist()).toBe(165);
  });

  it('lets theirs win and keeps mine one undo away', () => {
    setWrist(170);
    store().collided(view(5, 165));
    store().takeTheirs();
    expect(wrist()).toBe(165);
    expect(isDirty(store())).toBe(false);
    expect(readDraft('p1')).toBeNull();
    store().undo();
    expect(wrist()).toBe(170);
  });

  it('sees no conflict where both made the same change', () => {
    setWrist(165);
    store().collided(view(5, 165));
    expect(store().conflict).toBeNull();
    expect(isDirty(store())).toBe(false);
  });

  it('does not count an edit that changes nothing', () => {
    setWrist(180);
    expect(store().history?.past).toEqual([]);
  });
});
