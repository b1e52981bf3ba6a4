import { describe, expect, it } from '@jest/globals';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { renderIn } from '../../../../testing';
import { makeAt, pieceOf } from '../../../../testing-make';
import { FitFails } from './fit-fails';

const show = (id: string, stepId: string): void => {
  const make = makeAt(pieceOf(id), 0);
  const step = make.steps.find((own) => own.id === stepId)!;
  renderIn({}, <FitFails make={make} step={step} />);
};
const open = () => userEvent.click(screen.getByRole('button', { name: 'It does not fit' }));
const by = async (text: string): Promise<void> => {
  const field = screen.getByRole('textbox', { name: 'By how much' });
  await userEvent.clear(field);
  await userEvent.type(field, `${text}{Enter}`);
};
const told = (): string[] =>
  within(screen.getByTestId('mended'))
    .getAllByRole('listitem')
    .map((item) => item.textContent);

describe('a piece that does not fit when it is tried on', () => {
  it('is asked about only where its length can still be changed', () => {
    show('beaded-band', 'tie-square-knot-sinnet');
    expect(screen.queryByRole('button')).toBeNull();
  });
  it('is told what to undo when it is too long', async () => {
    show('beaded-band', 'try-on-close');
    await open();
    await by('6 mm');
    expect(told()[0]).toContain('4 half knots, the last first');
    expect(told().at(-1)).toBe('Try it round again');
  });
  it('is told what to tie besides, and how much of it, when it is too short', async () => {
    show('beaded-band', 'try-on-close');
    await open();
    await userEvent.click(screen.getByRole('radio', { name: 'Too short' }));
    await by('6 mm');
    expect(told().some((text) => text.includes('2 half knots'))).toBe(true);
  });
  it('is helped in words where no steps can be told', async () => {
    show('alternating-band', 'try-on-close');
    await open();
    await by('6 mm');
    expect(screen.queryByTestId('mended')).toBeNull();
    expect(screen.getByRole('status').textContent).toContain('Undo what you made last');
  });
  it('is told when the cords as they were cut are too short for it', async () => {
    show('beaded-band', 'try-on-close');
    await open();
    await userEvent.click(screen.getByRole('radio', { name: 'Too short' }));
    await by('9 cm');
    expect(screen.queryByTestId('mended')).toBeNull();
    expect(screen.getByRole('status').textContent).toMatch(
      /^So much cannot be added: .* has run out/,
    );
  });
  it('is another piece when it is a hand too long', async () => {
    show('beaded-band', 'try-on-close');
    await open();
    await by('30 cm');
    expect(screen.getByRole('dialog').textContent).toMatch(/more than that is another piece/);
    expect(screen.queryByTestId('mended')).toBeNull();
  });
});
