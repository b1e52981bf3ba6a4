import { beforeEach, describe, expect, it, jest } from '@jest/globals';
import { emptyOutbox } from '../../../../data/outbox/testing';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { renderIn } from '../../../../testing';
import { makeAt, pieceOf } from '../../../../testing-make';
import { CountDialog } from './count-dialog';
import { LostDialog } from './lost-dialog';
import { MeasureDialog } from './measure-dialog';
import { localOf, reportsOf, useReports, useProgress } from '../../make/progress-store';
import { measuredOf } from '../../make/use-make';

const piece = pieceOf('buckle-band');
const firstKnot = makeAt(piece, 0).steps.findIndex((step) => step.id === 'tie-square-knot-sinnet');
const make = makeAt(piece, firstKnot + 7);
const step = make.steps[make.place.index]!;
const nothing = (): void => undefined;

describe('typing how many are done', () => {
  const open = (): { count: jest.Mock<(unit: number) => void>; field: HTMLElement } => {
    const count = jest.fn<(unit: number) => void>();
    renderIn({}, <CountDialog step={step} unit={7} open onClose={nothing} onCount={count} />);
    return { count, field: screen.getByRole('textbox') };
  };
  it('takes a number by keys alone', async () => {
    const { count, field } = open();
    expect((field as HTMLInputElement).value).toBe('7');
    await userEvent.clear(field);
    await userEvent.type(field, '12{Enter}');
    expect(count).toHaveBeenCalledWith(12);
  });
  it('steps by fives and not beyond what there is', async () => {
    const { count } = open();
    for (let i = 0; i < 9; i++) {
      await userEvent.click(screen.getByRole('button', { name: 'Five more' }));
    }
    await userEvent.click(screen.getByRole('button', { name: 'Set the count' }));
    expect(count).toHaveBeenCalledWith(step.units);
  });
  it.each(['', 'many', '99'])('says what is wrong with “%s” and counts nothing', async (text) => {
    const { count, field } = open();
    await userEvent.clear(field);
    if (text) await userEvent.type(field, text);
    expect(screen.getByRole('alert').textContent).not.toBe('');
    expect(screen.getByRole('button', { name: 'Set the count' })).toHaveProperty('disabled', true);
    expect(count).not.toHaveBeenCalled();
  });
  it('counts on where the work was interrupted', async () => {
    const count = jest.fn<(unit: number) => void>();
    const on = { ...step, from: 19, units: 10 };
    renderIn({}, <CountDialog step={on} unit={2} open onClose={nothing} onCount={count} />);
    const field = screen.getByRole('textbox');
    expect((field as HTMLInputElement).value).toBe('21');
    await userEvent.clear(field);
    await userEvent.type(field, '25{Enter}');
    expect(count).toHaveBeenCalledWith(6);
  });
});

describe('where was I', () => {
  it('tells the sides and finds the count by a length', async () => {
    const count = jest.fn<(unit: number) => void>();
    renderIn(
      {},
      <LostDialog make={make} step={step} unit={7} open onClose={nothing} onCount={count} />,
    );
    const dialog = within(screen.getByRole('dialog'));
    expect(dialog.getByText(/The last came from the left; the right is next/)).toBeTruthy();
    await userEvent.click(dialog.getByRole('button', { name: 'One fewer' }));
    expect(dialog.getByText(/the left is next/)).toBeTruthy();
    const { layout } = make.plan.parts[0]!;
    const field = dialog.getByRole('textbox', { name: /measure this part/ });
    await userEvent.clear(field);
    await userEvent.type(field, `${(layout.pitch * 11) / 10} cm{Enter}`);
    expect(dialog.getByText('11 half knots')).toBeTruthy();
    await userEvent.click(dialog.getByRole('button', { name: 'Here I am' }));
    expect(count).toHaveBeenCalledWith(11);
  });
});

const measured = () => measuredOf(make.view, make.plan, localOf(reportsOf('make-1')));

/** As the stage shows it: with what is known of the make by now. */
function Measuring() {
  const told = useReports('make-1');
  const now = { ...make, measured: measuredOf(make.view, make.plan, localOf(told)) };
  return <MeasureDialog make={now} open onClose={nothing} />;
}

describe('measuring half way', () => {
  beforeEach(() => {
    emptyOutbox();
    emptyOutbox();
    useProgress.setState({ own: {} });
  });
  const type = async (name: RegExp, text: string): Promise<void> => {
    const field = screen.getByRole('textbox', { name });
    await userEvent.clear(field);
    await userEvent.type(field, `${text}{Enter}`);
  };
  it('tells nothing before there is a length, and what it rests on after', async () => {
    renderIn({}, <Measuring />);
    expect(screen.queryByTestId('forecast')).toBeNull();
    const { pitch } = make.plan.parts[0]!.layout;
    await type(/Length of the work/, `${(7 * pitch) / 10} cm`);
    expect(screen.getByTestId('forecast').textContent).toMatch(/Every cord lasts/);
    expect(measured()).toMatchObject({
      done: { 'square-knot-sinnet': 7 },
      length: expect.closeTo(7 * pitch, 3),
      left: [null],
    });
  });
  it('says what can be done when a cord is scarce, and doubts what no hand does', async () => {
    renderIn({}, <Measuring />);
    await type(/Length of the work/, '5 cm');
    await type(/Cord 1, left/, '30 cm');
    const told = screen.getByTestId('forecast').textContent;
    expect(told).toContain('A cord will run out.');
    expect(told).toContain('Join a cord');
    expect(told).toContain('Were all ends of the cord measured');
    await userEvent.click(screen.getByRole('button', { name: 'Discard it' }));
    expect(measured()).toBeNull();
    expect(screen.queryByTestId('forecast')).toBeNull();
  });
  it('takes no length that no work has, and says so', async () => {
    renderIn({}, <Measuring />);
    await type(/Length of the work/, '9 m');
    expect(screen.getByText(/Between 0.1 cm and 500 cm/)).toBeTruthy();
    expect(measured()).toBeNull();
  });
});
