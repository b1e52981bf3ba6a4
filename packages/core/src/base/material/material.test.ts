import { describe, expect, it } from '@jest/globals';
import { IN_MM, speak } from '../measure/speak.js';
import { checkPlausible } from '../measure/girth.js';
import { CORD_DIAMETER_LIMITS, effectiveDiameter, type Cord } from './cord.js';
import { END_KINDS, endsFor, suitsEnd, usualEnd, usualEndOfAll } from './ends.js';
import { wireDiameter } from './wire-gauge.js';

describe('wire gauge', () => {
  it('follows ASTM B258', () => {
    expect(wireDiameter(20)).toBeCloseTo(0.812, 3);
    expect(wireDiameter(16)).toBeCloseTo(1.291, 3);
    expect(wireDiameter(36)).toBe(0.127);
    expect(() => wireDiameter(50)).toThrow(RangeError);
  });
});

describe('cord', () => {
  const cord: Cord = {
    name: 'x',
    kind: 'paracord',
    diameter: 4,
    colour: { name: 'slate', hex: '#556677' },
  };
  it('questions a cord of 4 cm', () => {
    expect(speak(checkPlausible(40, CORD_DIAMETER_LIMITS, 'A cord', 'p')!.remedy, IN_MM)).toContain(
      '4 mm',
    );
  });
  it('draws thinner under tension, by its kind or as the maker measured', () => {
    expect(effectiveDiameter(cord)).toBeCloseTo(3.6, 12);
    expect(effectiveDiameter({ ...cord, effective: 0.95 })).toBeCloseTo(3.8, 12);
  });
});

describe('ends', () => {
  // Common practice, no source: synthetics melt, natural fibre burns, leather scorches.
  it('singes only what melts', () => {
    expect(suitsEnd('singe', 'paracord')).toBe(true);
    expect(suitsEnd('singe', 'hemp')).toBe(false);
    expect(suitsEnd('singe', 'leather')).toBe(false);
    expect(suitsEnd('glue', 'leather')).toBe(true);
    expect(usualEnd('silk')).toBe('glue');
    expect(usualEnd('waxed-polyester')).toBe('singe');
    const mine = { melts: 'glue', burns: 'tuck', leather: 'glue' } as const;
    expect(usualEnd('paracord', mine)).toBe('glue');
    expect(usualEnd('hemp', mine)).toBe('tuck');
  });
  it('takes one way that suits every cord of a piece', () => {
    expect(usualEndOfAll(['paracord', 'nylon-cord'])).toBe('singe');
    expect(usualEndOfAll(['paracord', 'leather'])).toBe('glue');
    expect(END_KINDS.filter((kind) => endsFor(kind).includes('singe'))).toEqual(['melts']);
  });
});
