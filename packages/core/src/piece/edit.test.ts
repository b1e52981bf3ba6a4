import { describe, expect, it } from '@jest/globals';
import { templateById } from '../plan/template/templates.js';
import { alternated, graded, inBlocks, mirrored } from './arrange.js';
import { isSymmetric } from '../testing.js';
import {
  changePart,
  duplicatePart,
  freshId,
  insertPart,
  mirrorAbout,
  movePart,
  removePart,
  repeatParts,
} from './edit.js';
import type { Piece } from './piece.js';

const piece = templateById('focal-cord').make({
  name: 'x',
  wearer: { name: 'Somebody', wrist: 165 },
  cutting: { confidence: 0.95, step: 10, practice: 'practised' },
});
const ids = (p: Piece): string[] => p.parts.map((part) => part.id);
const kinds = (p: Piece): string[] => p.parts.map((part) => part.kind);

describe('editing the row of parts', () => {
  it('starts from plain, knot, bead, knot, plain', () => {
    expect(ids(piece)).toEqual(['plain', 'stopper-knot', 'beads', 'stopper-knot-2', 'plain-2']);
  });
  it('puts a part in, takes it out, and leaves the rest as it is', () => {
    const more = insertPart(piece, 2, { id: 'new', kind: 'plain', length: 5 });
    expect(ids(more)[2]).toBe('new');
    expect(removePart(more, 'new')).toEqual(piece);
  });
  it('moves a part among the others, within their row', () => {
    expect(ids(movePart(piece, 'beads', 0))[0]).toBe('beads');
    expect(ids(movePart(piece, 'beads', 99)).at(-1)).toBe('beads');
    expect(movePart(movePart(piece, 'beads', 0), 'beads', 2)).toEqual(piece);
    expect(movePart(piece, 'nothing', 1)).toBe(piece);
  });
  it('doubles a part right behind it, under a name of its own', () => {
    const twice = duplicatePart(piece, 'beads');
    expect(ids(twice).slice(2, 4)).toEqual(['beads', 'beads-2']);
  });
  it('repeats a stretch', () => {
    const more = repeatParts(piece, 1, 2, 2);
    expect(kinds(more)).toEqual([
      'plain',
      'stopper-knot',
      'beads',
      'stopper-knot',
      'beads',
      'stopper-knot',
      'beads',
      'stopper-knot',
      'plain',
    ]);
    expect(new Set(ids(more)).size).toBe(9);
  });
  it('makes the second half the mirror of the first', () => {
    const even = mirrorAbout(removePart(piece, 'stopper-knot-2'), 2);
    expect(kinds(even)).toEqual(['plain', 'stopper-knot', 'beads', 'stopper-knot', 'plain']);
  });
  it('changes one part and no other', () => {
    const longer = changePart(piece, 'plain', (part) => ({ ...part, length: 33 }) as typeof part);
    expect(longer.parts[0]).toMatchObject({ length: 33 });
    expect(longer.parts.slice(1)).toEqual(piece.parts.slice(1));
  });
  it('finds a name that is free', () => {
    expect(freshId(piece.parts, 'beads')).toBe('beads-2');
    expect(freshId(piece.parts, 'loop')).toBe('loop');
  });
});

describe('arranging a row of beads', () => {
  const size = (id: string) => ({ height: Number(id), length: Number(id) });
  const row = ['6', '10', '8', '6', '8'];
  it('grades towards the middle', () => {
    const out = graded(row, size).map(Number);
    const peak = out.indexOf(10);
    expect(out.slice(0, peak + 1)).toEqual([...out.slice(0, peak + 1)].sort((a, b) => a - b));
    expect(out.slice(peak)).toEqual([...out.slice(peak)].sort((a, b) => b - a));
  });
  it('keeps every bead, whatever the order', () => {
    for (const out of [graded(row, size), inBlocks(row), alternated(row)]) {
      expect([...out].sort()).toEqual([...row].sort());
    }
  });
  it('groups like beads, or takes kinds in turn', () => {
    expect(inBlocks(['a', 'b', 'a'])).toEqual(['a', 'a', 'b']);
    expect(alternated(['a', 'a', 'b', 'b'])).toEqual(['a', 'b', 'a', 'b']);
  });
  it('mirrors the first half on to the second', () => {
    expect(mirrored(['a', 'b', 'c', 'd', 'e'])).toEqual(['a', 'b', 'c', 'b', 'a']);
    expect(isSymmetric(mirrored(row))).toBe(true);
    expect(isSymmetric(row)).toBe(false);
  });
});
