import { describe, expect, it } from '@jest/globals';
import { loggedView, makeView, pieceOf } from '../../testing-make';
import { found, techniquesOf, type BookFilter } from './book-filter';

const band = pieceOf('buckle-band');
const record = {
  cords: [{ cut: 3300, leftover: 300 }],
  length: 190,
  minutes: 50,
  owner: 'Ines Varga',
  note: 'Tied by the stove',
};
const logged = loggedView(band, record);
const open = makeView(pieceOf('floss-stripe'));
const all: BookFilter = { text: '', state: 'all', technique: '' };

describe('searching the book', () => {
  it('finds every word somewhere: piece, wearer, owner, note', () => {
    expect(found(logged, { ...all, text: 'STOVE ines' })).toBe(true);
    expect(found(logged, { ...all, text: 'stove oluchi' })).toBe(false);
    expect(found(logged, { ...all, text: ' test  somebody ' })).toBe(true);
  });
  it('tells finished makes from those under way', () => {
    expect([logged, open].map((m) => found(m, { ...all, state: 'logged' }))).toEqual([true, false]);
    expect([logged, open].map((m) => found(m, { ...all, state: 'under-way' }))).toEqual([
      false,
      true,
    ]);
  });
  it('finds makes by what they are made of, and offers only that', () => {
    expect(found(open, { ...all, technique: 'knotted-floss' })).toBe(true);
    expect(found(logged, { ...all, technique: 'knotted-floss' })).toBe(false);
    expect(techniquesOf([logged, open]).map(({ value }) => value)).toEqual(
      expect.arrayContaining(['square-knot-sinnet', 'knotted-floss']),
    );
    expect(techniquesOf([])).toEqual([]);
  });
});
