import { describe, expect, it } from '@jest/globals';
import { EXAMPLE_PIECE, inSizes, ofSize, templateById } from '@coiled-strand/core';
import type { Units } from '../../../ui/settings/use-units';
import { rowsOf } from './side-by-side';

const units = {
  size: (mm: number) => `${Math.round(mm)} mm`,
  cord: (mm: number) => `${Math.round(mm)} mm`,
} as Units;
const rowsFor = (piece = EXAMPLE_PIECE) =>
  rowsOf(
    inSizes(
      piece,
      [150, 175].map((girth) => ofSize(`${girth}`, 'wrist', girth)),
    ),
    units,
  );

describe('sizes side by side', () => {
  it('tells of each what it becomes, in the order of a plan', () => {
    const rows = rowsFor();
    expect(rows.map(({ what }) => what)).toEqual([
      'Inside, closed',
      'Length of the work',
      'half knots',
      expect.stringMatching(/^Cord 1 .*, cut$/),
      'All cord',
    ]);
    for (const { values } of rows) expect(values[1]!).toBeGreaterThan(values[0]!);
  });

  it('tells beads and cords that are cut besides, each once', () => {
    const start = {
      name: 'x',
      wearer: ofSize('x', 'wrist', 165),
      cutting: { confidence: 0.95, step: 10, practice: 'practised' },
    } as const;
    const rows = rowsFor(templateById('beaded-band').make(start));
    const names = rows.map(({ what }) => what);
    expect(new Set(names).size).toBe(names.length);
    expect(rows.every(({ values }) => values.length === 2)).toBe(true);
  });

  it('leaves the cells of a size that cannot be planned empty', () => {
    const rows = rowsOf(
      inSizes({ ...EXAMPLE_PIECE, strands: [] }, [ofSize('x', 'wrist', 165)]),
      units,
    );
    expect(rows.every(({ cells }) => cells[0] === null)).toBe(true);
  });
});
