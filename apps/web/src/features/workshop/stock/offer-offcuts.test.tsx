import { describe, expect, it } from '@jest/globals';
import type { CutForView, FromMakeDto, LotView } from '@coiled-strand/contract';
import { planPiece, templateById, type Plan } from '@coiled-strand/core';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { listen, renderIn } from '../../../testing';
import { loggedView } from '../../../testing-make';
import { OfferOffcuts } from './offer-offcuts';
import { lotView } from './testing';

const piece = templateById('buckle-band').make({
  name: 'Band',
  wearer: { name: 'x', wrist: 165, hand: 200 },
  cutting: { confidence: 0.95, step: 10, practice: 'practised' },
});
const plan = planPiece(piece) as Plan;
const thing = { kind: 'cord', cord: piece.strands[0]!.cord } as const;
const lot = (id: string, left: number, more: Partial<LotView> = {}): LotView =>
  lotView(thing, id, left, more);
const show = (leftover: number, lots: readonly LotView[], cutFor: readonly CutForView[] = []) => {
  const sent = listen((path) =>
    path.endsWith('/of-things') ? lots : path.includes('/cut-for/') ? cutFor : [],
  );
  const cords = plan.strands.map(({ cut }) => ({ cut: Math.round(cut), leftover }));
  renderIn(
    {},
    <OfferOffcuts
      make={loggedView(piece, { cords, length: plan.fit.length, minutes: 40 })}
      plan={plan}
    />,
  );
  const told = () =>
    sent.find(({ path }) => path.endsWith('/from-make'))?.body as FromMakeDto | undefined;
  return { told };
};

describe('what a make was cut from', () => {
  it('is the begun lot that is just long enough, and what is long enough comes back', async () => {
    const { told } = show(420, [
      lot('short', 100),
      lot('long', 9000),
      lot('begun', 8000),
      lot('new', 5000, { whole: true }),
    ]);
    await screen.findByRole('checkbox', { name: /Keep the offcut/ });
    await userEvent.click(screen.getByRole('button', { name: 'Tell the stash' }));
    await waitFor(() => expect(told()).toBeDefined());
    expect(told()!.cords).toMatchObject([{ strand: 1, lot: 'begun', offcuts: [420] }]);
  });
  it('may be thrown away, come from another lot, or not from the stash at all', async () => {
    const { told } = show(420, [lot('one', 8000), lot('two', 9000)]);
    await userEvent.click(await screen.findByText(/Keep the offcut/));
    await userEvent.selectOptions(screen.getByRole('combobox'), 'two');
    await userEvent.click(screen.getByRole('button', { name: 'Tell the stash' }));
    await waitFor(() => expect(told()).toBeDefined());
    expect(told()!.cords).toMatchObject([{ lot: 'two', offcuts: [] }]);
  });
  it('is where it was cut, where a session says so', async () => {
    const cutting = { id: 'c', name: 'Evening' };
    const { told } = show(
      420,
      [lot('one', 8000)],
      [{ strand: 1, cut: 'x', lot: 'used up', length: 3210, cutting }],
    );
    expect(await screen.findByText(/cut in “Evening”/)).toBeTruthy();
    expect(screen.queryByRole('combobox')).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Tell the stash' }));
    await waitFor(() => expect(told()).toBeDefined());
    expect(told()!.cords).toMatchObject([{ strand: 1, lot: 'used up', offcuts: [420] }]);
  });
  it('is waste where it is too short for what is useful', async () => {
    const { told } = show(200, [lot('one', 8000)]);
    expect(await screen.findByText(/too short to keep/)).toBeTruthy();
    await userEvent.selectOptions(screen.getByRole('combobox'), 'Not from the stash');
    await userEvent.click(screen.getByRole('button', { name: 'Tell the stash' }));
    await waitFor(() => expect(told()).toBeDefined());
    expect(told()!.cords).toEqual([]);
  });
});
