import { describe, expect, it } from '@jest/globals';
import { checkGirth, checkPlausible, handGirth, likelySlip } from './girth.js';
import { roundUpToStep } from './round.js';
import { speak } from './speak.js';

describe('girth plausibility', () => {
  it.each([174, 151, 138, 158, 183])('accepts a wrist of %d mm', (wrist) => {
    // Means of adults: U.S. Army anthropometric survey 1988, from memory.
    expect(checkGirth('wrist', wrist, 'wearer.wrist')).toBeNull();
  });
  it('refuses 17 mm and sees that 17 cm was meant', () => {
    expect(checkGirth('wrist', 17, 'wearer.wrist')).toMatchObject({
      code: 'measure.implausible',
      severity: 'error',
      path: 'wearer.wrist',
      remedy: expect.stringContaining('170 mm'),
    });
  });
  it('questions an unusual wrist without refusing it', () => {
    expect(checkGirth('wrist', 235, 'wearer.wrist')?.severity).toBe('warning');
  });
  it('sees a wrist of 7 as inches', () => {
    expect(likelySlip(7, [120, 220])?.mm).toBeCloseTo(177.8, 9);
  });
  it('asks about a 13 cm bead', () => {
    const bead = { possible: [1, 60], usual: [2, 40] } as const;
    const item = checkPlausible(130, bead, 'A bead', 'beads[0]');
    expect(item?.message).toContain('A bead of 130 mm cannot be right');
    expect(item?.remedy).toContain('13 mm');
  });
  it('estimates a hand only when it was not measured', () => {
    expect(handGirth(174)).toEqual({ mm: expect.closeTo(214, 0), estimated: true });
    expect(handGirth(174, 200)).toEqual({ mm: 200, estimated: false });
  });
});

describe('roundUpToStep', () => {
  it('never goes below, and leaves whole steps alone', () => {
    expect(roundUpToStep(2432, 50)).toBe(2450);
    expect(roundUpToStep(2450, 50)).toBe(2450);
    expect(roundUpToStep(0.1 + 0.2, 0.1)).toBeCloseTo(0.3, 12);
    expect(roundUpToStep(12.7001, 6.35)).toBeCloseTo(19.05, 9);
    expect(() => roundUpToStep(1, 0)).toThrow(RangeError);
  });
});

describe('speak', () => {
  it('puts measured lengths in the maker’s unit and leaves cord sizes', () => {
    expect(speak('It closes 25.4 mm larger in 4 mm cord.', 'in')).toBe(
      'It closes 1 in larger in 4 mm cord.',
    );
    expect(speak('It closes 25 mm larger.', 'cm')).toBe('It closes 2.5 cm larger.');
  });
});
