import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { formatLength } from './format-length.js';
import { parseLength, type LengthError } from './parse-length.js';
import { LENGTH_UNITS, MM_PER_UNIT, type LengthUnit } from './units.js';

const mm = (text: string, fallback?: LengthUnit): number => {
  const result = parseLength(text, fallback);
  if (!result.ok) throw new Error(`${text}: ${result.error.message}`);
  return result.mm;
};
const fault = (text: string, fallback?: LengthUnit): LengthError => {
  const result = parseLength(text, fallback);
  if (result.ok) throw new Error(`${text} was read as ${result.mm} mm`);
  return result.error;
};

describe('parseLength', () => {
  it.each([
    ['7 5/8 in', 193.675],
    ['7-5/8"', 193.675],
    ['7⅝ inches', 193.675],
    ['7.5"', 190.5],
    ['7,5 in', 190.5],
    ["2'6", 762],
    ['2′6″', 762],
    ['2 ft 6 1/2 in', 774.7],
    ['2 ft, 6 in', 762],
    ['2 feet and 6 inches', 762],
    ['½ inch', 12.7],
    ['17 cm', 170],
    ['170mm', 170],
    ['16,5 cm', 165],
    ['.5 m', 500],
    ['1 m 20', 1200],
    ['1 m 5 cm', 1050],
    ['1 yd', 914.4],
    ['1 yd 2 ft', 1524],
    ['8 ft.', 2438.4],
    ['6-inch', 152.4],
  ])('reads %s', (text, want) => {
    expect(mm(text)).toBeCloseTo(want, 9);
  });

  it('takes the unit of the field for a bare number', () => {
    expect(mm('17', 'cm')).toBe(170);
    expect(mm('7', 'in')).toBeCloseTo(177.8, 9);
    expect(mm('2 1/2', 'ft')).toBeCloseTo(762, 9);
  });

  it('reads a bare binary fraction in a metric field as inches, as it is spoken', () => {
    expect(mm('7 5/8', 'cm')).toBeCloseTo(193.675, 9);
    expect(fault('7 1/3', 'cm').code).toBe('ambiguous');
  });

  it.each([
    ['17', undefined, 'ambiguous', '17 cm'],
    ['1,234', 'mm', 'ambiguous', '1.234'],
    ['1.234,5 mm', 'mm', 'ambiguous', '1234,5'],
    ['7 5', 'in', 'ambiguous', '7.5 in'],
    ["2'15", 'in', 'ambiguous', '3 ft 3 in'],
    ["2.5'6", 'in', 'ambiguous', '3 ft 0 in'],
    ['1 m 5', 'cm', 'ambiguous', '1 m 5 cm'],
    ['-3 cm', 'cm', 'negative', '3 cm'],
    ['7.', 'cm', 'unreadable', '7'],
  ] as const)('asks about %s', (text, fallback, code, first) => {
    const error = fault(text, fallback);
    expect(error.code).toBe(code);
    expect(error.suggestions[0]).toBe(first);
    expect(error.message).not.toBe('');
  });

  it('offers only suggestions that it can read itself', () => {
    for (const text of ['17', '1,234', '7 5', "2'15", "2.5'6", '1 m 5', '-3 cm', '7.', '7 1/3']) {
      for (const suggestion of fault(text, text === '17' ? undefined : 'cm').suggestions) {
        expect(parseLength(suggestion, 'cm')).toMatchObject({ ok: true });
      }
    }
  });

  it.each([
    ['', 'empty'],
    ['wide', 'unreadable'],
    ['7 parsecs', 'unreadable'],
    ['3/0 in', 'unreadable'],
    ['2 ft 6 cm', 'mixed-units'],
    ['1 ft 2 in 3 in', 'unreadable'],
    ['5 mm 3', 'mixed-units'],
  ])('refuses “%s”', (text, code) => {
    expect(fault(text, 'cm').code).toBe(code);
  });

  it('never throws, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string(), fc.constantFrom(undefined, ...LENGTH_UNITS), (text, unit) => {
        const result = parseLength(text, unit);
        if (result.ok) expect(result.mm).toBeGreaterThanOrEqual(0);
        else expect(result.error.message.length).toBeGreaterThan(0);
      }),
    );
  });
});

describe('formatLength', () => {
  it.each([
    [193.675, 'in', '7 5/8 in'],
    [19.05, 'in', '3/4 in'],
    [0, 'in', '0 in'],
    [774.7, 'ft', '2 ft 6 1/2 in'],
    [609.6, 'ft', '2 ft'],
    [609.5, 'ft', '2 ft'],
    [170, 'cm', '17 cm'],
    [172.54, 'mm', '172.5 mm'],
    [1234, 'm', '1.23 m'],
  ] as const)('writes %d mm in %s as %s', (value, unit, want) => {
    expect(formatLength(value, unit)).toBe(want);
  });

  const PLACE: Readonly<Record<LengthUnit, number>> = {
    mm: 0.1,
    cm: 1,
    m: 10,
    in: 25.4 / 16,
    ft: 25.4 / 16,
    yd: 9.144,
  };
  it('is read back to within half of its last place, in every unit', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 20_000, noNaN: true }),
        fc.constantFrom(...LENGTH_UNITS),
        (value, unit) => {
          const back = mm(formatLength(value, unit));
          expect(Math.abs(back - value)).toBeLessThanOrEqual(PLACE[unit] / 2 + 1e-6);
        },
      ),
    );
  });
  it('is read back exactly when the value lies on the rule', () => {
    fc.assert(
      fc.property(fc.nat(5000), fc.constantFrom('in', 'ft'), (sixteenths, unit) => {
        const value = (sixteenths * 25.4) / 16;
        expect(mm(formatLength(value, unit as LengthUnit))).toBeCloseTo(value, 6);
      }),
    );
  });
});

describe('units', () => {
  it('holds the inch at 25.4 mm exactly', () => {
    // International Yard and Pound Agreement 1959; NIST SP 811.
    expect(MM_PER_UNIT.in).toBe(25.4);
    expect(MM_PER_UNIT.ft).toBeCloseTo(12 * 25.4, 12);
    expect(MM_PER_UNIT.yd).toBeCloseTo(36 * 25.4, 12);
  });
});
