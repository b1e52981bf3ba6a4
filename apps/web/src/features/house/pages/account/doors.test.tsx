import { describe, expect, it } from '@jest/globals';
import type { SessionView } from '@coiled-strand/contract';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { createElement } from 'react';
import { keys, queryClient } from '../../../../data/api/queries';
import { useMay } from '../../../../data/api/people-queries';
import { ForMakers, Changeable, LooksOnly } from '../../../../ui/frame/for-makers';
import { listen, renderIn } from '../../../../testing';
import { agentText } from './agent-text';
import { SetUpPage } from './set-up-page';
import { SignInPage } from './sign-in-page';

const SESSION: SessionView = {
  state: 'signed-in',
  open: false,
  person: { id: 'p', name: 'Priya', signIn: 'priya', hasPassword: true },
  workshop: { id: 'w', name: 'The bench', role: 'viewer' },
  workshops: [{ id: 'w', name: 'The bench', role: 'viewer' }],
  token: 't',
};
const inRole = (role: 'viewer' | 'maker' | 'owner'): SessionView => ({
  ...SESSION,
  workshop: { ...SESSION.workshop!, role },
});

describe('the door', () => {
  it('sends name and password, and says in words why it stays shut', async () => {
    const sent = listen(() => SESSION);
    renderIn({}, createElement(SignInPage));
    const enter = screen.getByRole('button', { name: 'Sign in' });
    expect(enter).toHaveProperty('disabled', true);
    await userEvent.type(screen.getByLabelText('Name'), 'priya');
    await userEvent.type(screen.getByLabelText('Password'), 'seven knots');
    await userEvent.click(enter);
    expect(sent[0]).toEqual({
      path: '/api/session',
      body: { signIn: 'priya', password: 'seven knots' },
    });
  });
  it('of a new workshop asks for its owner, with a password that is long enough', async () => {
    const sent = listen(() => SESSION);
    renderIn({}, createElement(SetUpPage));
    const begin = screen.getByRole('button', { name: 'Open the workshop' });
    await userEvent.type(screen.getByLabelText('Name of the workshop'), 'A bench');
    await userEvent.type(screen.getByLabelText('What you are called'), 'Mo');
    await userEvent.type(screen.getByLabelText('Name to sign in with'), 'mo');
    await userEvent.type(screen.getByLabelText(/^Password/), 'nine char');
    expect(begin).toHaveProperty('disabled', true);
    await userEvent.type(screen.getByLabelText(/^Password/), 's');
    await userEvent.click(begin);
    expect(sent[0]?.body).toEqual({
      workshop: 'A bench',
      name: 'Mo',
      signIn: 'mo',
      password: 'nine chars',
    });
  });
});

function Parts() {
  return [
    <LooksOnly key="note" />,
    <ForMakers key="maker">for makers</ForMakers>,
    <ForMakers key="owner" role="owner">
      for owners
    </ForMakers>,
    <Changeable key="change">
      <button>change</button>
    </Changeable>,
    String(useMay('owner')),
  ];
}

describe('a role', () => {
  it.each([
    ['viewer', false, false],
    ['maker', true, false],
    ['owner', true, true],
  ] as const)('%s sees what it may do, and why not the rest', async (role, maker, owner) => {
    listen(() => inRole(role));
    renderIn({}, createElement(Parts));
    // Until it is known they are shown as if one might.
    await waitFor(() => expect(queryClient.getQueryData(keys.session)).toEqual(inRole(role)));
    await waitFor(() => expect(screen.queryByText(/for makers/) !== null).toBe(maker));
    expect(screen.queryByText(/for owners/) !== null).toBe(owner);
    expect(screen.queryByRole('note') !== null).toBe(!maker);
    expect(screen.getByRole('button', { name: 'change' }).matches(':disabled')).toBe(!maker);
  });
});

describe('a device', () => {
  it.each([
    [
      'Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/156.0 Safari/537.36',
      'Chrome or one like it on Linux',
    ],
    [
      'Mozilla/5.0 (iPhone; CPU iPhone OS 19_0 like Mac OS X) AppleWebKit/605.1 (KHTML, like Gecko) Version/19.0 Mobile Safari/604.1',
      'Safari on iPhone',
    ],
    ['Mozilla/5.0 (Android 16; Mobile; rv:150.0) Gecko/150.0 Firefox/150.0', 'Firefox on Android'],
    ['curl/8.0', 'curl/8.0'],
    ['', 'A program without a name'],
  ])('%s is called what its owner knows it as', (agent, text) => {
    expect(agentText(agent)).toBe(text);
  });
});
