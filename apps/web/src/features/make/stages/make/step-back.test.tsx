import { describe, expect, it, jest } from '@jest/globals';
import type { Step } from '@coiled-strand/core';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { renderIn } from '../../../../testing';
import { StepBack } from './step-back';

const step: Step = {
  id: 'tie-band',
  stage: 'tie',
  title: 'Knot the band',
  text: '',
  units: 40,
  unitName: 'knot',
  calls: {
    said: Array.from({ length: 8 }, (_, i) => `Strand ${i} over its neighbour`),
    order: Array.from({ length: 40 }, (_, unit) => unit % 8),
  },
  cautions: [],
};

describe('going back to the first wrong knot', () => {
  it('shows the last knots in words and goes back to the chosen one', async () => {
    const back = jest.fn<(unit: number) => void>();
    renderIn({}, <StepBack step={step} unit={30} onBackTo={back} />);
    await userEvent.click(screen.getByRole('button', { name: 'I tied the wrong one' }));
    const dialog = await screen.findByRole('dialog');
    const knots = within(dialog).getAllByRole('listitem');
    expect(knots).toHaveLength(24);
    expect(knots[0]!.textContent).toContain('30');
    await userEvent.click(within(dialog).getByRole('button', { name: /^28\s*Strand 3/ }));
    expect(back).toHaveBeenCalledWith(27);
  });
  it('is not there before anything is tied, nor where knots are all alike', () => {
    const { unmount } = renderIn({}, <StepBack step={step} unit={0} onBackTo={() => undefined} />);
    expect(screen.queryByRole('button')).toBeNull();
    unmount();
    const { calls: _, ...alike } = step;
    renderIn({}, <StepBack step={alike} unit={9} onBackTo={() => undefined} />);
    expect(screen.queryByRole('button')).toBeNull();
  });
});
