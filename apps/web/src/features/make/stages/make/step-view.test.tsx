import { describe, expect, it } from '@jest/globals';
import { cleanup, screen, within } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { renderIn } from '../../../../testing';
import { makeAt, pieceOf } from '../../../../testing-make';
import type { Make } from '../../make/use-make';
import { StepView } from './step-view';

const show = (make: Make, slow = 0): void => {
  renderIn(
    {},
    <MemoryRouter>
      <StepView
        make={make}
        step={make.steps[make.place.index]!}
        slow={slow}
        onSlow={() => undefined}
      >
        <span>controls</span>
      </StepView>
    </MemoryRouter>,
  );
};
const at = (template: string, id: string, unit = 0): Make => {
  const piece = pieceOf(template);
  const { steps } = makeAt(piece, 0);
  const index = steps.findIndex((step) => step.id === id);
  const done = steps.slice(0, index).reduce((sum, step) => sum + step.units, 0) + unit;
  return makeAt(piece, done);
};

describe('the step at hand', () => {
  it('is a cord with its fold while cords are cut', () => {
    show(at('buckle-band', 'cut-1'));
    expect(screen.getByTestId('step-picture').textContent).toMatch(/fold at/);
    expect(screen.queryByTestId('counter')).toBeNull();
    expect(screen.getByTestId('next-call').textContent).toMatch(/^Then /);
  });
  it('is a side, a count and a picture while knots are tied', () => {
    show(at('buckle-band', 'tie-square-knot-sinnet', 4));
    expect(screen.getByText('Left cord over')).toBeTruthy();
    expect(screen.getByTestId('counter').textContent).toBe('4');
    expect(screen.getByText(/of 2\d half knots done/)).toBeTruthy();
    const moves = within(screen.getByTestId('tying-moves'));
    expect(moves.getAllByTestId('move-picture')).toHaveLength(4);
    expect(moves.getByText(/^1\. .*lay the left cord to the right over the core/)).toBeTruthy();
    expect(document.title).toMatch(/^left, 5 of/);
  });
  it('shows of a band where the next knot goes, and how it is tied the first time only', () => {
    const step = 'tie-knotted-floss';
    const knots = makeAt(pieceOf('floss-stripe'), 0).steps.find(({ id }) => id === step)!;
    show(at('floss-stripe', step));
    expect(screen.getByRole('img')).toBeTruthy();
    expect(screen.getAllByTestId('move-picture')).toHaveLength(4);
    cleanup();
    expect(knots.tied!.length).toBeGreaterThan(1);
    show(at('floss-stripe', step, 5));
    expect(screen.getByRole('img')).toBeTruthy();
    expect(screen.queryByTestId('move-picture')).toBeNull();
  });
  it('counts on after the work was tried on', () => {
    const make = at('floss-stripe', 'tie-knotted-floss-on', 1);
    const { from } = make.steps[make.place.index]!;
    show(make);
    expect(screen.getByTestId('counter').textContent).toBe(String(from! + 1));
  });
  it('names the ends that stay before a cut, and what goes wrong', () => {
    show(at('beaded-band', 'trim'));
    expect(screen.getByText('These stay')).toBeTruthy();
    expect(screen.getByText('both tails, out to their stopper knots')).toBeTruthy();
    expect(screen.getByText(/^both ends of cord 2/)).toBeTruthy();
    expect(screen.getByText(/The wrong end is cut/)).toBeTruthy();
  });
  it('shows a cord going in, line after line, when it is asked for slowly', () => {
    show(at('buckle-band', 'tie-square-knot-sinnet', 4), 1);
    expect(document.querySelectorAll('.going-in').length).toBeGreaterThan(0);
  });
});
