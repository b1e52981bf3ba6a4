import { beforeEach, describe, expect, it } from '@jest/globals';
import { emptyOutbox } from '../../../data/outbox/testing';
import { templateById, type Piece } from '@coiled-strand/core';
import { act, screen } from '@testing-library/react';
import { useBenchView } from '../bench/view-store';
import { renderIn, viewOf } from '../../../testing';
import { usePiece } from './piece-store';
import { usePlan } from './use-plan';

const lariat = templateById('lariat').make({
  name: 'x',
  wearer: { name: 'Somebody', wrist: 165, hand: 200 },
  cutting: { confidence: 0.95, step: 10, practice: 'practised' },
});

/** Without the knots that its ends hang by, nothing holds what is strung on it. */
const unstop = (piece: Piece): Piece => ({
  ...piece,
  parts: piece.parts.filter(({ kind }) => kind !== 'stopper-knot'),
});
const longer = (piece: Piece): Piece => ({
  ...piece,
  wear: { ...piece.wear, length: (piece.wear.length ?? 600) + 10 },
});

function Seen() {
  const { plan } = usePlan();
  return (
    <>
      <p data-testid="verdict">{plan.ok && plan.unmakeable ? 'no' : 'yes'}</p>
      <p data-testid="found">{plan.advice[0]?.code}</p>
      <p data-testid="size">{plan.ok ? plan.fit.length : 0}</p>
    </>
  );
}
const seen = (what: 'verdict' | 'found' | 'size'): string | null =>
  screen.getByTestId(what).textContent;
const edit = (change: (piece: Piece) => Piece): void =>
  act(() => usePiece.getState().edit(change, 'drag'));

describe('the plan of the piece on the bench', () => {
  beforeEach(() => {
    emptyOutbox();
    usePiece.getState().close();
    useBenchView.getState().setFrame({ scale: 2, x: 0, width: 600, folded: null, folds: false });
    usePiece.getState().open(viewOf(lariat));
    renderIn({}, <Seen />);
  });

  it('says at once when hands cannot make what was changed', () => {
    expect(seen('verdict')).toBe('yes');
    edit(unstop);
    expect(seen('verdict')).toBe('no');
    expect(seen('found')).toMatch(/^hands\./);
  });
  it('follows what is held, and has hands try it when it is let go', () => {
    const size = Number(seen('size'));
    act(() => useBenchView.getState().hold());
    edit((piece) => longer(unstop(piece)));
    expect(Number(seen('size'))).not.toBe(size);
    expect(seen('verdict')).toBe('yes');
    act(() => useBenchView.getState().letGo());
    expect(seen('verdict')).toBe('no');
  });
  it('keeps what hands found while an unmakeable piece is held', () => {
    act(() => usePiece.getState().edit(unstop));
    const found = seen('found');
    act(() => useBenchView.getState().hold());
    edit(longer);
    expect(seen('verdict')).toBe('no');
    expect(seen('found')).toBe(found);
  });
});
