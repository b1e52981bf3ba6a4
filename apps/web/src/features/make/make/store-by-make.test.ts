import { beforeEach, describe, expect, it } from '@jest/globals';
import { storeByMake } from './store-by-make';

beforeEach(() => localStorage.clear());

describe('what is kept for each make', () => {
  it('outlives its page, and is forgotten by itself', async () => {
    const first = storeByMake<number>('test');
    first.getState().keep('a', 1);
    first.getState().keep('b', 2);
    first.getState().keep('a', null);
    const again = storeByMake<number>('test');
    await again.persist.rehydrate();
    expect(again.getState().kept).toEqual({ b: 2 });
  });
  it('is found where an older version left it', async () => {
    localStorage.setItem(
      'coiled-strand.test',
      JSON.stringify({ version: 0, state: { kept: { a: 7 } } }),
    );
    const store = storeByMake<number>('test');
    await store.persist.rehydrate();
    expect(store.getState().kept).toEqual({ a: 7 });
  });
});
