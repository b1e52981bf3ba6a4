import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { emptyOutbox } from '../../../data/outbox/testing';
import { act, screen } from '@testing-library/react';
import { renderIn } from '../../../testing';
import { makeAt, pieceOf } from '../../../testing-make';
import { localOf, reportsOf, useProgress } from './progress-store';
import { beginWait, runningWaits, sayLeft, Waits } from './waits';

const piece = { ...pieceOf('focal-cord'), ends: 'glue' as const };
const glue = makeAt(piece, 0).steps.find((step) => step.id === 'ends-glue')!;
const started = new Date(Date.UTC(2026, 0, 1, 9)).toISOString();
const HOUR = 3_600_000;

beforeEach(() => {
  jest.useFakeTimers({ now: Date.parse(started) + HOUR });
  emptyOutbox();
  emptyOutbox();
  useProgress.setState({ own: {} });
  globalThis.fetch = () => Promise.reject(new TypeError('down'));
});
afterEach(() => {
  jest.useRealTimers();
  Reflect.deleteProperty(globalThis, 'fetch');
});

describe('waits', () => {
  it('say how long still, and what must not be done meanwhile', () => {
    renderIn({}, <Waits make={makeAt(piece, 0, { timers: { 'ends-glue': started } })} />);
    expect(screen.getByRole('timer').textContent).toBe('Wait while the glue cures: 23 h 0 min');
    act(() => {
      jest.advanceTimersByTime(61_000);
    });
    expect(screen.getByRole('timer').textContent).toBe('Wait while the glue cures: 22 h 58 min');
    expect(screen.getByText(/Do not wear it, wet it/)).toBeTruthy();
    act(() => {
      jest.advanceTimersByTime(23 * HOUR);
    });
    expect(screen.getByRole('timer').textContent).toContain('Over');
  });
  it('begin with the step that was done, once, and are stopped by hand', () => {
    const make = makeAt(piece, 3);
    beginWait(make, glue);
    const kept = localOf(reportsOf('make-1'))!;
    expect(Date.parse(kept.timers['ends-glue']!)).toBe(Date.parse(started) + HOUR);
    expect(kept.at).toBeNull();
    const running = { ...make, timers: { 'ends-glue': started } };
    emptyOutbox();
    useProgress.setState({ own: {} });
    beginWait(running, glue);
    expect(reportsOf('make-1')).toEqual([]);
    beginWait(make, make.steps[0]);
    expect(reportsOf('make-1')).toEqual([]);
  });
  it('that were stopped do not run', () => {
    expect(runningWaits(makeAt(piece, 0, { timers: { 'ends-glue': null } }))).toEqual([]);
    expect(runningWaits(makeAt(piece, 0, { timers: { 'ends-glue': started } }))).toHaveLength(1);
  });
  it.each([
    [86_340_000, '23 h 59 min'],
    [250_000, '4 min 10 s'],
    [900, '1 s'],
    [-5, '0 s'],
  ])('%d ms are said as %s', (ms, said) => expect(sayLeft(ms)).toBe(said));
});
