import { describe, expect, it } from '@jest/globals';
import {
  STRAND_WAYS,
  strandWay,
  closureKind,
  EXAMPLE_CORD,
  EXAMPLE_PIECE,
  templateById,
} from '@coiled-strand/core';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useSelection } from '../../bench/selection-store';
import { pieceNow, renderStage } from '../../../../testing';
import { AddPart } from './add-part';
import { ClosurePane } from './closure-pane';
import { CordsPane } from './cords-pane';

const slider = templateById('coiled-slide').make({
  name: 'x',
  wearer: { name: 'Somebody', wrist: 165, hand: 200 },
  cutting: { confidence: 0.95, step: 10, practice: 'practised' },
});

describe('cords', () => {
  it('are added, told how to run, and taken away', async () => {
    renderStage(EXAMPLE_PIECE, <CordsPane />);
    expect(screen.queryByRole('button', { name: /Remove cord/ })).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Add a cord' }));
    expect(pieceNow().strands[1]).toMatchObject({ legs: ['core'], cord: EXAMPLE_CORD });
    const ways = screen.getAllByRole('combobox', { name: 'How it runs' });
    await userEvent.selectOptions(ways[1]!, 'working');
    expect(pieceNow().strands[1]).toMatchObject({ legs: ['working', 'working'], laidIn: true });
    await userEvent.click(screen.getByRole('button', { name: 'Remove cord 1' }));
    expect(pieceNow().strands.map((strand) => strand.legs)).toEqual([['working', 'working']]);
  });
  it('lose what they do in single parts when they run in another way', async () => {
    const roles = ['carried', 'working', 'core', 'working'] as const;
    const piece = {
      ...EXAMPLE_PIECE,
      parts: EXAMPLE_PIECE.parts.map((part) => ({ ...part, roles })),
    };
    renderStage(piece, <CordsPane />);
    await userEvent.click(screen.getByRole('button', { name: 'Add a cord' }));
    expect(pieceNow().parts[0]?.roles).toEqual(roles);
    await userEvent.selectOptions(
      screen.getAllByRole('combobox', { name: 'How it runs' })[0]!,
      'core-folded',
    );
    expect(pieceNow().parts[0]?.roles).toBeUndefined();
  });
  it('are chosen from the drawer', async () => {
    const moss = { ...EXAMPLE_CORD, name: 'Moss', colour: { name: 'moss', hex: '#69783f' } };
    renderStage(EXAMPLE_PIECE, <CordsPane />, { cords: [{ id: 'c1', etag: '1', value: moss }] });
    await userEvent.selectOptions(screen.getByRole('combobox', { name: 'Cord, 1' }), 'c1');
    expect(pieceNow().strands[0]?.cord.name).toBe('Moss');
  });
  it('run in ways that are told apart', () => {
    for (const way of STRAND_WAYS) {
      expect(strandWay({ cord: EXAMPLE_CORD, ...way })?.id).toBe(way.id);
    }
    expect(
      strandWay({ cord: EXAMPLE_CORD, legs: ['turned', 'core'], laidIn: false }),
    ).toBeUndefined();
  });
});

describe('the closure', () => {
  it('says its sizes, what it must pass, and what goes wrong there', () => {
    renderStage(slider, <ClosurePane />);
    expect(screen.getByText(/^Drawn in: .* inside$/)).toBeTruthy();
    expect(screen.getByText(/It must pass the hand: 20 cm/)).toBeTruthy();
    for (const mistake of closureKind('coiled-slider').mistakes) {
      expect(screen.getByText(mistake)).toBeTruthy();
    }
  });
  it('is changed by its own form', async () => {
    renderStage(slider, <ClosurePane />);
    const wraps = screen.getByRole('textbox', { name: /^Wraps/ });
    await userEvent.clear(wraps);
    await userEvent.type(wraps, '7{Enter}');
    expect(pieceNow().closure).toMatchObject({ turns: 7 });
  });
  it('becomes another, from the drawer where there is one of that kind', async () => {
    const horn = {
      ...closureKind('loop-and-button').make(EXAMPLE_CORD),
      name: 'Horn button',
      diameter: 21,
    };
    renderStage(slider, <ClosurePane />, {
      fittings: [{ id: 'f1', etag: '1', value: { name: 'Horn button', closure: horn as never } }],
    });
    const kind = screen.getByRole('combobox', { name: 'How it closes' });
    await userEvent.selectOptions(kind, 'loop-and-button');
    expect(pieceNow().closure).toMatchObject({ name: 'Horn button', diameter: 21 });
    await userEvent.selectOptions(kind, 'toggle');
    expect(pieceNow().closure).toEqual(closureKind('toggle').make(pieceNow().strands[0]!.cord));
    // One cord of 2 mm goes twice through a ring of 4 mm inside.
    expect(screen.getByText(/2 × Jump ring, 6 mm/)).toBeTruthy();
  });
});

describe('adding a part', () => {
  it('puts it behind the selected one and looks at it', async () => {
    renderStage(slider, <AddPart />);
    useSelection.getState().select('plain');
    await userEvent.click(screen.getByRole('button', { name: 'Add a part' }));
    const list = await screen.findByRole('dialog', { name: 'Add a part' });
    await userEvent.click(within(list).getByRole('button', { name: /^Whipping/ }));
    expect(
      pieceNow()
        .parts.map((part) => part.kind)
        .slice(0, 2),
    ).toEqual(['plain', 'whipping']);
    expect(useSelection.getState()).toMatchObject({ part: 'whipping', pane: 'part' });
  });
  it('offers what needs a bead only where there is one', async () => {
    renderStage(EXAMPLE_PIECE, <AddPart />);
    await userEvent.click(screen.getByRole('button', { name: 'Add a part' }));
    const list = await screen.findByRole('dialog', { name: 'Add a part' });
    const beads = within(list).getByRole('button', { name: /^Beads/ });
    expect((beads as HTMLButtonElement).disabled).toBe(true);
  });
});
