import { describe, expect, it } from '@jest/globals';
import { merge } from './merge';

const base = {
  name: 'Band',
  wearer: { name: 'x', wrist: 180 },
  parts: [
    { id: 'a', repeats: 10 },
    { id: 'b', repeats: 20 },
  ],
  colours: ['red', 'blue'],
};

describe('two that changed the same document', () => {
  it('are put together where they changed different things', () => {
    const mine = { ...base, wearer: { ...base.wearer, wrist: 170 } };
    const theirs = {
      ...base,
      name: 'Cuff',
      parts: [base.parts[0]!, { id: 'b', repeats: 25 }],
    };
    expect(merge(base, mine, theirs)).toEqual({
      ...theirs,
      wearer: { name: 'x', wrist: 170 },
    });
  });

  it('are put together part by part', () => {
    const mine = { ...base, parts: [{ id: 'a', repeats: 11 }, base.parts[1]!] };
    const theirs = { ...base, parts: [base.parts[0]!, { id: 'b', repeats: 25 }] };
    expect(merge(base, mine, theirs)?.parts).toEqual([
      { id: 'a', repeats: 11 },
      { id: 'b', repeats: 25 },
    ]);
  });

  it('keep a part that one added, moved or took away', () => {
    const mine = { ...base, parts: [...base.parts, { id: 'c', repeats: 5 }] };
    const theirs = { ...base, parts: [base.parts[0]!, { id: 'b', repeats: 25 }] };
    expect(merge(base, mine, theirs)?.parts.map(({ id }) => id)).toEqual(['a', 'b', 'c']);
    expect(merge(base, mine, theirs)?.parts[1]).toEqual({ id: 'b', repeats: 25 });
    const without = { ...base, parts: [base.parts[0]!] };
    expect(merge(base, without, { ...base, name: 'Cuff' })).toEqual({ ...without, name: 'Cuff' });
  });

  it('agree where both did the same', () => {
    const both = { ...base, name: 'Cuff' };
    expect(merge(base, both, { ...both })).toEqual(both);
  });

  it.each([
    ['the same number', { ...base, name: 'Cuff' }, { ...base, name: 'Belt' }],
    [
      'a list without names',
      { ...base, colours: ['red'] },
      { ...base, colours: ['green', 'blue'] },
    ],
    [
      'a part that the other took away',
      { ...base, parts: [base.parts[0]!] },
      { ...base, parts: [base.parts[0]!, { id: 'b', repeats: 25 }] },
    ],
    [
      'the order in different ways',
      { ...base, parts: [...base.parts, { id: 'c', repeats: 1 }] },
      { ...base, parts: [{ id: 'd', repeats: 1 }, ...base.parts] },
    ],
  ])('must choose where they changed %s', (_, mine, theirs) => {
    expect(merge<typeof base>(base, mine, theirs)).toBeNull();
    expect(merge<typeof base>(base, theirs, mine)).toBeNull();
  });
});
