import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { emptyOutbox } from '../../../data/outbox/testing';
import {
  templateById,
  withPattern,
  withSign,
  withStrandCount,
  type Piece,
} from '@coiled-strand/core';
import { act, render, screen } from '@testing-library/react';
import { viewOf } from '../../../testing';
import { usePiece } from './piece-store';
import { isBroad, useSettledPiece } from './settled';

const BAND = 'knotted-floss';
const narrow = templateById('floss-stripe').make({
  name: 'x',
  wearer: { name: 'Somebody', wrist: 165, hand: 200 },
  cutting: { confidence: 0.95, step: 10, practice: 'practised' },
});
const broad = withStrandCount(narrow, BAND, 40);
const rowsOf = (piece: Piece): readonly string[] => {
  const part = piece.parts[0]!;
  return part.kind === 'knotted-floss' ? part.rows : [];
};
const turn = (piece: Piece): Piece =>
  withPattern(piece, BAND, withSign({ lay: 'crossing', rows: rowsOf(piece) }, 0, 0, '<'));

const Seen = () => <p data-testid="seen">{rowsOf(useSettledPiece())[0]?.[0]}</p>;
const seen = (): string | null => screen.getByTestId('seen').textContent;

describe('what lies round the loom', () => {
  beforeEach(() => {
    jest.useFakeTimers();
    emptyOutbox();
    usePiece.getState().close();
  });
  afterEach(() => {
    jest.useRealTimers();
  });

  it('follows a narrow band at once', () => {
    expect(isBroad(narrow)).toBe(false);
    usePiece.getState().open(viewOf(narrow));
    render(<Seen />);
    act(() => usePiece.getState().edit(turn));
    expect(seen()).toBe('<');
  });
  it('follows a broad one when the hands rest', () => {
    expect(isBroad(broad)).toBe(true);
    usePiece.getState().open(viewOf(broad));
    render(<Seen />);
    act(() => usePiece.getState().edit(turn));
    expect(seen()).toBe('>');
    act(() => {
      jest.advanceTimersByTime(400);
    });
    expect(seen()).toBe('<');
  });
  it('follows another piece at once, however broad', () => {
    usePiece.getState().open(viewOf(broad));
    render(<Seen />);
    act(() => usePiece.getState().open({ ...viewOf(turn(broad)), id: 'piece-2' }));
    expect(seen()).toBe('<');
  });
});
