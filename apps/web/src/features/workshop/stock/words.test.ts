import { describe, expect, it } from '@jest/globals';
import type { MovementView } from '@coiled-strand/contract';
import { templateById } from '@coiled-strand/core';
import type { Units } from '../../../ui/settings/use-units';
import { lotView } from './testing';
import { leftText, lotChoice, lotText, movementFor, nameOf } from './words';

const { strands, beads } = templateById('beaded-band').make({
  name: 'Band',
  wearer: { name: 'x', wrist: 165, hand: 200 },
  cutting: { confidence: 0.95, step: 10, practice: 'practised' },
});
const cord = { kind: 'cord', cord: strands[0]!.cord } as const;
/** Says the number alone: how it is written is the units’ own. */
const units = {
  say: (amount: { readonly value?: number; readonly mm?: number } | number) =>
    JSON.stringify(amount),
} as unknown as Units;

describe('a lot in words', () => {
  it('tells how much of it is left only where something is gone', () => {
    expect(leftText(lotView(cord, 'a', 30_000), units)).not.toContain(' of ');
    expect(leftText(lotView(cord, 'a', 30_000.3), units)).not.toContain(' of ');
    expect(leftText(lotView(cord, 'a', 12_000), units)).toContain(' of ');
  });
  it('names what it is and where it lies, and leaves out what was not noted', () => {
    const one = { form: 'spool', dyeLot: 'M-04', place: 'Drawer 2' } as const;
    expect(lotText(one)).toBe('Spool, dye lot M-04, Drawer 2');
    expect(lotText({ ...one, dyeLot: null, place: '' })).toBe('Spool');
  });
  it('says the colour of a cord once, and of a bead as it is called', () => {
    const { colour } = cord.cord;
    const plain = { ...cord, cord: { ...cord.cord, name: 'waxed cord' } };
    expect(nameOf(plain)).toBe(`waxed cord, ${colour.name}`);
    expect(nameOf({ ...cord, cord: { ...cord.cord, name: `${colour.name} cord` } })).toBe(
      `${colour.name} cord`,
    );
    const bead = beads[0]!;
    expect(nameOf({ kind: 'bead', bead })).toContain(bead.name);
    expect(lotChoice(lotView(plain, 'tin', 5), units)).toMatch(/^waxed cord, .*: .*, spool, tin$/);
  });
});

describe('what went out of a lot', () => {
  const moved = (more: Partial<MovementView>): MovementView => ({
    ...{ id: 'm', lot: 'l', amount: -100, reason: 'cut', note: '', grams: null, at: '' },
    ...{ undoes: null, undone: false, make: null, strand: null, cutting: null, ...more },
  });
  it('names make and cord, cutting session and note, as far as there are any', () => {
    const make = { id: 'x', name: 'Perseid', number: 2 };
    expect(movementFor(moved({}))).toBe('');
    expect(movementFor(moved({ make }))).toBe('Perseid, make 2');
    expect(movementFor(moved({ make, strand: 3, note: 'frayed' }))).toBe(
      'Perseid, make 2, cord 3; frayed',
    );
    expect(movementFor(moved({ cutting: { id: 'c', name: 'Monday' } }))).toBe('Monday');
  });
});
