import { describe, expect, it } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { listen, renderIn } from '../../../testing';
import { OwnBeadDialog } from './own-bead-dialog';

const field = (name: string): HTMLInputElement => screen.getByRole('textbox', { name });
const change = async (name: string, text: string): Promise<void> => {
  await userEvent.clear(field(name));
  await userEvent.type(field(name), `${text}{Enter}`);
};
const shape = (name: string): Promise<void> =>
  userEvent.selectOptions(screen.getByRole('combobox', { name: 'Shape' }), name);

describe('a bead of one’s own', () => {
  it('that is a ring has a wire and two insides, and begins with sizes of a ring', async () => {
    const sent = listen();
    renderIn({}, <OwnBeadDialog onClose={() => undefined} />);
    await userEvent.type(field('Name'), 'Oval ring');
    await shape('ring');
    expect(field('Wire').value).toBe('1 mm');
    expect(field('Across, outside').value).toBe('5.2 mm');
    expect(field('Inside at its longest').value).toBe('3.2 mm');
    await change('Inside at its longest', '5');
    await userEvent.type(field('Colour, in words'), 'steel');
    await userEvent.click(screen.getByRole('button', { name: 'Add to the tray' }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]?.body).toMatchObject({ shape: 'ring', length: 1, hole: 3.2, holeLong: 5 });
  });
  it('keeps the sizes that were told when its shape is changed', async () => {
    listen();
    renderIn({}, <OwnBeadDialog onClose={() => undefined} />);
    await change('Hole', '2.4');
    await shape('ring');
    expect(field('Inside').value).toBe('2.4 mm');
    expect(field('Wire').value).toBe('6 mm');
  });
});
