import { describe, expect, it } from '@jest/globals';
import type { Evidence, LessonView, Source } from '@coiled-strand/contract';
import { EXAMPLE_CORD, lessonsFrom } from '@coiled-strand/core';
import { screen, waitFor, within } from '@testing-library/react';
import { format } from 'date-fns';
import userEvent from '@testing-library/user-event';
import { listen, renderIn } from '../../../../testing';
import { LessonRow } from './lesson-row';
import { SwatchDialog } from '../../hand/swatch-dialog';
import { overModel, spreadOf, tellTrend } from '../../hand/words';

const evidence = (ratio: number, id: string, more: Partial<Source> = {}): Evidence => ({
  technique: 'square-knot-sinnet',
  cordKind: 'paracord',
  measure: 'take-up',
  ratio,
  spread: 0.11,
  source: {
    from: 'make',
    id,
    label: `Piece ${id}, make 1`,
    at: '2026-02-01T12:00:00.000Z',
    setAside: null,
    ...more,
  },
});

/** As the server tells it: of many, the last are named. */
const learnt = (observations: readonly Evidence[], told = observations.length): LessonView => {
  const [lesson] = lessonsFrom(observations);
  const last = lesson!.observations.slice(-told);
  return { ...lesson!, since: observations[0]!.source.at, observations: last };
};

describe('what is known of the hand', () => {
  const lesson = learnt([1.05, 1.06, 1.04, 1.05, 1.6].map((r, i) => evidence(r, `${i}`)));
  it('is told before and after, with how many measurements it rests on', () => {
    renderIn({}, <LessonRow lesson={lesson} />);
    const text = screen.getByTestId('lesson').textContent;
    expect(text).toContain('Square knots in paracord');
    expect(text).toContain('before ± 11 %');
    expect(screen.getByRole('button', { name: 'by 5 measurements' })).toBeTruthy();
  });
  it('questions what does not agree, and sets it aside only with a reason', async () => {
    const sent = listen();
    renderIn({}, <LessonRow lesson={lesson} />);
    await userEvent.click(screen.getByRole('button', { name: 'by 5 measurements' }));
    expect(screen.getAllByText(/Does not agree with the others/)).toHaveLength(1);
    await userEvent.click(screen.getByRole('button', { name: 'Set Piece 4, make 1 aside' }));
    expect(screen.getByRole('button', { name: 'Set it aside' })).toHaveProperty('disabled', true);
    await userEvent.type(
      screen.getByRole('textbox', { name: 'Why it does not count' }),
      'wet cord{Enter}',
    );
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toEqual({ path: '/api/makes/4/set-aside', body: { reason: 'wet cord' } });
  });
  it('names the last of many, and says how many there were before', async () => {
    const many = Array.from({ length: 70 }, (_, i) => evidence(1.05, `${i}`));
    renderIn({}, <LessonRow lesson={learnt(many, 60)} />);
    await userEvent.click(screen.getByRole('button', { name: 'by 70 measurements' }));
    expect(screen.getAllByRole('button', { name: /^Set Piece/ })).toHaveLength(60);
    expect(screen.getByText('and 10 before these')).toBeTruthy();
  });
  it('tells a trend where there is one, and since when', () => {
    const grows = Array.from({ length: 9 }, (_, i) => evidence(Math.exp(-0.025 * i), `${i}`));
    const changing = learnt(grows.map((own) => ({ ...own, measure: 'pitch' as const })));
    renderIn({}, <LessonRow lesson={changing} />);
    const since = format(new Date(grows[0]!.source.at), 'MMMM yyyy');
    expect(screen.getByTestId('lesson').textContent).toMatch(
      new RegExp(`Your half knots have become 1\\d % shorter since ${since}\\.`),
    );
    expect(tellTrend({ ...changing, trend: null }, new Date())).toBeNull();
    expect(
      tellTrend({ ...changing, measure: 'take-up', trend: { change: 1.06 } }, new Date(2026, 2)),
    ).toBe('Your half knots take 6 % more cord since March 2026.');
  });
  it('is said in whole per cents', () => {
    expect([1.042, 0.9, 1.001].map((factor) => overModel(factor))).toEqual([
      '+4 %',
      '−10 %',
      'as the model',
    ]);
    expect(spreadOf({ spread: 0.0728 })).toBe('± 7 %');
  });
});

describe('a swatch', () => {
  const cords = [{ id: 'c1', etag: '1', value: { ...EXAMPLE_CORD, kind: 'hemp' as const } }];
  it('tells what it says of the hand before it is kept', async () => {
    const sent = listen();
    renderIn({}, <SwatchDialog onClose={() => undefined} />, { cords });
    const type = async (name: string, text: string): Promise<void> => {
      await userEvent.type(screen.getByRole('textbox', { name }), `${text}{Enter}`);
    };
    const keep = screen.getByRole('button', { name: 'Keep the swatch' });
    await type('Length of the half knots', '16 cm');
    await type('Cord before', '200 cm');
    expect(keep).toHaveProperty('disabled', true);
    await type('Cord after', '230 cm');
    expect(screen.getByText(/there must be less cord than before/)).toBeTruthy();
    await userEvent.clear(screen.getByRole('textbox', { name: 'Cord after' }));
    await type('Cord after', '70 cm');
    expect(screen.getByText(/cord for each half knot/)).toBeTruthy();
    await userEvent.click(keep);
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({
      path: '/api/swatches',
      body: { technique: 'square-knot-sinnet', form: 'flat', units: 20, before: 2000, after: 700 },
    });
  });
  it('offers of each technique what it is tied as', async () => {
    listen();
    renderIn({}, <SwatchDialog onClose={() => undefined} />, { cords });
    await userEvent.selectOptions(screen.getByRole('combobox', { name: 'Technique' }), 'plait');
    expect(screen.getByRole('textbox', { name: 'How many crossings' })).toBeTruthy();
    expect(screen.getByRole('dialog').textContent).toContain('Plait 3 single cords');
    const forms = within(screen.getByRole('combobox', { name: 'Form' })).getAllByRole('option');
    expect(forms.map((form) => form.getAttribute('value'))).toEqual([
      'three',
      'four-flat',
      'four-round',
    ]);
  });
});
