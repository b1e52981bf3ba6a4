import { describe, expect, it } from '@jest/globals';
import { placesOf, runsOf, templateById, type FlossPart, type Piece } from '@coiled-strand/core';
import { act, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { usePiece } from '../piece/piece-store';
import { useStage } from '../piece/stage-context';
import { pieceNow, renderStage } from '../../../testing';
import { Loom } from './loom';

const make = (id: string): Piece =>
  templateById(id).make({
    name: 'x',
    wearer: { name: 'Somebody', wrist: 165, hand: 200 },
    cutting: { confidence: 0.95, step: 10, practice: 'practised' },
  });
const band = (piece: Piece): FlossPart =>
  piece.parts.find((part) => part.kind === 'knotted-floss')!;
const colours = (): string[] => {
  const runs = runsOf(pieceNow());
  return placesOf(pieceNow(), 'knotted-floss').map((index) => runs[index]!.cord.colour.name);
};

function OnLoom() {
  return <Loom id={band(useStage().piece).id} />;
}
const open = (id = 'floss-stripe', piece = make(id)) => {
  renderStage(piece, <OnLoom />);
  const user = userEvent.setup();
  const loom = screen.getByTestId('loom');
  act(() => loom.focus());
  return user;
};
const status = (): string => screen.getByTestId('loom-status').textContent ?? '';

describe('the loom by keys', () => {
  it('says which knot it is on, who works there, and when all strands are back', async () => {
    const user = open();
    expect(status()).toMatch(
      /^Row 1 of 16, knot 1: forward; strand 1 \(indigo\) from the left over strand 2/,
    );
    expect(status()).toContain('back in their places');
    await user.keyboard('{ArrowRight}{ArrowRight}{ArrowDown}');
    expect(status()).toMatch(/^Row 3 of 16, knot 2/);
  });
  it('turns a knot to the next kind, or makes it the one a digit names; undo takes it back', async () => {
    const user = open();
    await user.keyboard(' ');
    expect(band(pieceNow()).rows[0]).toBe('<>>>');
    await user.keyboard('3{ArrowDown}5');
    expect(band(pieceNow()).rows[0]).toBe(').>>');
    expect(status()).toContain('no knot');
    act(() => usePiece.getState().undo());
    expect(band(pieceNow()).rows[0]).toBe(')>>>');
  });
  it('puts rows in and takes them out', async () => {
    const user = open();
    await user.keyboard('{Insert}');
    expect(band(pieceNow()).rows).toHaveLength(18);
    await user.keyboard('{Delete}{Delete}');
    expect(band(pieceNow()).rows).toHaveLength(14);
  });
});

describe('colours by keys', () => {
  it('the strand that works in a knot gets the colour that is chosen', async () => {
    const user = open();
    await user.click(screen.getByRole('button', { name: 'apricot' }));
    act(() => screen.getByTestId('loom').focus());
    await user.keyboard('{ArrowDown}b');
    // The second knot of the first row is tied by the strand at place three.
    expect(colours().slice(0, 4)).toEqual(['indigo', 'plum', 'apricot', 'apricot']);
    await user.keyboard('{Escape}{ArrowUp}b');
    expect(colours()[0]).toBe('indigo');
  });
});

describe('a pattern that does not fit the strands', () => {
  it('is fitted to them with one touch', async () => {
    const piece = make('floss-stripe');
    const user = open('floss-stripe', { ...piece, strands: piece.strands.slice(0, 6) });
    const alert = screen.getByRole('alert');
    expect(alert.textContent).toContain('with 6 strands it must have 3');
    await user.click(within(alert).getByRole('button', { name: 'Fit it to the strands' }));
    expect(band(pieceNow()).rows[0]).toBe('>>>');
    expect(screen.queryByRole('alert')).toBeNull();
  });
  it('begins anew where there are too few strands', async () => {
    const piece = make('floss-stripe');
    const user = open('floss-stripe', { ...piece, strands: piece.strands.slice(0, 1) });
    await user.click(screen.getByRole('button', { name: 'Lay 8 strands' }));
    expect(runsOf(pieceNow())).toHaveLength(8);
    expect(screen.queryByRole('alert')).toBeNull();
  });
});

describe('the loom by its tools', () => {
  it('mirrors and repeats the pattern', async () => {
    const user = open();
    await user.click(screen.getByRole('button', { name: 'Mirror left and right' }));
    expect(band(pieceNow()).rows[0]).toBe('<<<<');
    await user.click(screen.getByRole('button', { name: /^Mirror along/ }));
    expect(band(pieceNow()).rows).toHaveLength(30);
    await user.click(screen.getByRole('button', { name: 'The repeat twice' }));
    expect(band(pieceNow()).rows).toHaveLength(60);
  });
  it('puts strands in and takes them out', async () => {
    const user = open();
    const strands = screen.getByRole('group', { name: /^Strands/ });
    await user.click(within(strands).getByRole('button', { name: 'Put a strand in' }));
    expect(runsOf(pieceNow())).toHaveLength(9);
    await user.click(within(strands).getByRole('button', { name: 'Take a strand out' }));
    await user.click(within(strands).getByRole('button', { name: 'Take a strand out' }));
    expect(runsOf(pieceNow())).toHaveLength(7);
  });
  it('lays a ready pattern in the colours of the band, on as many strands as it needs', async () => {
    const user = open();
    await user.click(screen.getByRole('button', { name: 'Ready patterns' }));
    const dialog = await screen.findByRole('dialog');
    const count = within(dialog).getByRole('textbox', { name: 'Strands' });
    await user.clear(count);
    await user.type(count, '9{Enter}');
    const chevron = within(dialog).getByRole('button', { name: /^Chevron/ });
    expect(chevron.textContent).toContain('even number of strands');
    await user.click(chevron);
    expect(runsOf(pieceNow())).toHaveLength(10);
    expect([...colours()].reverse()).toEqual(colours());
  });
  it('says what a word for letters must have', async () => {
    const user = open();
    await user.click(screen.getByRole('button', { name: 'Ready patterns' }));
    const dialog = await screen.findByRole('dialog');
    const word = within(dialog).getByRole('textbox', { name: 'Word, for letters' });
    await user.clear(word);
    await user.type(word, '??{Enter}');
    expect(within(dialog).getByRole('button', { name: /^Letters/ }).textContent).toContain(
      'letters and digits',
    );
  });
});
