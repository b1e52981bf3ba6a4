import { describe, expect, it } from '@jest/globals';
import type { Piece } from '../piece/piece.js';
import { planned } from '../testing.js';
import { readPieceFile } from './piece-file.js';
import { upgradePiece } from './upgrade.js';

const cord = (name: string) => ({
  name,
  kind: 'paracord',
  diameter: 4,
  colour: { name: 'slate', hex: '#5b6b78' },
});
/** A piece as the first version of the format wrote it. */
const old = (scheme: string, cords: number) => ({
  name: 'Old band',
  wearer: { name: 'Somebody', wrist: 183 },
  ease: { rule: 'two-fingers' },
  scheme,
  cords: Array.from({ length: cords }, (_, i) => cord(`Cord ${i + 1}`)),
  parts: [
    {
      id: 'band',
      technique: 'square-knot-sinnet',
      form: 'flat',
      tension: 'even',
      length: null,
    },
  ],
  closure: {
    type: 'side-release-buckle',
    buckle: { name: 'Buckle', slot: 16, barToBar: 34, thickness: 9.5, bar: 3, colour: '#2b3136' },
  },
  ends: 'singe',
  cutting: { sureness: 0.95, step: 10 },
});

describe('a file of the first version', () => {
  it.each([
    ['one-cord', 1],
    ['joined-at-fold', 2],
    ['own-core', 2],
  ])('with %s can be planned as it was', (scheme, cords) => {
    const plan = planned(upgradePiece(old(scheme, cords)) as Piece);
    expect(plan.strands).toHaveLength(cords);
    expect(plan.fit.circumference).toBeCloseTo(183 + 25.4, 6);
  });
  it('is read as one of the present version', () => {
    const file = { format: 'coiled-strand/piece', version: 1, piece: old('one-cord', 1) };
    const read = readPieceFile(JSON.stringify(file));
    expect(read.ok && read.value).toMatchObject({ version: 3, piece: { closure: { slot: 16 } } });
  });
  it('of version 2 says what that left open, and keeps what it said', () => {
    const ring = { id: 'r', shape: 'ring', hole: 3.2 };
    const piece = {
      beads: [ring, { id: 'b', shape: 'round', hole: 1 }],
      parts: [
        { id: 'f', kind: 'focal' },
        { id: 'g', kind: 'focal', sits: 'narrow' },
        { id: 'a', kind: 'alternating-beads' },
        { id: 'p', kind: 'constructor' },
        { id: 'q', kind: 'petal-plait' },
      ],
    };
    const file = { format: 'coiled-strand/piece', version: 2, piece };
    const read = readPieceFile(JSON.stringify(file));
    expect(read.ok && read.value).toEqual({
      format: 'coiled-strand/piece',
      version: 3,
      piece: {
        beads: [{ ...ring, holeLong: 3.2 }, piece.beads[1]],
        parts: [
          { id: 'f', kind: 'focal', sits: 'flat' },
          piece.parts[1],
          { id: 'a', kind: 'alternating-beads', five: null },
          piece.parts[3],
          { id: 'q', kind: 'petal-plait', school: 'loops' },
        ],
      },
    });
    expect(readPieceFile(JSON.stringify({ ...file, version: 4 }))).toMatchObject({ ok: false });
    expect(readPieceFile(JSON.stringify({ ...file, piece: [[]] })).ok).toBe(true);
  });
  it('leaves alone what is not a piece of that version', () => {
    expect(upgradePiece({ name: 'x' })).toEqual({ name: 'x' });
    expect(upgradePiece(7)).toBe(7);
  });
});
