import { describe, expect, it } from '@jest/globals';
import { EXAMPLE_BUCKLE, EXAMPLE_PIECE } from '../../../piece/example.js';
import { closureSiteOf, sitesOf } from '../../../piece/sites.js';
import { exampleStrands, pointsOf, type BandCords } from '../../../testing.js';
import { sideReleaseBuckle } from './index.js';

const siteOf = (way: BandCords) => {
  const piece = { ...EXAMPLE_PIECE, strands: exampleStrands(way) };
  return closureSiteOf(piece, sitesOf(piece));
};
const uses = (way: BandCords): Record<string, number> => {
  const out: Record<string, number> = {};
  for (const { reason } of sideReleaseBuckle.layOut(EXAMPLE_BUCKLE, siteOf(way), []).uses) {
    out[reason.code] = (out[reason.code] ?? 0) + reason.mm;
  }
  return out;
};

describe('side-release buckle', () => {
  it('takes as much cord for hitch and turn however the cords are used', () => {
    const [one, two, own] = (['one-cord', 'joined-at-fold', 'own-core'] as const).map(uses);
    expect(two?.['start.hitch']).toBeCloseTo(one?.['start.hitch'] ?? 0, 9);
    expect(own?.['closure.turn']).toBeCloseTo(one?.['closure.turn'] ?? 0, 9);
  });
  it('loses cord at a joint, and hides the ends of a core of its own', () => {
    expect(uses('joined-at-fold')['start.joint']).toBe(20);
    expect(uses('own-core')['closure.buried']).toBe(60);
    expect(uses('one-cord')['start.joint']).toBeUndefined();
  });
  it('stands straight in the round from bar to bar', () => {
    expect(sideReleaseBuckle.aim(EXAMPLE_BUCKLE, siteOf('one-cord'))).toEqual([
      { kind: 'rigid', length: EXAMPLE_BUCKLE.barToBar, height: EXAMPLE_BUCKLE.thickness / 2 },
    ]);
  });
  it('has its bars at nought and at the length of the band', () => {
    const plates = sideReleaseBuckle.drawBelow?.(EXAMPLE_BUCKLE, {
      length: 200,
      tails: true,
      done: true,
      firstSide: 'left',
    });
    const xs = pointsOf(plates ?? []).map(([x]) => x);
    const { socket, prongs } = { socket: -Math.min(...xs), prongs: Math.max(...xs) - 200 };
    expect(socket).toBeGreaterThan(EXAMPLE_BUCKLE.barToBar / 3);
    expect(prongs).toBeGreaterThan(EXAMPLE_BUCKLE.barToBar / 3);
  });
  it('needs a fold to be hitched', () => {
    const site = { ...siteOf('one-cord'), runs: siteOf('one-cord').runs.slice(0, 1) };
    const codes = sideReleaseBuckle.layOut(EXAMPLE_BUCKLE, site, []).advice.map((f) => f.code);
    expect(codes).toContain('buckle.cores');
  });
});
