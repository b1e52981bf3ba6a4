import { describe, expect, it } from '@jest/globals';
import { inMm, testClosureSite, testCord, testRuns, pointsOf } from '../../testing.js';
import { CLOSURE_KINDS, closureKind } from './registry.js';

const cord = testCord(2);
const folds = ['side-release-buckle'];

describe.each(CLOSURE_KINDS.map((kind) => [kind.entry.type, kind] as const))('%s', (type, kind) => {
  const closure = kind.make(cord);
  const site = testClosureSite(
    testRuns(folds.includes(type) ? ['core', 'core'] : ['core'], cord, {
      folded: folds.includes(type),
    }),
  );
  const layout = kind.layOut(closure, site, [{ kind: 'flexible', length: 150, height: 1 }]);

  it('is found by its type, and asks for every value it has', () => {
    expect(closureKind(type)).toBe(kind);
    const asked = ['type', ...kind.fields.map((field) => field.key)].sort();
    expect(Object.keys(closure).sort()).toEqual(asked);
  });
  it('says what it takes, needs and does, without a hole in the text', () => {
    const { start, end } = kind.steps(closure, site, layout, 150, 'left');
    const words = [
      ...[...start, ...end].flatMap((step) => [step.title, step.text]),
      ...layout.uses.flatMap((use) => [use.reason.label, use.reason.detail]),
      ...layout.needs.map((need) => need.label),
      ...kind.mistakes,
    ];
    expect(words.length).toBeGreaterThan(0);
    for (const word of words) expect(inMm(word)).not.toMatch(/undefined|NaN|Infinity/);
    expect(layout.uses.every((use) => use.reason.mm >= 0 && Number.isFinite(use.reason.mm))).toBe(
      true,
    );
  });
  it('is drawn outside of the work and within its reach', () => {
    const options = { length: 150, tails: true, done: true, firstSide: 'left' } as const;
    const shapes = [
      ...(kind.drawBelow?.(closure, options) ?? []),
      ...kind.draw(closure, site, layout, options),
    ];
    const xs = pointsOf(shapes).map(([x]) => x);
    expect(xs.every(Number.isFinite)).toBe(true);
    expect(new Set(shapes.map((shape) => shape.key)).size).toBe(shapes.length);
    if (xs.length > 0) {
      expect(Math.min(...xs)).toBeGreaterThan(-layout.reach.start - 40);
      expect(Math.max(...xs)).toBeLessThan(150 + layout.reach.end + 40);
    }
  });
});
