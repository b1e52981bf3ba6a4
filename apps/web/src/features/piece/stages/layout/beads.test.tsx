import { describe, expect, it } from '@jest/globals';
import { templateById, type Bead, type Piece } from '@coiled-strand/core';
import { DndContext } from '@dnd-kit/core';
import { act, fireEvent, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useSelection } from '../../bench/selection-store';
import { pieceNow, renderStage } from '../../../../testing';
import { BeadsPane } from './beads-pane';
import { PartPane } from './part-pane';

const bead = (name: string, size: number, count?: number): Bead => ({
  name,
  shape: 'round',
  length: size,
  height: size,
  hole: size / 3,
  colour: { name, hex: '#336699' },
  ...(count === undefined ? {} : { count }),
});
const piece: Piece = {
  ...templateById('knotted-centre').make({
    name: 'x',
    wearer: { name: 'Somebody', wrist: 165, hand: 200 },
    cutting: { confidence: 0.95, step: 10, practice: 'practised' },
  }),
  beads: [
    { ...bead('small', 4), id: 'small' },
    { ...bead('large', 8), id: 'large' },
  ],
};
const withRow = (row: readonly string[]): Piece => ({
  ...piece,
  parts: piece.parts.map((part) => (part.kind === 'beads' ? { ...part, beads: row } : part)),
});
const rowNow = (): readonly string[] => {
  const part = pieceNow().parts.find((p) => p.kind === 'beads');
  return part?.kind === 'beads' ? part.beads : [];
};
const showRow = (row: readonly string[]): void => {
  renderStage(withRow(row), <PartPane />);
  act(() => useSelection.getState().select('beads'));
};
const press = (name: string) => userEvent.click(screen.getByRole('button', { name }));

describe('a row of beads', () => {
  it('shows its beads in order, each with its place', () => {
    showRow(['small', 'large', 'small']);
    expect(screen.getByRole('button', { name: 'Bead 2: large' })).toBeTruthy();
    expect(screen.getAllByRole('button', { name: /^Bead \d/ })).toHaveLength(3);
  });
  it.each([
    ['Mirror', ['small', 'large', 'large', 'small'], ['small', 'large', 'large', 'small']],
    ['Grade by size', ['large', 'small', 'small'], ['small', 'large', 'small']],
    ['Blocks of colour', ['small', 'large', 'small'], ['small', 'small', 'large']],
    ['Alternate', ['small', 'small', 'large'], ['small', 'large', 'small']],
    ['Repeat', ['small', 'large'], ['small', 'large', 'small', 'large']],
  ])('is arranged: %s', async (way, before, after) => {
    showRow(before);
    await press(way);
    expect(rowNow()).toEqual(after);
  });
  it('loses a bead by its cross, or by the key, but never the last', async () => {
    showRow(['small', 'large', 'small']);
    await press('Remove bead 2');
    expect(rowNow()).toEqual(['small', 'small']);
    fireEvent.keyDown(screen.getByRole('button', { name: 'Bead 2: small' }), { key: 'Delete' });
    expect(rowNow()).toEqual(['small']);
    expect(screen.queryByRole('button', { name: 'Remove bead 1' })).toBeNull();
  });
  it('takes one more, of those in the piece or from the tray', async () => {
    showRow(['small']);
    await userEvent.selectOptions(
      screen.getByRole('combobox', { name: 'Add to this row' }),
      'large',
    );
    await press('Add one');
    expect(rowNow()).toEqual(['small', 'large']);
  });
});

describe('the bead tray', () => {
  const show = (row: readonly string[] = ['small']): void => {
    renderStage(
      withRow(row),
      <DndContext>
        <BeadsPane />
      </DndContext>,
      {
        beads: [
          { id: 'b1', etag: '1', value: bead('small', 4, 3) },
          { id: 'b2', etag: '2', value: bead('blue', 6, 2) },
        ],
      },
    );
  };
  it('has the beads of the piece first, and each bead once', () => {
    show();
    const names = [...document.querySelectorAll('[data-bead]')].map((tile) =>
      tile.getAttribute('data-bead'),
    );
    expect(names).toEqual(['small', 'large', 'blue']);
  });
  it('adds to the selected row, and makes the bead one of the piece’s', async () => {
    show();
    act(() => useSelection.getState().select('beads'));
    await press('Add blue');
    expect(rowNow()).toEqual(['small', 'round-6']);
    expect(pieceNow().beads.at(-1)).toMatchObject({ id: 'round-6', name: 'blue' });
  });
  it('adds a part of its own behind another part', async () => {
    show();
    act(() => {
      useSelection.setState({ pane: 'beads' });
      useSelection.getState().select('plain');
    });
    await press('Add blue');
    expect(pieceNow().parts[1]).toMatchObject({ kind: 'beads', beads: ['round-6'] });
  });
  it('counts what is used and what is left', () => {
    show(['small', 'small']);
    const tile = document.querySelector('[data-bead="small"]');
    expect(tile?.textContent).toContain('2 used');
  });
});
