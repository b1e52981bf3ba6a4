import { describe, expect, it } from '@jest/globals';
import { unstorable } from './plain.js';

const nested = (depth: number): unknown => {
  let value: unknown = 1;
  for (let i = 0; i < depth; i++) value = [value];
  return value;
};

describe('what no data may hold', () => {
  it('is named by its path: NUL and halves of characters, in texts and in names', () => {
    expect(unstorable({ a: [{ name: 'x\u0000' }] })).toMatchObject([{ path: 'a[0].name' }]);
    expect(unstorable({ a: '\ud800' })).toMatchObject([{ path: 'a' }]);
    expect(unstorable({ a: { 'b\u0000': 1 } })).toMatchObject([{ path: 'a' }]);
    expect(unstorable('\udc00')).toMatchObject([{ path: '' }]);
  });
  it('is a depth that nothing has, and no depth overflows the program', () => {
    expect(unstorable(nested(40))).toEqual([]);
    for (const depth of [41, 2_000, 200_000]) expect(unstorable(nested(depth))).toHaveLength(1);
  });
  it('is a list with nothing in one of its places', () => {
    expect(unstorable({ parts: [{}, null], closure: [[null]], length: null })).toMatchObject([
      { path: 'closure[0][0]' },
      { path: 'parts[1]' },
    ]);
  });
  it('is a name that every object of the program has', () => {
    for (const name of ['constructor', '__proto__', 'toString', 'hasOwnProperty']) {
      const body = JSON.parse(`{"length":{"${name}":1}}`) as unknown;
      expect(unstorable(body)).toEqual([{ path: 'length', message: `cannot hold “${name}”` }]);
    }
  });
  it('is told of so often and no more', () => {
    expect(unstorable(Array.from({ length: 1_000 }, () => '\u0000'))).toHaveLength(20);
  });
  it('is not what people write', () => {
    const text = 'Zoë’s 7½″ 🪢 帯\n\ttab';
    expect(unstorable({ [text]: [text, 1, true, undefined], none: null })).toEqual([]);
    expect(unstorable(null)).toEqual([]);
    expect(unstorable(undefined)).toEqual([]);
  });
});
