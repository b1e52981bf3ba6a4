import { describe, expect, it } from '@jest/globals';
import type { HandView } from '@coiled-strand/contract';
import { EXAMPLE_CORD, stepPicture, type Bead, type Cord } from '@coiled-strand/core';
import { act, screen } from '@testing-library/react';
import { keys, queryClient } from '../../../../data/api/queries';
import { renderIn } from '../../../../testing';
import { ENTRIES, findEntries } from './entries';
import { HowEven } from './how-even';
import { onCord } from './shown';

const thin: Cord = { ...EXAMPLE_CORD, kind: 'waxed-polyester', diameter: 1 };
const leather: Cord = { ...EXAMPLE_CORD, kind: 'leather', diameter: 3 };
const bead: Bead = {
  ...{ name: 'Clay', shape: 'round', length: 8, height: 8, hole: 2.6 },
  colour: { name: 'clay', hex: '#aa7755' },
};

describe('the knot book', () => {
  it('says of everything what it is good for, and of nothing that is not there', () => {
    expect(ENTRIES.filter(({ goodFor }) => goodFor === '').map(({ id }) => id)).toEqual([]);
    expect(new Set(ENTRIES.map(({ id }) => id)).size).toBe(ENTRIES.length);
  });

  it.each(ENTRIES.filter(({ id }) => id !== 'own-knot'))(
    'shows $id on some cord, with its steps and their pictures, for either hand',
    (entry) => {
      const cord = [EXAMPLE_CORD, thin, leather].find((one) => onCord(entry, one, bead, 'right'));
      for (const hand of ['left', 'right'] as const) {
        const { piece, plan, steps, firstSide } = onCord(entry, cord!, bead, hand)!;
        expect(plan.advice.filter(({ severity }) => severity === 'error')).toEqual([]);
        expect(steps.length).toBeGreaterThan(0);
        expect(firstSide).toBe(hand === 'right' ? 'left' : 'right');
        const pictured = steps.filter(
          (step) =>
            ['cord', 'auxiliary', 'worn'].includes(step.look?.kind ?? '') ||
            stepPicture(piece, plan, step, 0, firstSide) !== null,
        );
        expect(pictured).toHaveLength(steps.length);
      }
    },
  );

  it('shows nothing on a cord that it does not go with', () => {
    const singe = ENTRIES.find(({ id }) => id === 'singe')!;
    expect(onCord(singe, leather, bead, 'right')).toBeNull();
    const row = ENTRIES.find(({ id }) => id === 'beads')!;
    expect(onCord(row, thin, undefined, 'right')).toBeNull();
  });

  it('is searched by words of its entries', () => {
    expect(findEntries('slider').map(({ id }) => id)).toContain('coiled-slider');
    expect(findEntries('glue clasp').map(({ id }) => id)).toContain('glue-in-clasp');
    expect(findEntries('zeppelin')).toEqual([]);
    expect(findEntries('')).toHaveLength(ENTRIES.length);
  });
});

describe('how even a hand is', () => {
  const lessonOf = (ratios: readonly number[]): HandView =>
    ({
      hand: [],
      setAside: [],
      lessons: [
        {
          ...{ technique: 'square-knot-sinnet', cordKind: 'paracord', measure: 'take-up' },
          ...{ before: { factor: 1, spread: 0.1, rests: 0 }, trend: null, since: '2026-01-01' },
          after: { factor: 1.04, spread: 0.02, rests: ratios.length },
          observations: ratios.map((ratio, i) => ({
            ...{ ratio, surprise: 0 },
            source: { from: 'swatch', id: `${i}`, label: 'swatch', at: '', setAside: null },
          })),
        },
      ],
    }) as unknown as HandView;
  const shown = async (ratios: readonly number[]): Promise<string> => {
    renderIn({}, <HowEven technique="square-knot-sinnet" first="paracord" />);
    act(() => void queryClient.setQueryData(keys.hand, lessonOf(ratios)));
    return (await screen.findByTestId('how-even')).textContent ?? '';
  };

  it('is told after three swatches, with their numbers', async () => {
    const text = await shown([1.03, 1.04, 1.05]);
    expect(text).toContain('Your hand is even');
    expect(text).toContain('3 swatches lie 1.0 % apart (+3 %, +4 %, +5 %)');
  });
  it('is told as it is where it is not', async () => {
    expect(await shown([0.9, 1, 1.2])).toContain('not even yet');
  });
  it('says how many more it takes', async () => {
    expect(await shown([1.03])).toContain('2 more swatches tell');
  });
});
