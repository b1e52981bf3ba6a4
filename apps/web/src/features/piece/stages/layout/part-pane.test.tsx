import { describe, expect, it } from '@jest/globals';
import { EXAMPLE_BAND, EXAMPLE_PIECE, templateById, type Piece } from '@coiled-strand/core';
import { act, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useSelection } from '../../bench/selection-store';
import { pieceNow, renderStage } from '../../../../testing';
import { PartPane } from './part-pane';

const make = (id: string): Piece =>
  templateById(id).make({
    name: 'x',
    wearer: { name: 'Somebody', wrist: 165, hand: 200 },
    cutting: { confidence: 0.95, step: 10, practice: 'practised' },
  });
const select = (id: string): void => act(() => useSelection.getState().select(id));

describe('the part that is looked at', () => {
  it('is chosen from the list of all parts when none is yet', async () => {
    renderStage(make('focal-cord'), <PartPane />);
    expect(screen.getAllByRole('listitem')).toHaveLength(5);
    await userEvent.click(screen.getByRole('button', { name: /3\s*Beads/ }));
    expect(screen.getByTestId('inspector').textContent).toContain('Beads');
    expect(useSelection.getState().part).toBe('beads');
  });
  it('is the only one there is, without being chosen', () => {
    renderStage(EXAMPLE_PIECE, <PartPane />);
    expect(screen.getByTestId('inspector').textContent).toContain('Square knots');
  });
  it('says its measures, and what it takes of each cord with the sum', async () => {
    renderStage(make('focal-cord'), <PartPane />);
    select('stopper-knot');
    const inspector = screen.getByTestId('inspector');
    expect(inspector.textContent).toMatch(/long, [\d.]+ mm wide, [\d.]+ mm thick/);
    await userEvent.click(within(inspector).getByRole('button', { name: /Cord in this part/ }));
    const sum = await screen.findByRole('dialog');
    expect(within(sum).getByText('Double barrel knot')).toBeTruthy();
    expect(within(sum).getByText('Straight runs')).toBeTruthy();
  });
  it('is changed by its own form', async () => {
    renderStage(make('focal-cord'), <PartPane />);
    select('stopper-knot');
    await userEvent.click(screen.getByRole('radio', { name: /Figure-eight/ }));
    expect(pieceNow().parts[1]).toMatchObject({ form: 'figure-eight' });
  });
  it('has a length of its own or takes what the fit asks for', async () => {
    renderStage({ ...EXAMPLE_PIECE, parts: [{ ...EXAMPLE_BAND, length: 180 }] }, <PartPane />);
    await userEvent.click(screen.getByRole('button', { name: 'Let it be set by the fit' }));
    expect(pieceNow().parts[0]).toMatchObject({ length: null });
    expect(screen.getByText('set by the fit')).toBeTruthy();
    const length = screen.getByRole('textbox', { name: 'Knotted length' });
    await userEvent.clear(length);
    await userEvent.type(length, '19 cm{Enter}');
    expect(pieceNow().parts[0]).toMatchObject({ length: 190 });
  });
  it('is moved, doubled, repeated, mirrored and taken away', async () => {
    renderStage(make('focal-cord'), <PartPane />);
    select('stopper-knot');
    const kinds = (): string =>
      pieceNow()
        .parts.map((part) => part.kind[0])
        .join('');
    const press = (name: RegExp) => userEvent.click(screen.getByRole('button', { name }));
    expect(kinds()).toBe('psbsp');
    await press(/towards the end/);
    expect(kinds()).toBe('pbssp');
    await press(/towards the start/);
    await press(/^Duplicate/);
    expect(kinds()).toBe('pssbsp');
    await press(/^Delete/);
    expect(kinds()).toBe('psbsp');
    select('beads');
    await press(/^Repeat with/);
    expect(kinds()).toBe('psbsbsp');
    select('beads');
    await press(/^Mirror what comes before/);
    expect(kinds()).toBe('psbsp');
  });
  it('cannot be moved beyond the ends', () => {
    renderStage(make('focal-cord'), <PartPane />);
    select('plain');
    const button = screen.getByRole('button', { name: /towards the start/ });
    expect((button as HTMLButtonElement).disabled).toBe(true);
  });
  it('lets cords change places in it, and goes back to what they do elsewhere', async () => {
    renderStage(make('beaded-band'), <PartPane />);
    select('square-knot-sinnet');
    await userEvent.click(screen.getByRole('button', { name: 'What each cord does here' }));
    const first = screen.getByRole('combobox', { name: 'Cord 1' });
    await userEvent.selectOptions(first, 'carried');
    expect(pieceNow().parts[0]?.roles).toEqual(['carried', 'working', 'working']);
    await userEvent.selectOptions(first, 'own');
    expect(pieceNow().parts[0]?.roles).toBeUndefined();
  });
  it('says so when there is nothing yet', () => {
    renderStage({ ...EXAMPLE_PIECE, parts: [] }, <PartPane />);
    expect(screen.getByText(/Add the first part/)).toBeTruthy();
  });
});
