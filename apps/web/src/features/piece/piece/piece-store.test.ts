import { beforeEach, describe, expect, it } from '@jest/globals';
import { emptyOutbox } from '../../../data/outbox/testing';
import type { PieceView } from '@coiled-strand/contract';
import { EXAMPLE_PIECE, type Piece } from '@coiled-strand/core';
import { keep, workAs } from '../../../data/outbox/outbox';
import { readDrafts } from './draft';
import { isDirty, usePiece } from './piece-store';

const piece = (wrist = 180): Piece => ({
  ...EXAMPLE_PIECE,
  wearer: { name: 'x', wrist },
});
const view = (version: number, wrist = 180, id = 'p1'): PieceView => ({
  id,
  version,
  piece: piece(wrist),
  changedBy: null,
  updatedAt: '2026-01-01T00:00:00.000Z',
  make: null,
  underWay: 0,
  logged: 0,
  tags: [],
});
const store = () => usePiece.getState();
const wrist = (): number | undefined => store().history?.now.wearer.wrist;
const setWrist = (mm: number): void =>
  store().edit((p) => ({ ...p, wearer: { ...p.wearer, wrist: mm } }));

const readDraft = (id: string) => readDrafts(id)[0]?.draft ?? null;
const setName = (name: string): void => store().edit((p) => ({ ...p, name }));
const OLD = 'closed';
/** As another window of this browser left it. */
const left = (draft: object, window = OLD): void =>
  void keep('draft', 'p1', window, { requests: [], ...draft });
const leftBy = (window: string) => readDrafts('p1').find((draft) => draft.window === window);

beforeEach(() => {
  emptyOutbox();
  store().close();
  store().open(view(1));
});

describe('the piece on the bench', () => {
  it('keeps an edit in the browser until the server has it', () => {
    setWrist(170);
    expect(isDirty(store())).toBe(true);
    expect(readDraft('p1')).toEqual({
      version: 1,
      base: piece(180),
      piece: piece(170),
      requests: [],
    });
    store().confirmed(view(2, 170), piece(170));
    expect(isDirty(store())).toBe(false);
    expect(readDraft('p1')).toBeNull();
  });

  it('keeps what was edited while a save was on its way', () => {
    setWrist(170);
    setWrist(171);
    store().confirmed(view(2, 170), piece(170));
    expect(isDirty(store())).toBe(true);
    expect(readDraft('p1')).toMatchObject({ version: 2, piece: piece(171) });
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
    store().sending(piece(170), 'request-1');
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

  describe('left unsent by a window that was closed', () => {
    const reopened = (theirs: PieceView): void => {
      store().close();
      store().open(theirs);
    };

    it('is put together with what was stored since', () => {
      left({ version: 1, base: piece(180), piece: piece(170) });
      reopened({ ...view(4), piece: { ...piece(180), name: 'Theirs' } });
      expect(store().history?.now).toEqual({ ...piece(170), name: 'Theirs' });
      expect(store().conflict).toBeNull();
      expect(leftBy(OLD)).toBeUndefined();
      expect(readDraft('p1')?.version).toBe(4);
    });

    it('by two of them is put together, neither replacing the other', () => {
      left({ version: 1, base: piece(180), piece: piece(170) });
      left({ version: 1, base: piece(180), piece: { ...piece(180), name: 'Second' } }, `${OLD}-2`);
      reopened(view(1));
      expect(store().history?.now).toEqual({ ...piece(170), name: 'Second' });
      expect(readDrafts('p1')).toHaveLength(1);
    });

    it('stays where it lies until somebody has chosen between the two', () => {
      left({ version: 1, base: piece(180), piece: piece(170) });
      reopened(view(4, 165));
      expect(store().conflict?.theirs.version).toBe(4);
      // Closed without a choice, it asks again.
      reopened(view(4, 165));
      expect(store().conflict?.theirs.version).toBe(4);
      store().keepMine();
      expect(leftBy(OLD)).toBeUndefined();
      expect(readDraft('p1')).toMatchObject({ version: 4, piece: piece(170) });
    });

    it('is asked about where nobody knows what it was made of', () => {
      left({ version: 1, base: null, piece: piece(170) });
      reopened({ ...view(4), piece: { ...piece(180), name: 'Theirs' } });
      expect(store().conflict).not.toBeNull();
      store().takeTheirs();
      expect(readDrafts('p1')).toEqual([]);
    });

    it('is no conflict where the server has it, and only the answer was lost', () => {
      left({ version: 1, base: piece(180), piece: piece(171), requests: ['request-9'] });
      reopened({ ...view(2, 170), changedBy: 'request-9' });
      expect(store().conflict).toBeNull();
      expect(wrist()).toBe(171);
    });
  });

  it('puts together what two windows changed, and says so', () => {
    setWrist(170);
    store().collided({ ...view(5), piece: { ...piece(180), name: 'Theirs' } });
    expect(store().conflict).toBeNull();
    expect(store().merges).toBe(1);
    expect(store().history?.now).toEqual({ ...piece(170), name: 'Theirs' });
    expect(isDirty(store())).toBe(true);
    store().undo();
    expect(wrist()).toBe(180);
  });

  it('knows its own change by its request when the answer was lost', () => {
    setWrist(170);
    store().sending(piece(170), 'request-1');
    setWrist(171);
    store().collided({ ...view(2, 170), changedBy: 'request-1' });
    expect(store().conflict).toBeNull();
    expect(store().stored?.version).toBe(2);
    expect(wrist()).toBe(171);
    setName('On');
    expect(isDirty(store())).toBe(true);
  });

  it('is taken off the bench when somebody else signs in, and is theirs who did it', () => {
    workAs('ida here');
    store().open(view(1));
    setWrist(170);
    workAs('otto here');
    expect(store().id).toBeNull();
    store().open(view(1));
    expect(wrist()).toBe(180);
    workAs('ida here');
    store().open(view(1));
    expect(wrist()).toBe(170);
  });
});
