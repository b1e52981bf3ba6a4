import { ownKnotOf, allOf } from '@coiled-strand/rope/testing';
import { TIGHTENED_CURVES, CATALOGUE, type Moment } from '@coiled-strand/rope';
import { describe, expect, it } from '@jest/globals';
import { kept } from '../../../../../scripts/lib/kept.mjs';

import { closureKind } from '../../craft/closure/registry.js';
import type { Point3 } from '../../base/kind/primitive.js';

import { EXAMPLE_PIECE } from '../../piece/example.js';
import type { Piece } from '../../piece/piece.js';

import { planPiece } from '../../plan/steps/plan-piece.js';
import { testBead, testCord } from '../../testing.js';
import { drawOpened, openableOf, openingOf, type Openable } from './opened.js';
import { sampleOf, type Sample } from './sample.js';
import { drawInSpace, type SpaceScene } from './space.js';

const CORD = testCord(2);
const sample = (kind: string): Sample => sampleOf(kind, CORD, testBead('b', 6, { hole: 4.2 }))!;
const openable = ({ piece, plan, part }: Sample): Openable | null =>
  openableOf(piece, plan, part.id, TIGHTENED_CURVES);

const momentsOf = (of: Openable): readonly Moment[] =>
  kept('opening', of, () => allOf(openingOf(of, CATALOGUE)));
const reach = ({ cords }: SpaceScene, k: 0 | 1): number => {
  const all = cords.flatMap(({ line }) => line.map((p) => p[k]));
  return Math.max(...all) - Math.min(...all);
};
const nearest = (a: readonly Point3[], b: readonly Point3[]): number =>
  Math.min(
    ...a.map((p) => Math.min(...b.map((q) => Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2])))),
  );

describe('a knot opened out', () => {
  it.each([
    'square-knot-sinnet',
    'stopper-knot',
    'two-cord-knot',
    'end-knot',
    'hitch-spiral',
    'chain-cord',
  ])('in %s begins wide, and comes to what it is when it is tight', (kind) => {
    const own = sample(kind);
    const of = openable(own)!;
    const moments = momentsOf(of);
    expect(moments.length).toBeGreaterThan(4);
    const scenes = moments.map((moment) =>
      drawOpened(own.piece, own.plan, own.part.id, of, moment, TIGHTENED_CURVES),
    );
    const tight = drawInSpace(own.piece, own.plan, TIGHTENED_CURVES, own.part.id);
    const [first, last] = [scenes[0]!, scenes.at(-1)!];
    expect(reach(first, 0)).toBeGreaterThan(1.25 * reach(tight, 0));
    expect(reach(last, 0) / reach(tight, 0)).toBeGreaterThan(0.7);
    expect(reach(last, 0) / reach(tight, 0)).toBeLessThan(1.35);
    // The same cords, as thick as they are.
    for (const scene of scenes) {
      expect(scene.cords.map(({ diameter, strand }) => [diameter, strand])).toEqual(
        tight.cords.map(({ diameter, strand }) => [diameter, strand]),
      );
    }
  });
  it('is wide enough at every moment that its cords go past each other', () => {
    const own = sample('two-cord-knot');
    const of = openable(own)!;
    for (const moment of momentsOf(of)) {
      const [a, b] = drawOpened(
        own.piece,
        own.plan,
        own.part.id,
        of,
        moment,
        TIGHTENED_CURVES,
      ).cords;
      expect(nearest(a!.line, b!.line)).toBeGreaterThan(0.9 * a!.diameter);
    }
  });
  it('of one’s own comes from its board, and lies along the piece all the way', () => {
    const piece: Piece = {
      ...EXAMPLE_PIECE,
      strands: [{ cord: CORD, legs: ['core'], laidIn: false }],
      knots: [{ ...ownKnotOf('figure-eight'), id: 'eight' }],
      parts: [{ id: 'k', kind: 'own-knot', knot: 'eight', units: 2, runs: null }],
      closure: closureKind('tie-ends').make(CORD) as Piece['closure'],
    };
    const plan = planPiece(piece);
    if (!plan.ok) throw new Error('it was not planned');
    const of = openableOf(piece, plan, 'k', TIGHTENED_CURVES)!;
    expect(of.of).toBe('board');
    const moments = momentsOf(of);
    const long = moments.map((moment) =>
      reach(drawOpened(piece, plan, 'k', of, moment, TIGHTENED_CURVES), 0),
    );
    const tight = reach(drawInSpace(piece, plan, TIGHTENED_CURVES, 'k'), 0);
    expect(long[0]).toBeGreaterThan(1.25 * tight);
    expect(long.at(-1)! / tight).toBeGreaterThan(0.7);
    expect(long.at(-1)! / tight).toBeLessThan(1.5);
  });
  it('is none where no knot was computed', () => {
    expect(openable(sample('beads'))).toBeNull();
    expect(openable(sample('plain'))).toBeNull();
  });
});
