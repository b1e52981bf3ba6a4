import { expect, it } from '@jest/globals';
import { act, renderHook } from '@testing-library/react';
import type { Seen } from '../../data/api/changes';
import { useDraft } from './use-draft';

interface Order {
  readonly who: string;
  readonly price: number | null;
  readonly lines: readonly { readonly id: string; readonly number: number }[];
}
const BEGAN: Order = { who: 'Ona', price: 4000, lines: [{ id: 'a', number: 1 }] };
const seen = (etag: string, change: Partial<Order> = {}): Seen<Order> => ({
  etag,
  value: { ...BEGAN, ...change },
});
const drafted = () => {
  const hook = renderHook((stored: Seen<Order>) => useDraft(stored), { initialProps: seen('1') });
  return {
    now: () => hook.result.current,
    stored: (one: Seen<Order>) => hook.rerender(one),
    act: (run: (draft: ReturnType<typeof useDraft<Order>>) => void) =>
      act(() => run(hook.result.current)),
  };
};

it('keeps what was typed when others change something else, and tells what', () => {
  const draft = drafted();
  draft.act(({ set }) => set({ who: 'Ona Virtanen' }));
  draft.stored(seen('2', { price: 5000 }));
  expect(draft.now().value).toEqual({ ...BEGAN, who: 'Ona Virtanen', price: 5000 });
  expect(draft.now().news).toEqual(['price']);
  expect(draft.now().theirs).toEqual({});
  expect(draft.now().seen.etag).toBe('2');
  expect(draft.now().changed).toBe(true);
  draft.act(({ read }) => read());
  expect(draft.now().news).toEqual([]);
});

it('shows theirs beside yours where both changed the same, and goes by what is chosen', () => {
  const draft = drafted();
  draft.act(({ set }) => set({ price: 4500 }));
  draft.stored(seen('2', { price: 5000 }));
  expect(draft.now().value.price).toBe(4500);
  expect(draft.now().theirs).toEqual({ price: 5000 });
  // What they do next is what is shown.
  draft.stored(seen('3', { price: null }));
  expect(draft.now().theirs).toEqual({ price: null });
  draft.act(({ take }) => take('price'));
  expect(draft.now().value.price).toBeNull();
  expect(draft.now().theirs).toEqual({});
  expect(draft.now().changed).toBe(false);
});

it('puts lines together that each changed by itself', () => {
  const draft = drafted();
  const two = [
    { id: 'a', number: 1 },
    { id: 'b', number: 2 },
  ];
  draft.stored(seen('2', { lines: two }));
  draft.act(({ set }) => set({ lines: [{ id: 'a', number: 7 }, two[1]!] }));
  draft.stored(seen('3', { lines: [two[0]!, { id: 'b', number: 9 }] }));
  expect(draft.now().value.lines).toEqual([
    { id: 'a', number: 7 },
    { id: 'b', number: 9 },
  ]);
});

it('follows what is stored while nothing is typed, without a word', () => {
  const draft = drafted();
  draft.stored(seen('2', { who: 'Pia' }));
  expect(draft.now().value.who).toBe('Pia');
  expect([draft.now().changed, draft.now().news.length]).toEqual([false, 0]);
});

it('has nothing left to say once yours is stored', () => {
  const draft = drafted();
  draft.act(({ set }) => set({ price: 4500 }));
  draft.stored(seen('2', { price: 5000 }));
  draft.stored(seen('3', { price: 4500 }));
  expect(draft.now()).toMatchObject({ changed: false, theirs: {}, value: { price: 4500 } });
});
