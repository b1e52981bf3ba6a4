import { beforeEach, describe, expect, it } from '@jest/globals';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { makeAt, pieceOf } from '../../../../testing-make';
import { renderStage } from '../../../../testing';
import { emptyOutbox } from '../../../../data/outbox/testing';
import { localOf, reportsOf, useProgress } from '../../make/progress-store';
import { FinishStage } from './finish-stage';

const piece = { ...pieceOf('beaded-band'), ends: 'glue' as const };
const { steps, finishFrom } = makeAt(piece, 0);
const finishing = steps.filter((step) => step.stage === 'finish');
const boxes = (): HTMLElement[] => screen.getAllByRole('checkbox');
const show = (done: number, timers: Record<string, string | null> = {}): void => {
  renderStage(piece, <FinishStage />, {}, makeAt(piece, done, { timers }));
};

beforeEach(() => {
  globalThis.fetch = () => Promise.reject(new TypeError('down'));
  emptyOutbox();
  useProgress.setState({ own: {} });
});

describe('finishing', () => {
  it('is in order: only the next can be ticked, only the last unticked', () => {
    show(finishFrom + 1);
    expect(boxes()).toHaveLength(finishing.length);
    const enabled = boxes().map((box) => !(box as HTMLButtonElement).disabled);
    expect(enabled.slice(0, 3)).toEqual([true, true, false]);
    expect(boxes()[0]!.getAttribute('aria-checked')).toBe('true');
  });
  it('names the ends and the mistakes of the step that is next, with its picture', () => {
    show(finishFrom + 1);
    expect(screen.getByText('These stay')).toBeTruthy();
    expect(screen.getByText(/The blade nicks the core/)).toBeTruthy();
    expect(screen.getByTestId('step-picture')).toBeTruthy();
  });
  it('begins the wait of a step when it is ticked', async () => {
    const glue = finishing.findIndex((step) => step.id === 'ends-glue');
    show(finishFrom + glue);
    await userEvent.click(boxes()[glue]!);
    const { at, timers } = localOf(reportsOf('make-1'))!;
    expect(at).toEqual({ step: finishing[glue + 1]!.id, unit: 0 });
    expect(Object.keys(timers)).toEqual(['ends-glue']);
  });
  it('does not go on while something cures, and says what', () => {
    const glue = finishing.findIndex((step) => step.id === 'ends-glue');
    show(finishFrom + glue + 1, { 'ends-glue': new Date().toISOString() });
    expect(boxes()[glue + 1]).toHaveProperty('disabled', true);
    expect(screen.getByText(/Not yet: the glue cures, 2\d h \d+ min still/)).toBeTruthy();
  });
});
