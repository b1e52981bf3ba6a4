import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { differences, sameDocument } from './differences';

describe('differences', () => {
  it('names the leaves that differ by path', () => {
    const mine = { name: 'a', parts: [{ length: 1 }], wearer: { wrist: 180 } };
    const theirs = { name: 'a', parts: [{ length: null }], wearer: { wrist: 180, child: true } };
    expect(differences(mine, theirs)).toEqual([
      { path: 'parts[0].length', mine: 1, theirs: null },
      { path: 'wearer.child', mine: undefined, theirs: true },
    ]);
  });
  it('finds nothing in a copy, whatever the order of its keys', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        const copy: unknown = JSON.parse(JSON.stringify(value));
        expect(sameDocument(JSON.parse(JSON.stringify(value)), copy)).toBe(true);
      }),
    );
    expect(sameDocument({ a: 1, b: 2 }, { b: 2, a: 1 })).toBe(true);
  });
});
