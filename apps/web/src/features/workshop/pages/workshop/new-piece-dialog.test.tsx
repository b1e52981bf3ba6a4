import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { TEMPLATES, type Piece } from '@coiled-strand/core';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { renderIn, viewOf } from '../../../../testing';
import { NewPieceDialog } from './new-piece-dialog';

const show = () =>
  renderIn(
    {},
    <MemoryRouter>
      <NewPieceDialog onClose={() => undefined} />
    </MemoryRouter>,
  );
afterEach(() => {
  Reflect.deleteProperty(globalThis, 'fetch');
});

describe('a new piece', () => {
  it('is chosen among drawings of every template', () => {
    show();
    const cards = screen.getAllByRole('radio');
    expect(cards.map((card) => card.getAttribute('aria-label')).sort()).toEqual(
      TEMPLATES.map((template) => template.label).sort(),
    );
    for (const card of cards) expect(card.querySelector('svg path')).not.toBeNull();
  });
  it('is made for whom it is, with the workshop’s habits, and laid on the bench', async () => {
    const sent: Piece[] = [];
    globalThis.fetch = jest.fn<typeof fetch>((_path, init) => {
      if (init?.method !== 'POST') return new Promise(() => undefined);
      sent.push(JSON.parse(init.body as string) as Piece);
      const text = JSON.stringify(viewOf(sent[0]!));
      return Promise.resolve({
        ok: true,
        status: 201,
        text: () => Promise.resolve(text),
      } as Response);
    });
    show();
    await userEvent.type(screen.getByRole('textbox', { name: 'Who' }), 'A niece');
    const wrist = screen.getByRole('textbox', { name: 'Wrist' });
    await userEvent.clear(wrist);
    await userEvent.type(wrist, '14 cm{Enter}');
    await userEvent.click(screen.getByRole('radio', { name: /^Three beads/ }));
    await userEvent.type(screen.getByRole('textbox', { name: 'Name of the piece' }), 'Comet');
    await userEvent.click(screen.getByRole('button', { name: 'Lay it on the bench' }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({
      name: 'Comet',
      wearer: { name: 'A niece', wrist: 140 },
      ends: 'glue',
      cutting: { confidence: 0.95, step: 25.4, practice: 'practised' },
    });
    // Sixteen true drawings are made for the wrist that is typed.
  });
});
