import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { begin, edit, redo, undo } from './history';

describe('history', () => {
  it('goes back through every edit and forward again, whatever was edited', () => {
    fc.assert(
      fc.property(fc.array(fc.object(), { maxLength: 30 }), (states) => {
        const first = {};
        const all = states.reduce((h, state) => edit(h, state), begin<object>(first));
        let back = all;
        for (const _ of states) back = undo(back);
        expect(back.now).toBe(first);
        let forward = back;
        for (const _ of states) forward = redo(forward);
        expect(forward.now).toBe(all.now);
        expect(redo(forward)).toBe(forward);
        expect(undo(begin(1)).now).toBe(1);
      }),
    );
  });
  it('takes one drag as one step', () => {
    let h = begin(0);
    for (const x of [1, 2, 3]) h = edit(h, x, 'drag-1');
    h = edit(h, 4, 'drag-2');
    expect(undo(h).now).toBe(3);
    expect(undo(undo(h)).now).toBe(0);
  });
  it('forgets the future when something new is done, and keeps a drag apart from its undo', () => {
    const h = edit(undo(edit(begin('a'), 'b', 'drag')), 'c', 'drag');
    expect(h.future).toEqual([]);
    expect(undo(h).now).toBe('a');
  });
});
