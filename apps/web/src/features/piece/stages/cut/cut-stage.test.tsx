import { describe, expect, it } from '@jest/globals';
import { IN_MM, planPiece, speak, templateById, type Piece, type Plan } from '@coiled-strand/core';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { pieceNow, renderStage } from '../../../../testing';
import { CutStage } from './cut-stage';

const make = (id: string): Piece =>
  templateById(id).make({
    name: 'x',
    wearer: { name: 'Somebody', wrist: 165, hand: 200 },
    cutting: { confidence: 0.95, step: 10, practice: 'practised' },
  });

describe('the cut list', () => {
  const piece = make('beaded-band');
  const plan = planPiece(piece) as Plan;
  it('is not shown for a piece that hands cannot make: nothing is cut before', () => {
    const bare = {
      ...make('lariat'),
      parts: make('lariat').parts.filter(({ kind }) => kind !== 'stopper-knot'),
    };
    expect(planPiece(bare)).toMatchObject({ ok: true, unmakeable: true });
    renderStage(bare, <CutStage />);
    expect(screen.queryByTestId('cut-1')).toBeNull();
    expect(screen.getByText(/Fix what is listed/)).toBeTruthy();
  });
  it('has every strand and every cord besides, each with its sum', () => {
    renderStage(piece, <CutStage />);
    for (const strand of plan.strands) {
      const card = within(screen.getByTestId(`cut-${strand.number}`));
      expect(card.getByText(strand.role)).toBeTruthy();
      for (const reason of strand.reasons) {
        expect(card.getAllByText(speak(reason.label, IN_MM)).length).toBeGreaterThan(0);
      }
    }
    const slider = within(screen.getByTestId('cut-slider'));
    expect(slider.getByText('Slider cord')).toBeTruthy();
    expect(slider.getByText('Reserve')).toBeTruthy();
  });
  it('says what of it is for a first make, beside what is cut', () => {
    renderStage(piece, <CutStage />);
    expect(plan.totals.firstMake).toBeGreaterThan(50);
    expect(screen.getByTestId('first-make').textContent).toMatch(
      /in of it is for a first make\. Log it, and the next list asks for less\.$/,
    );
    for (const strand of plan.strands) {
      const card = within(screen.getByTestId(`cut-${strand.number}`));
      expect(card.getByText('First make')).toBeTruthy();
    }
  });
  it('says where a cord is folded, and which is used single', () => {
    renderStage(piece, <CutStage />);
    expect(screen.getByTestId('cut-1').textContent).toContain('used single');
    expect(screen.getByTestId('cut-2').textContent).toMatch(/fold at \d/);
  });
  it('lists beads and findings to have ready, and what is to be bought', () => {
    const few = { ...piece, beads: piece.beads.map((bead) => ({ ...bead, count: 5 })) };
    const { unmount } = renderStage(few, <CutStage />);
    expect(screen.getByText('9 × Hematite grey 6 mm, 4 to buy')).toBeTruthy();
    unmount();
    renderStage(make('triple-wrap'), <CutStage />);
    expect(screen.getByText(/^2 × Cord end to crimp, /)).toBeTruthy();
  });
  it('says where each number comes from, and how sure it is', () => {
    renderStage(piece, <CutStage />);
    const text = screen.getByTestId('cut-2').textContent;
    expect(text).toMatch(/over the core \(computed, to 0\.\d %\)/);
    expect(text).toMatch(/trimmed afterwards \(common practice\)/);
    expect(text).toMatch(/lasts 95 times in 100 \(common practice\)/);
  });
  it('names the cords that a rule is for', () => {
    renderStage(make('seized-laces'), <CutStage />);
    expect(screen.getByText(/For the strands the rule of thumb \(fifteen inches/)).toBeTruthy();
    expect(screen.getByText(/For the slider cord the rule of thumb/)).toBeTruthy();
  });
  it('stands beside the trade’s rule where there is one', () => {
    const { unmount } = renderStage(piece, <CutStage />);
    expect(screen.getByText(/The rule of thumb \(three feet of core/)).toBeTruthy();
    unmount();
    renderStage(make('focal-cord'), <CutStage />);
    expect(screen.getByText(/Altogether/)).toBeTruthy();
    expect(screen.queryByText(/rule of thumb/)).toBeNull();
  });
  it('follows how sure it should be, how practised the hands are, and what it is rounded to', async () => {
    renderStage(piece, <CutStage />);
    await userEvent.click(screen.getByRole('radio', { name: /^99 in 100/ }));
    await userEvent.click(screen.getByRole('radio', { name: /^Learning/ }));
    await userEvent.selectOptions(screen.getByRole('combobox', { name: 'Round up to' }), '50');
    expect(pieceNow().cutting).toEqual({ confidence: 0.99, step: 50, practice: 'learner' });
  });
  it('keeps the flame from what burns', async () => {
    renderStage(piece, <CutStage />);
    await userEvent.click(screen.getByRole('radio', { name: /^Singe and flatten/ }));
    expect(screen.getByText(/Fix what is listed/)).toBeTruthy();
  });
});
