import { describe, expect, it } from '@jest/globals';
import { TIGHTENED } from '../tables/tightened.js';
import { COMPUTED_BY } from '../tables/tightened-data.js';
import { ENGINE } from '../engine/compute.js';
import { computedBy, finerBy } from '../engine/testing.js';
import { CATALOGUE } from './catalogue.js';
import { constants } from './derived.js';

describe('the data of tightened knots', () => {
  it('is of this engine', () => {
    expect(COMPUTED_BY).toBe(ENGINE);
  });
  it('has every constant that is made of the catalogue, and no other', () => {
    const one = { value: 1, error: 0.1, points: 1, rounds: 1 };
    const names = new Set<string>();
    const made = constants((name) => {
      names.add(name);
      return one;
    });
    expect(Object.keys(made).sort()).toEqual(Object.keys(TIGHTENED).sort());
    const recipes = CATALOGUE.map(({ id }) => id);
    expect(new Set(recipes).size).toBe(recipes.length);
  });
  it.each([
    ['overhand', 'overhand.uses'],
    ['plait.three.1.5', 'plait.three'],
    ['spiral.one.8', 'spiral.cord.one'],
  ] as const)('%s computed anew gives %s within its error', (id, name) => {
    const recipe = CATALOGUE.find((one) => one.id === id)!;
    const numbers = computedBy(recipe);
    const kept = TIGHTENED[name];
    const read = Object.entries(numbers).find(
      ([, { value }]) => Math.abs(value / kept.value - 1) < 0.05,
    )!;
    expect(Math.abs(read[1].value / kept.value - 1)).toBeLessThanOrEqual(
      kept.error + read[1].error,
    );
  });
  it.each(['plait.four-round.1', 'sinnet.one.2', 'two-cord.360'])(
    '%s: one polygon more lies within the error that is told',
    (id) => {
      const [first] = finerBy(CATALOGUE.find((one) => one.id === id)!);
      expect(first!.within).toBe(true);
    },
  );
});
