import { describe, expect, it } from '@jest/globals';
import { CORD_KIND_FACTS, type CordKind } from '../../base/material/cord.js';
import { PART_KINDS } from '../../craft/part/registry.js';
import { EXAMPLE_CORD } from '../../piece/example.js';
import { testBead } from '../../testing.js';
import { sampleOf } from './sample.js';

const bead = testBead('eight', 8, { hole: 4.5 });
const kinds = PART_KINDS.map(({ entry }) => entry);

describe('a sample of a part', () => {
  it.each(Object.keys(CORD_KIND_FACTS) as CordKind[])('is there for every kind, in %s', (kind) => {
    for (const { id, needsKnot } of kinds) {
      const sample = sampleOf(id, { ...EXAMPLE_CORD, kind, diameter: 1.5 }, bead);
      if (needsKnot) {
        expect(sample).toBeNull();
        continue;
      }
      expect([id, sample?.part.kind, sample?.plan.ok]).toEqual([id, id, true]);
      expect(sample!.shapes.length).toBeGreaterThan(0);
      expect(sample!.frame.width).toBeGreaterThan(1);
      expect(sample!.frame.height).toBeGreaterThan(0.3);
    }
  });
  it('is of the cord and the bead at hand, and of none without the bead that it needs', () => {
    const cord = { ...EXAMPLE_CORD, colour: { name: 'ember', hex: '#c4542b' } };
    for (const { id, needsBead } of kinds.filter(({ needsKnot }) => !needsKnot)) {
      const colours = sampleOf(id, cord, bead)!.shapes.flatMap((shape) =>
        shape.kind === 'cord' ? [shape.colour] : [],
      );
      expect(new Set(colours).has('#c4542b') || colours.length === 0).toBe(true);
      if (needsBead) expect(sampleOf(id, cord, undefined)).toBeNull();
    }
  });
});
