import { ownKnotOf } from '@coiled-strand/rope/testing';
import { describe, expect, it } from '@jest/globals';

import { partKind } from '../craft/part/registry.js';
import { testCord } from '../testing.js';
import { MIN_SWATCH, observeSwatch, swatchTechniques } from './swatch.js';

const cord = testCord(2);
const swatch = (kind: string, takeUp: number, long: number) => {
  const part = partKind(kind).make({ id: 'swatch', bead: '', cord, runs: 4 });
  const own = partKind(kind).entry.needsKnot ? { knot: ownKnotOf('overhand') } : {};
  const model = partKind(kind).swatch!(part, cord, own.knot);
  return {
    part,
    ...own,
    cord,
    units: 20,
    length: 20 * model.lengthPerUnit * long,
    before: 2000,
    after: 2000 - 20 * model.cordPerUnit * takeUp,
  };
};

describe('a swatch', () => {
  it.each(swatchTechniques.map((kind) => kind.entry.id))('of %s finds the hand', (id) => {
    const found = observeSwatch(swatch(id, 1.12, 0.95));
    // Knots that were drawn are learnt each by itself.
    const technique = id === 'own-knot' ? `own-knot:${ownKnotOf('overhand').origin}` : id;
    expect(found[0]).toMatchObject({ technique, measure: 'take-up', cordKind: cord.kind });
    expect(found[0]!.ratio).toBeCloseTo(1.12, 9);
    expect(found.find((o) => o.measure === 'pitch')?.ratio ?? 0.95).toBeCloseTo(0.95, 9);
  });
  it('of square knots is as the handbook value of a half knot over two cords', () => {
    // 12.10 + 0.972 x hull of two cords (2 x 1 + pi): 17.1 cord diameters; see the sinnet's model.
    const model = partKind('square-knot-sinnet').swatch!(
      partKind('square-knot-sinnet').make({ id: 's', bead: '', cord, runs: 4 }),
      cord,
    );
    expect(model.cordPerUnit / 2).toBeCloseTo(17.1, 0);
    expect(model.lengthPerUnit / 2).toBe(2);
  });
  it('says what is wrong with one that cannot be', () => {
    const good = swatch('plait', 1, 1);
    expect(() => observeSwatch({ ...good, units: MIN_SWATCH - 1 })).toThrow(/at least/);
    expect(() => observeSwatch({ ...good, after: good.before })).toThrow(/less cord/);
    const plain = partKind('plain').make({ id: 'p', bead: '', cord, runs: 4 });
    expect(() => observeSwatch({ ...good, part: plain })).toThrow(/cannot be measured/);
  });
});
