import { describe, expect, it, jest } from '@jest/globals';
import type { Role, SessionView } from '@coiled-strand/contract';
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { keys, queryClient } from '../../data/api/queries';
import { listen, renderIn, SETTINGS, type Sent } from '../../testing';
import { SettingsDialog } from './settings-dialog';

function opened(role: Role): Sent[] {
  const workshop = { id: 'w', name: 'The bench', role };
  const session: SessionView = {
    state: 'signed-in',
    open: false,
    person: { id: 'p', name: 'Ida', signIn: 'ida', hasPassword: true },
    workshop,
    workshops: [workshop],
    token: null,
  };
  const sent = listen((path) =>
    path === '/api/session' ? session : queryClient.getQueryData(keys.workshop),
  );
  renderIn({}, <SettingsDialog onClose={jest.fn()} />);
  queryClient.setQueryData(keys.session, session);
  return sent;
}
const select = (name: string) => screen.findByRole<HTMLSelectElement>('combobox', { name });

describe('settings', () => {
  it('keep what is one’s own for oneself, and the rest for the workshop', async () => {
    const sent = opened('maker');
    await userEvent.selectOptions(await select('Cord to cut in'), 'm');
    await userEvent.selectOptions(await select('New pieces: how sure'), '0.9');
    await waitFor(() => expect(sent).toHaveLength(2));
    const { unit, hand } = SETTINGS;
    expect(sent).toEqual([
      { path: '/api/workshop/preferences', body: { unit, cordUnit: 'm', hand } },
      { path: '/api/workshop/settings', body: { ...SETTINGS, confidence: 0.9 } },
    ]);
  });

  it('let one who only looks choose units and hand, and nothing of the workshop’s', async () => {
    const sent = opened('viewer');
    await waitFor(async () =>
      expect((await select('New pieces: how sure')).matches(':disabled')).toBe(true),
    );
    expect((await select('Cord to cut in')).matches(':disabled')).toBe(false);
    const own = screen.getByRole('region', { name: 'Yours, in every workshop' });
    await userEvent.click(within(own).getByText('Left'));
    await waitFor(() => expect(sent).toHaveLength(1));
    const { unit, cordUnit } = SETTINGS;
    expect(sent[0]?.body).toEqual({ unit, cordUnit, hand: 'left' });
  });
});
