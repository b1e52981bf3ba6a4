import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { parseReading } from './reading.js';

describe('a line of a measuring device', () => {
  it.each([
    ['C +012.34 mm S', { instrument: 'caliper', value: 12.34, stable: true, batteryLow: false }],
    ['C -000.02 mm M', { value: -0.02, stable: false }],
    ['C +001.00 in S', { value: 25.4, unit: 'mm' }],
    ['C ------ mm O', { instrument: 'caliper', value: null, stable: false }],
    ['S  +31.20 g', { instrument: 'scale', value: 31.2, unit: 'g', stable: true }],
    ['M  +31.2 g B', { value: 31.2, stable: false, batteryLow: true }],
    ['O  ------ g', { instrument: 'scale', value: null, stable: false }],
    ['S  +31.20 g\r', { value: 31.2 }],
  ])('%s is read', (line, reading) => {
    expect(parseReading(line)).toMatchObject(reading);
  });
  it.each([
    '',
    'C',
    'C 12.34 mm S',
    'C +12.34 mm S',
    'S +31,20 g',
    'C +012.34 cm S',
    'X +1.00 g',
    'S  +31.20 g S +2.00 g',
  ])('%j is none', (line) => {
    expect(parseReading(line)).toBeNull();
  });
  it('is read, or not, whatever comes over the line', () => {
    fc.assert(
      fc.property(fc.string(), (line) => {
        const reading = parseReading(line);
        if (reading !== null && reading.value !== null) expect(reading.value).not.toBeNaN();
      }),
    );
  });
});
