import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { parseLength } from './parse-length.js';
import { checkGirth, checkPlausible, handGirth, likelySlip } from './girth.js';
import { roundUpToStep } from './round.js';
import {
  beadNamed,
  cordLength,
  cordNamed,
  inSentence,
  join,
  laid,
  listed,
  onSide,
  partNamed,
  sameSaying,
  say,
  several,
  size,
} from './saying.js';
import { IN_MM, speak } from './speak.js';

describe('girth plausibility', () => {
  it.each([174, 151, 138, 158, 183])('accepts a wrist of %d mm', (wrist) => {
    // Means of adults: U.S. Army anthropometric survey 1988, from memory.
    expect(checkGirth('wrist', wrist, 'wearer.wrist')).toBeNull();
  });
  it('refuses 17 mm and sees that 17 cm was meant', () => {
    const item = checkGirth('wrist', 17, 'wearer.wrist');
    expect(item).toMatchObject({
      code: 'measure.implausible',
      severity: 'error',
      path: 'wearer.wrist',
    });
    expect(speak(item!.remedy, IN_MM)).toContain('170 mm');
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
    expect(speak(item!.message, IN_MM)).toContain('A bead of 130 mm cannot be right');
    expect(speak(item!.remedy, IN_MM)).toContain('13 mm');
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
  const inches = { unit: 'in', cordUnit: 'ft' } as const;
  const centimetres = { unit: 'cm', cordUnit: 'm' } as const;
  it('says lengths to lay in the maker’s unit, and what is sold in millimetres', () => {
    const saying = say`It closes ${laid(25.4)} larger in ${size(4)} cord.`;
    expect(speak(saying, inches)).toBe('It closes 1 in larger in 4 mm cord.');
    expect(speak(saying, centimetres)).toBe('It closes 2.5 cm larger in 4 mm cord.');
  });
  it('leaves names alone, whatever stands in them', () => {
    const name = 'Hook and ring, 22 mm';
    expect(
      speak(say`Tie the start to ${name}; ${beadNamed('w', { name: 'Wood 1/2 in' })} fits`, inches),
    ).toBe('Tie the start to Hook and ring, 22 mm; Wood 1/2 in fits');
  });
  it('rounds for fingers: to the millimetre, or to 1/16 inch', () => {
    expect(speak([laid(1106.4)], IN_MM)).toBe('1106 mm');
    expect(speak([laid(1106.4)], centimetres)).toBe('110.6 cm');
    expect(speak([laid(20)], inches)).toBe('13/16 in');
    fc.assert(
      fc.property(fc.double({ min: 0, max: 5000, noNaN: true }), (mm) => {
        const read = parseLength(speak([laid(mm)], IN_MM));
        expect(read.ok && Number.isInteger(read.mm) && Math.abs(read.mm - mm) <= 0.5).toBe(true);
      }),
    );
  });
  it('says cord in the unit that this maker thinks of cord in', () => {
    expect(speak(say`Cut ${cordLength(762)}`, inches)).toBe('Cut 2 ft 6 in');
    expect(speak(say`Cut ${cordLength(762)}`, centimetres)).toBe('Cut 0.762 m');
  });
  it('says counts, sides, cords and parts', () => {
    const run = { strand: 2, cord: { colour: { name: 'slate' } } };
    expect(
      speak(
        say`${several(2, 'half knot')} from the ${onSide('left')} with ${cordNamed(run)} on ${partNamed('band', 'Square knots')}`,
        IN_MM,
      ),
    ).toBe('two half knots from the left with cord 2 (slate) on “Square knots”');
  });
});

describe('a saying', () => {
  it('is plain text where nothing in it needs a unit', () => {
    expect(say`Row ${3}: ${'left'}`).toBe('Row 3: left');
    expect(join('a', '', ['b'], 'c')).toBe('abc');
    expect(join()).toBe('');
  });
  it('can stand inside another, in a list, and in a sentence', () => {
    const inner = say`Leave ${laid(5)}`;
    expect(speak(say`First: ${inSentence(inner)}.`, IN_MM)).toBe('First: leave 5 mm.');
    expect(speak(listed([inner, 'go on'], ' and '), IN_MM)).toBe('Leave 5 mm and go on');
    expect(inSentence([laid(5)])).toEqual([laid(5)]);
  });
  it('is the same as another that says the same', () => {
    expect(sameSaying(say`Leave ${laid(5)}`, say`Leave ${laid(5)}`)).toBe(true);
    expect(sameSaying(say`Leave ${laid(5)}`, say`Leave ${laid(6)}`)).toBe(false);
  });
});
