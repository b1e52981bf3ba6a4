import { describe, expect, it, jest } from '@jest/globals';
import { drawBench } from '../view/drawing/bench.js';
import { changePart } from '../piece/edit.js';
import type { Part } from '../craft/part/registry.js';
import { templateById } from './template/templates.js';
import { planned } from '../testing.js';
import { memoize } from '@coiled-strand/rope';

describe('memoize', () => {
  it('asks once for the same arguments, and again for others', () => {
    const make = jest.fn((list: readonly number[], n: number) => ({ sum: list.length + n }));
    const kept = memoize(make);
    const list = [1, 2];
    expect(kept(list, 1)).toBe(kept(list, 1));
    expect(make).toHaveBeenCalledTimes(1);
    expect(kept(list, 2)).toEqual({ sum: 4 });
    expect(kept([1, 2], 2)).toEqual({ sum: 4 });
    expect(make).toHaveBeenCalledTimes(3);
  });
});

describe('an edit of one part', () => {
  const piece = templateById('hemp-band').make({
    name: 'x',
    wearer: { name: 'Somebody', wrist: 165 },
    cutting: { confidence: 0.95, step: 10, practice: 'practised' },
  });
  const before = planned(piece);
  const next = changePart(piece, 'beads', (part) => ({ ...part, through: 'all' }) as Part);
  const after = planned(next);
  const kept = piece.parts.flatMap((part, i) =>
    part.id === 'beads' || before.parts[i]?.layout.length !== after.parts[i]?.layout.length
      ? []
      : [i],
  );
  it('keeps the layouts of the others', () => {
    expect(kept.length).toBeGreaterThan(3);
    for (const i of kept) expect(after.parts[i]?.layout).toBe(before.parts[i]?.layout);
  });
  it('keeps what is drawn of them, and lays it where it lies now', () => {
    const options = { firstSide: 'left', tails: true } as const;
    const layers = (p: typeof piece, plan: typeof before) => drawBench(p, plan, options).layers;
    const [old, now] = [layers(piece, before), layers(next, after)];
    for (const i of kept) {
      const { id, start } = after.parts[i]!;
      const layer = now.find(({ key }) => key === id);
      expect(layer?.shapes).toBe(old.find(({ key }) => key === id)?.shapes);
      expect(layer?.x).toBe(start);
    }
  });
  it('gives what planning from nothing gives', () => {
    const fresh = planned(structuredClone(next));
    expect(JSON.stringify(fresh)).toBe(JSON.stringify(after));
  });
});
