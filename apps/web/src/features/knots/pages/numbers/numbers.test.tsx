import { describe, expect, it } from '@jest/globals';
import { commonWorkingEnds, NUMBERS } from '@coiled-strand/core';
import { screen, within } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { renderIn } from '../../../../testing';
import { NumbersPage } from './numbers-page';

describe('where the numbers come from', () => {
  it('tells every computed number with its error, and every working end in the maker’s unit', () => {
    renderIn(
      {},
      <MemoryRouter>
        <NumbersPage />
      </MemoryRouter>,
    );
    for (const { of, rows } of NUMBERS) {
      const table = within(screen.getByRole('table', { name: of }));
      for (const { what, value, error } of rows) {
        expect(table.getByRole('row', { name: `${what} ${value} ${error}` })).toBeTruthy();
      }
    }
    const ends = within(screen.getByRole('table', { name: 'Working ends' }));
    expect(ends.getAllByRole('row')).toHaveLength(commonWorkingEnds().length + 1);
    expect(ends.getByRole('row', { name: 'work the needle with 12 cm 12 cm' })).toBeTruthy();
  });
});
