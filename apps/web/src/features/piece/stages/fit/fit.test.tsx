import { describe, expect, it } from '@jest/globals';
import { EXAMPLE_PIECE, templateById, type Piece } from '@coiled-strand/core';
import { fireEvent, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { pieceNow, renderStage } from '../../../../testing';
import { FitStage } from './fit-stage';

/** Writes into a field at once, and leaves it by the key. */
const fill = (name: string, text: string): void => {
  const field = screen.getByRole('textbox', { name });
  fireEvent.change(field, { target: { value: text } });
  fireEvent.keyDown(field, { key: 'Enter' });
};

describe('fit', () => {
  it('takes every girth in any unit, and forgets one that is cleared', () => {
    renderStage(EXAMPLE_PIECE, <FitStage />);
    fill('Ankle girth', '8 1/2 in');
    fill('Neck girth', '36');
    fill('Head girth', '560mm');
    expect(pieceNow().wearer).toMatchObject({ neck: 360, head: 560 });
    expect(pieceNow().wearer.ankle).toBeCloseTo(215.9, 6);
    fill('Neck girth', ' ');
    expect(pieceNow().wearer.neck).toBeUndefined();
  });
  it('is for the wrist, the ankle or the neck, once round or more', async () => {
    renderStage({ ...EXAMPLE_PIECE, wearer: { name: 'x', wrist: 180, ankle: 220 } }, <FitStage />);
    await userEvent.click(screen.getByRole('radio', { name: 'Ankle' }));
    fill('Times round', '2');
    expect(pieceNow().wear).toEqual({ site: 'ankle', turns: 2, length: null });
    expect(screen.getByText('2 times round')).toBeTruthy();
  });
  it('goes by a length that is wanted, and back to girth and room', () => {
    renderStage(EXAMPLE_PIECE, <FitStage />);
    fill('Length wanted instead', '21 cm');
    expect(pieceNow().wear.length).toBe(210);
    expect(screen.getByText('Length wanted')).toBeTruthy();
    fill('Length wanted instead', ' ');
    expect(pieceNow().wear.length).toBeNull();
  });
  it('notes what the wearer does not bear, and who is a child', async () => {
    renderStage(EXAMPLE_PIECE, <FitStage />);
    fill('Sensitive to', 'nickel');
    await userEvent.click(screen.getByRole('checkbox', { name: 'A child' }));
    expect(pieceNow().wearer).toMatchObject({ allergy: 'nickel', child: true });
    fill('Sensitive to', ' ');
    expect(pieceNow().wearer.allergy).toBeUndefined();
  });
  it('shows how beads and thickness lengthen the work', () => {
    const beaded: Piece = templateById('large-bead-band').make({
      name: 'x',
      wearer: { name: 'Somebody', wrist: 165 },
      cutting: EXAMPLE_PIECE.cutting,
    });
    renderStage(beaded, <FitStage />);
    expect(screen.getByText('The beads bow away')).toBeTruthy();
    expect(screen.getByText('Thickness')).toBeTruthy();
  });
});
