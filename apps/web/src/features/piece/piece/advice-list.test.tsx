import { describe, expect, it } from '@jest/globals';
import { planPiece, templateById } from '@coiled-strand/core';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useSelection } from '../bench/selection-store';
import { pieceNow, renderStage } from '../../../testing';
import { Answers } from './answers';
import { AdviceList } from './advice-list';
import { usePlan } from './use-plan';

const piece = templateById('coiled-slide').make({
  name: 'x',
  wearer: { name: 'Somebody', wrist: 165, hand: 200 },
  cutting: { confidence: 0.95, step: 10, practice: 'practised' },
});
const short = { ...piece, closure: { ...piece.closure, tails: 25 } } as typeof piece;

function Live() {
  const { plan } = usePlan();
  return (
    <>
      <AdviceList advice={plan.advice} />
      <Answers plan={plan} />
    </>
  );
}

describe('a piece of advice', () => {
  it('offers what mends it, and mends it', async () => {
    renderStage(short, <Live />);
    await userEvent.click(screen.getByRole('button', { name: /^Tails of/ }));
    expect(document.querySelector('[data-advice="closure.range"]')).toBeNull();
    const { closure } = pieceNow();
    expect('tails' in closure && closure.tails).toBeGreaterThan(25);
  });
  it('leads to the part that it concerns', async () => {
    renderStage(short, <Live />);
    await userEvent.click(screen.getByRole('button', { name: 'Show where' }));
    expect(useSelection.getState()).toMatchObject({ part: 'closure', pane: 'closure' });
  });
  it('that is only a note waits behind a line that counts them, where there is little room', async () => {
    const child = { ...piece, wearer: { ...piece.wearer, child: true } };
    const notes = planPiece(child).advice.filter(({ severity }) => severity === 'note');
    renderStage(child, <AdviceList advice={planPiece(child).advice} />);
    const line = screen.getByRole('button', { name: `${notes.length} notes` });
    expect(line.getAttribute('aria-expanded')).toBe('false');
    await userEvent.click(line);
    expect(screen.getByRole('button', { name: 'Hide the notes' })).toBeTruthy();
  });
  it('that concerns no part offers nothing', () => {
    const child = { ...piece, wearer: { ...piece.wearer, child: true } };
    renderStage(child, <AdviceList advice={planPiece(child).advice} />);
    const item = document.querySelector('[data-advice="wearer.child"]');
    expect(item?.querySelector('button')).toBeNull();
  });
});

describe('answers of a whole piece', () => {
  it('say the sizes it can take, with the hand it must pass', () => {
    renderStage(piece, <Live />);
    expect(screen.getByText(/^Drawn in .*, drawn out .* \(the hand is 20 cm\)$/)).toBeTruthy();
  });
  it('count beads on both sides and what to have ready', () => {
    renderStage(piece, <Live />);
    const counters = screen.getByRole('group', { name: 'Counters' });
    expect(counters.textContent).toContain('Beads: 2 left, 1 in the middle, 2 right; symmetric');
    expect(counters.textContent).toContain('5 × Bronze 8 mm');
  });
  it('open the sum of a cord cut besides the strands', async () => {
    renderStage(piece, <Live />);
    await userEvent.click(screen.getByRole('button', { name: /^Slider cord/ }));
    expect(await screen.findByText('Working end')).toBeTruthy();
  });
});
