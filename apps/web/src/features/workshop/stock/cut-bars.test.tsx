import { describe, expect, it } from '@jest/globals';
import type { CutDto } from '@coiled-strand/contract';
import { templateById } from '@coiled-strand/core';
import { screen, within } from '@testing-library/react';
import { renderIn } from '../../../testing';
import { CutBars } from './cut-bars';
import { lotView } from './testing';

const { strands } = templateById('buckle-band').make({
  name: 'Band',
  wearer: { name: 'x', wrist: 165, hand: 200 },
  cutting: { confidence: 0.95, step: 10, practice: 'practised' },
});
const thing = { kind: 'cord', cord: strands[0]!.cord } as const;
const cut = (id: string, length: number, more: Partial<CutDto> = {}): CutDto => ({
  ...{ id, thing: 'cord', cord: 'a cord', colour: '#335577', length, piece: 'Band', copy: 1 },
  ...{ role: 'Working cord', ...more },
});
/** Shares of the page that a bar is divided into, in percent. */
const widths = (bar: HTMLElement): number[] =>
  [...bar.querySelectorAll<HTMLElement>('.cut-bar > *')].map((part) =>
    parseFloat(part.style.width),
  );

describe('lots as bars', () => {
  it('are true to one scale: cuts as long as they are, and what is left after them', () => {
    renderIn(
      { cordUnit: 'cm' },
      <CutBars
        cuts={[cut('a', 800), cut('b', 200), cut('c', 500)]}
        lots={[
          { lot: 'one', cuts: ['a', 'b'] },
          { lot: 'two', cuts: ['c'] },
        ]}
        stock={[lotView(thing, 'one', 1080), lotView(thing, 'two', 700)]}
      />,
    );
    const [one, two] = screen.getAllByTestId('cut-lot').map(widths);
    expect(one![0]! / one![1]!).toBeCloseTo(4, 9);
    expect(two![0]! / one![0]!).toBeCloseTo(500 / 800, 9);
    expect(one![2]! / one![1]!).toBeCloseTo(80 / 200, 9);
    expect(two![1]! / two![0]!).toBeCloseTo(200 / 500, 9);
  });
  it('break off where more is left than the page has room for, and tell an offcut from waste', () => {
    renderIn(
      { cordUnit: 'cm' },
      <CutBars
        cuts={[cut('a', 1000), cut('b', 1000)]}
        lots={[
          { lot: 'long', cuts: ['a'] },
          { lot: 'short', cuts: ['b'] },
        ]}
        stock={[lotView(thing, 'long', 30_000), lotView(thing, 'short', 1100, { useful: 300 })]}
      />,
    );
    const [long, short] = screen.getAllByTestId('cut-lot');
    const rest = long!.querySelector<HTMLElement>('.rest')!;
    expect(rest.dataset.broken).toBe('true');
    expect(rest.textContent).toBe('2900 cm');
    expect(widths(long!).reduce((sum, width) => sum + width, 0)).toBeCloseTo(100, 9);
    expect(short!.querySelector('.rest')).toBeNull();
    expect(short!.querySelector('.waste')!.textContent).toBe('10 cm');
  });
  it('list what is cut in that order, by length, with the fold, and what is done of it', () => {
    renderIn(
      { cordUnit: 'cm' },
      <CutBars
        cuts={[cut('a', 900, { fold: 300 }), cut('b', 700, { copy: 2, role: 'Core cord' })]}
        lots={[{ lot: 'one', cuts: ['b', 'a'] }]}
        stock={[lotView(thing, 'one', 2000)]}
        before={() => 2600}
        isMade={(id) => id === 'b'}
        row={({ id }) => <button>{`Cut ${id}`}</button>}
      />,
    );
    const [first, second] = screen.getAllByTestId('cut-line');
    expect(first!.textContent).toContain('70 cm');
    expect(first!.textContent).toContain('Band (2): core cord');
    expect(second!.textContent).toContain('folded at 30 cm');
    expect(within(second!).getByRole('button', { name: 'Cut a' })).toBeTruthy();
    expect(screen.getByTestId('cut-lot').textContent).toContain('260 cm there');
    const made = [...document.querySelectorAll<HTMLElement>('.cut')].map(
      ({ dataset }) => dataset.made,
    );
    expect(made).toEqual(['true', 'false']);
  });
  it('leave out a lot that is gone', () => {
    renderIn(
      {},
      <CutBars cuts={[cut('a', 900)]} lots={[{ lot: 'gone', cuts: ['a'] }]} stock={[]} />,
    );
    expect(screen.queryByTestId('cut-lot')).toBeNull();
  });
});
