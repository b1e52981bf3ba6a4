import { describe, expect, it } from '@jest/globals';
import { ringThickness, woundRadius } from './wound.js';

describe('cord wound up', () => {
  it('fills a spool layer by layer', () => {
    // By counting turns: 40 beside each other, each layer a cord’s thickness further out.
    const spool = { radius: 10, width: 40 };
    let length = 0;
    for (let layer = 0; layer < 12; layer++) length += 40 * 2 * Math.PI * (10 + layer + 0.5);
    expect(woundRadius(length, 1, spool)).toBeCloseTo(22, 9);
  });
  it('fills a ring by as many turns as its length goes round', () => {
    const turns = 30;
    const length = turns * 2 * Math.PI * 40;
    const section = (Math.PI / 4) * ringThickness(length, 2, 40) ** 2;
    expect(section).toBeCloseTo(turns * 4, 9);
  });
});
