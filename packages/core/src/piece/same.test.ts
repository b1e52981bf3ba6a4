import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { sameDocument } from './same.js';

describe('documents', () => {
  it('are the same as their copies, whatever the order of their keys', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        const copy: unknown = JSON.parse(JSON.stringify(value));
        expect(sameDocument(JSON.parse(JSON.stringify(value)), copy)).toBe(true);
      }),
    );
    expect(sameDocument({ a: 1, b: 2 }, { b: 2, a: 1 })).toBe(true);
    expect(sameDocument({ a: undefined }, {})).toBe(true);
  });
  it('differ in any leaf, in a longer list, and where one has a list and the other none', () => {
    expect(sameDocument({ a: [{ b: 1 }] }, { a: [{ b: null }] })).toBe(false);
    expect(sameDocument([1], [1, 2])).toBe(false);
    expect(sameDocument([], {})).toBe(false);
    expect(sameDocument(null, {})).toBe(false);
  });
});
