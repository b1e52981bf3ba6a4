import { describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import { ValidateBy } from 'class-validator';
import { PieceDto, WearerDto } from './piece.dto.js';
import { FromMakeDto } from './lot.dto.js';
import { CuttingSessionDto } from './cutting.dto.js';
import { MAX_FAULTS, MAX_OBJECTS, MAX_VALUES } from './plain.js';
import { IsListOf } from './rules.js';
import { severalOf } from './several.js';
import { validateAs } from './validate.js';

let asked = 0;
/** A rule that counts how often it was asked, and never holds. */
const Counts = (): PropertyDecorator =>
  ValidateBy({
    name: 'counts',
    validator: { validate: () => (asked++, false), defaultMessage: () => 'never holds' },
  });

class ItemDto {
  @Counts()
  value!: number;
}
class ListDto {
  @IsListOf(() => ItemDto, 0, 5_000)
  items!: ItemDto[];
}

const emptyObjects = (n: number): object[] => Array.from({ length: n }, () => ({}));
const faultsOf = (...args: Parameters<typeof validateAs>) => {
  const result = validateAs(...args);
  return result.ok ? [] : result.faults;
};

describe('what is refused', () => {
  it('is refused with the first faults, and nothing is asked after them', () => {
    asked = 0;
    const faults = faultsOf(ListDto, { items: emptyObjects(5_000) });
    expect(faults).toHaveLength(MAX_FAULTS);
    expect(faults[0]).toEqual({ path: 'items[0].value', message: 'never holds' });
    expect(asked).toBe(MAX_FAULTS);
  });
  it('is refused by its size and its lists before any rule is asked', () => {
    asked = 0;
    expect(faultsOf(ListDto, { items: emptyObjects(5_001) })).toEqual([
      { path: 'items', message: 'items must contain no more than 5000 elements' },
    ]);
    expect(faultsOf(ListDto, { items: emptyObjects(MAX_VALUES) })).toHaveLength(1);
    expect(asked).toBe(0);
  });
  it.each([
    ['a list of a third of a million', FromMakeDto, { make: 'x', cords: emptyObjects(330_000) }],
    [
      'lists that are long together',
      CuttingSessionDto,
      { lots: Array.from({ length: 900 }, () => ({ cuts: emptyObjects(90) })) },
    ],
    ['a thousand of what may be a thousand', severalOf(WearerDto), { items: emptyObjects(1_000) }],
    [
      'names without end',
      WearerDto,
      Object.fromEntries(emptyObjects(60_000).map((_, i) => [`k${i}`, 1])),
    ],
    ['a name of a megabyte', WearerDto, { ['k'.repeat(1_000_000)]: 1 }],
    [
      'a text of a megabyte',
      PieceDto,
      { name: 'x'.repeat(1_000_000), closure: { type: 'y'.repeat(1_000_000) } },
    ],
    [
      'parts of no kind, full of names',
      PieceDto,
      { parts: [Object.fromEntries(emptyObjects(60_000).map((_, i) => [`k${i}`, 1]))] },
    ],
  ])('is told in a few kilobytes: %s', (_, type, plain) => {
    const faults = faultsOf(type, plain);
    expect(faults.length).toBeGreaterThan(0);
    expect(faults.length).toBeLessThanOrEqual(MAX_FAULTS);
    expect(JSON.stringify(faults).length).toBeLessThan(16_384);
  });
  it('is more objects than any piece has', () => {
    const objects = (n: number) => ({
      items: Array.from({ length: 10 }, () => emptyObjects(n / 10)),
    });
    expect(faultsOf(ListDto, objects(MAX_OBJECTS + 10))[0]!.message).toMatch(/objects/);
  });
});

describe('what is taken', () => {
  it('is built of its classes, in the order in which it came', () => {
    const plain = { items: [{ wrist: 150, name: 'x' }] };
    const result = validateAs(severalOf(WearerDto), plain);
    expect(result).toEqual({ ok: true, value: plain });
    if (!result.ok) return;
    expect(result.value.items[0]).toBeInstanceOf(WearerDto);
    expect(JSON.stringify(result.value)).toBe(JSON.stringify(plain));
  });
});
