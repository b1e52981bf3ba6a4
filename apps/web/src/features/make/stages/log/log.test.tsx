import { describe, expect, it } from '@jest/globals';
import { sumOfMinutes } from '@coiled-strand/contract';
import { planPiece, type Plan } from '@coiled-strand/core';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { listen, renderIn } from '../../../../testing';
import { loggedView, makeView, planView, pieceOf } from '../../../../testing-make';
import { reopenOutbox } from '../../../../data/outbox/testing';
import { logFormOf } from './log-drafts';
import { LogForm } from './log-form';
import { Logged } from './logged';
import { minutesOf } from './minutes';

const piece = pieceOf('buckle-band');
const plan = planPiece(piece) as Plan;
const record = {
  cords: [{ cut: 3300, leftover: 300 }],
  length: plan.fit.length * 1.01,
  minutes: 50,
  stages: { prepare: 8, tie: 36, finish: 6 },
  worn: 'snug' as const,
  owner: 'Ines Varga',
};

/** A make is what every answer tells of. */
const answers = (path: string): unknown =>
  path.endsWith('/plan') ? planView(piece) : /of-things$|cut-for/.test(path) ? [] : makeView(piece);

describe('logging a make', () => {
  it('begins with the time that was counted and asks for what must be measured', async () => {
    const sent = listen(answers);
    const make = makeView(piece, { seconds: { prepare: 300, tie: 1790, finish: 20 } });
    renderIn({}, <LogForm make={make} plan={plan} open={2} />);
    const field = (name: RegExp): HTMLInputElement => screen.getByRole('textbox', { name });
    expect(field(/Minutes measuring/).value).toBe('5');
    expect(field(/Minutes tying/).value).toBe('30');
    expect(field(/Minutes finishing/).value).toBe('1');
    await userEvent.click(screen.getByRole('button', { name: 'Log it' }));
    expect(await screen.findByText('How much was left over?')).toBeTruthy();
    expect(sent).toEqual([]);
    await userEvent.type(field(/Cord 1, left over/), '30 cm');
    await userEvent.type(field(/Length of the work/), '19.5 cm');
    await userEvent.type(field(/Half knots tied/), '27{Enter}');
    await userEvent.click(screen.getByRole('radio', { name: 'Loose' }));
    await userEvent.click(screen.getByRole('button', { name: 'Log it' }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]?.body).toMatchObject({
      cords: [{ leftover: 300 }],
      length: 195,
      tied: 27,
      minutes: 36,
      stages: { prepare: 5, tie: 30, finish: 1 },
      worn: 'loose',
      owner: 'Somebody',
    });
  });
  it('asks how an end was once its length is told, and sends what was measured in between', async () => {
    const sent = listen(answers);
    const part = plan.parts[0]!.id;
    const done = [
      { part, units: 12 },
      { part: 'other', units: 0 },
    ];
    const make = makeView(piece, { measured: { done, length: 90, left: [] } });
    renderIn({}, <LogForm make={make} plan={plan} open={0} />);
    const field = (name: RegExp): HTMLInputElement => screen.getByRole('textbox', { name });
    await userEvent.type(field(/Cord 1, left over/), '30 cm');
    await userEvent.type(field(/Length of the work/), '19.5 cm');
    expect(screen.queryByRole('radio', { name: 'Just enough' })).toBeNull();
    await userEvent.type(field(/Shortest end tied with/), '3.5 cm{Enter}');
    await userEvent.click(screen.getByRole('button', { name: 'Log it' }));
    expect(await screen.findByText('Was that end long enough to tie with?')).toBeTruthy();
    expect(sent).toEqual([]);
    await userEvent.click(screen.getByRole('radio', { name: 'Just enough' }));
    await userEvent.click(screen.getByRole('button', { name: 'Log it' }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]?.body).toMatchObject({
      ends: { shortest: 35, was: 'enough' },
      between: { done: [{ part, units: 12 }], length: 90 },
    });
  });
  it('stands half filled in again after a reload, and is forgotten when it was sent', async () => {
    const sent = listen(answers);
    const make = makeView(piece, { id: '00000000-0000-4000-8000-00000000d4af' });
    const field = (name: RegExp): HTMLInputElement => screen.getByRole('textbox', { name });
    const first = renderIn({}, <LogForm make={make} plan={plan} open={0} />);
    await userEvent.type(field(/Cord 1, left over/), '30 cm{Enter}');
    await userEvent.type(field(/Note/), 'tight');
    first.unmount();
    // As a new page finds it.
    await reopenOutbox();
    const again = renderIn({}, <LogForm make={make} plan={plan} open={0} />);
    expect(field(/Cord 1, left over/).value).toBe('30 cm');
    expect(field(/Note/).value).toBe('tight');
    await userEvent.type(field(/Length of the work/), '19.5 cm{Enter}');
    await userEvent.click(screen.getByRole('button', { name: 'Log it' }));
    await waitFor(() => expect(sent).toHaveLength(1));
    await waitFor(() => expect(logFormOf(make.id)).toBeUndefined());
    again.unmount();
    renderIn({}, <LogForm make={make} plan={plan} open={0} />);
    expect(field(/Note/).value).toBe('');
  });
  it('shows what was logged beside what was predicted, and lets it be mended', async () => {
    listen(answers);
    renderIn(
      {},
      <MemoryRouter>
        <Logged entry={loggedView(piece, record)} />
      </MemoryRouter>,
    );
    const text = (await screen.findByTestId('logged')).textContent;
    expect(text).toContain('in 50 minutes (8 cutting, 36 tying, 6 finishing)');
    expect(text).toContain('Ines Varga has it. Sits snug.');
    expect(text).toMatch(/Square knots took \d+ % (more|less) cord than the model’s/);
    await userEvent.click(screen.getByRole('button', { name: 'Correct the log' }));
    expect(screen.getByRole('textbox', { name: /Minutes tying/ })).toHaveProperty('value', '36');
    await userEvent.click(screen.getByRole('button', { name: 'Cancel' }));
    expect(screen.getByTestId('logged')).toBeTruthy();
  });
  it('rounds counted time to minutes, and what was touched at all to one', () => {
    expect(minutesOf({ prepare: 0, tie: 5, finish: 95 })).toEqual({
      prepare: 0,
      tie: 1,
      finish: 2,
    });
    expect(sumOfMinutes({ prepare: 1, tie: 2, finish: 3 })).toBe(6);
  });
});
