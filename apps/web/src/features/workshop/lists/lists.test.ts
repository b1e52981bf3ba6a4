import { describe, expect, it } from '@jest/globals';
import type { FittingDto } from '@coiled-strand/contract';
import { EXAMPLE_CORD, TEMPLATES, type Bead, type Cord, type Wearer } from '@coiled-strand/core';
import type { CopiedListId } from '@coiled-strand/workshop';
import { csvOf } from '../../../ui/shell/csv';
import { BOUGHT } from './columns';
import { listTable } from './list-table';
import { listOf, readTable, type ReadTable } from './read-table';
import { readSheet } from './sheet';

const start = {
  name: 'x',
  wearer: { name: 'x', wrist: 165, hand: 200, neck: 360 },
  cutting: { confidence: 0.95, step: 10, practice: 'practised' },
} as const;
const pieces = TEMPLATES.map((template) => template.make(start));

const wearers: Wearer[] = [
  { name: 'Ines, the elder', wrist: 163.5, hand: 198, child: false, allergy: 'nickel; "latex"' },
  { name: '=1+1', wrist: 120, child: true },
];
const cords: Cord[] = pieces.flatMap(({ strands }) => strands.map(({ cord }) => cord));
const beads: Bead[] = [
  ...pieces.flatMap((piece) => piece.beads.map(({ id: _, ...bead }) => bead)),
  {
    ...{ name: 'Oval ring', shape: 'ring', length: 1.2, height: 8, hole: 4, holeLong: 6.5 },
    ...{ colour: { name: 'brass', hex: '#b08d57' }, delicate: true, count: 12 },
  },
];
const fittings: FittingDto[] = BOUGHT.map((kind) => ({
  name: kind.entry.label,
  closure: kind.make(EXAMPLE_CORD) as FittingDto['closure'],
}));
const LISTS: readonly (readonly [CopiedListId, readonly object[]])[] = [
  ['wearers', wearers],
  ['cords', cords],
  ['beads', beads],
  ['fittings', fittings],
];

const read = (list: CopiedListId, text: string, there: readonly object[] = []): ReadTable =>
  readTable(list, readSheet(text), 'mm', there);

describe('a list as a table', () => {
  it.each(LISTS)('comes back as it went out: %s', (list, things) => {
    const text = `\ufeff${csvOf(listTable(list, things))}`;
    const { rows, strange, lacking } = read(list, text);
    expect({ strange, lacking }).toEqual({ strange: [], lacking: [] });
    expect(rows.flatMap(({ faults }) => faults)).toEqual([]);
    expect(rows.map(({ value }) => value)).toEqual(things);
    expect(read(list, text, things).rows.every(({ known }) => known)).toBe(true);
  });

  it.each(LISTS)('is known by its headings: %s', (list, things) => {
    expect(listOf(readSheet(csvOf(listTable(list, things))))).toBe(list);
  });

  it('is none of ours where its headings say nothing', () => {
    expect(listOf(readSheet('Date,Amount\n1,2'))).toBeNull();
  });
});

describe('a table that somebody wrote', () => {
  it('may have semicolons, other headings, units and commas', () => {
    const table = read(
      'beads',
      'Name;Shape;Size (cm);Hole;Colour;Supplier\nClay;Round;0,8;1,5 mm;terracotta;x\n',
    );
    expect(table.strange).toEqual(['Supplier']);
    expect(table.rows[0]).toEqual({
      line: 2,
      name: 'Clay',
      known: false,
      faults: [],
      value: {
        ...{ name: 'Clay', shape: 'round', length: 8, height: 8, hole: 1.5 },
        colour: { name: 'terracotta', hex: '#8a8a8a' },
      },
    });
  });

  it('takes inches where that is how it is meant', () => {
    const sheet = readSheet('Name\tWrist\nAda\t6 3/4\nBo\t17 cm\n');
    const table = readTable('wearers', sheet, 'in', []);
    expect(table.bareLengths).toBe(true);
    expect(table.rows.map(({ value }) => value)).toEqual([
      { name: 'Ada', wrist: 171.45 },
      { name: 'Bo', wrist: 170 },
    ]);
  });

  it('names each bad row by its line and column, and keeps the good ones', () => {
    const table = read(
      'wearers',
      'Name,Wrist (mm),Child\nAda,165,no\n,165,no\n\nBo,wide,no\nCy,165,perhaps\nDi,-3,\nEv,99999,\n',
    );
    expect(table.rows.map(({ line, value, faults }) => [line, value !== null, faults[0]])).toEqual([
      [2, true, undefined],
      [3, false, 'Name is not told.'],
      [5, false, expect.stringContaining('Wrist: ')],
      [6, false, 'Child: “perhaps” is neither yes nor no.'],
      [7, false, 'Wrist: A length cannot be negative.'],
      [8, false, expect.stringContaining('Wrist: ')],
    ]);
  });

  it('says which column it needs', () => {
    expect(read('cords', 'Name,Diameter\nx,2').lacking).toEqual(['Kind', 'Colour']);
  });

  it('wants the measures of a finding, and nothing of how it looks', () => {
    const buckle = BOUGHT.find(({ entry }) => entry.type === 'side-release-buckle')!;
    const bad = read('fittings', `Name,What it is\nMine,${buckle.entry.label}\n`);
    expect(bad.rows[0]?.faults.length).toBeGreaterThan(2);
    expect(read('fittings', 'Name,What it is\nMine,staple').rows[0]?.faults[0]).toContain('staple');
  });

  it.each([
    ['nothing', ''],
    ['a heading alone', 'Name,Wrist\n'],
    ['an open quotation mark', 'Name,Wrist\n"Ada,165\n'],
    ['too much', `Name,Wrist\n${'Ada,165\n'.repeat(1001)}`],
  ])('is refused in words: %s', (_, text) => {
    expect(() => readSheet(text)).toThrow(/^[A-Z].{20,}/);
  });
});
