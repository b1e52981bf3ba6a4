import {
  type KnownCurves,
  repeated,
  polylineLength,
  TIGHTENED_CURVES,
  tightened,
} from '@coiled-strand/rope';
import { describe, expect, it } from '@jest/globals';

import type { Point3 } from '../../base/kind/primitive.js';

import { EXAMPLE_BUCKLE, EXAMPLE_CORD, EXAMPLE_PIECE } from '../../piece/example.js';
import { planPiece } from '../../plan/steps/plan-piece.js';
import { TEMPLATES } from '../../plan/template/templates.js';
import { sampleOf } from './sample.js';
import { drawInSpace, mirroredInSpace, strandAlone } from './space.js';

const known: KnownCurves = TIGHTENED_CURVES;
/** How near two lines come to each other. */
function nearest(one: readonly Point3[], other: readonly Point3[]): number {
  let least = Infinity;
  for (const p of one) {
    for (const q of other) least = Math.min(least, Math.hypot(...p.map((c, k) => c - q[k]!)));
  }
  return least;
}

const plans = TEMPLATES.map((template) => {
  const piece = template.make({
    name: 'x',
    wearer: { name: 'x', wrist: 165, hand: 205, neck: 360, ankle: 220, head: 560 },
    cutting: { confidence: 0.95, step: 10, practice: 'practised' },
  });
  return [template.id, piece, planPiece(piece)] as const;
});

describe('every template in space', () => {
  it.each(plans)(
    '%s has all of its cords, numbers throughout, where its parts are',
    (_, piece, plan) => {
      if (!plan.ok) throw new Error('no plan');
      const { cords, beads } = drawInSpace(piece, plan, known);
      expect(new Set(cords.map(({ strand }) => strand)).size).toBeGreaterThanOrEqual(
        Math.min(1, piece.strands.length),
      );
      expect(new Set([...cords, ...beads].map(({ key }) => key)).size).toBe(
        cords.length + beads.length,
      );
      for (const { line, diameter } of cords) {
        expect(line.flat().every(Number.isFinite)).toBe(true);
        expect(line.length).toBeGreaterThan(1);
        expect(diameter).toBeGreaterThan(0);
      }
      const strung = plan.parts.reduce((sum, { layout }) => sum + layout.beads.length, 0);
      expect(beads.length).toBeGreaterThanOrEqual(strung === 0 ? 0 : 1);
      for (const { id, layout } of plan.parts) {
        if (layout.length < 0.1) continue;
        const own = drawInSpace(piece, plan, known, id);
        const xs = own.cords.flatMap(({ line }) => line.map(([x]) => x));
        expect(Math.max(...xs)).toBeGreaterThan(0.5 * layout.length);
        expect(Math.min(...xs)).toBeGreaterThan(-40);
      }
    },
  );
});

describe('curves that are seen in space', () => {
  // What is seen is what is measured: the lengths of the kept curves beside the numbers of the cut list.
  it('are as long as the half knots, knots and plaits that the cut list counts', () => {
    const perCell = (id: string, cells: number, strands?: number): number =>
      repeated(known[id]!, cells)
        .slice(0, strands)
        .reduce((sum, line) => sum + polylineLength(line), 0) / cells;
    expect(perCell('two-cord.360', 40) / tightened('two-cord.cord')).toBeCloseTo(1, 1);
    expect(perCell('hitch-spiral.2.free', 60)).toBeGreaterThan(2 * Math.PI);
    const flat = perCell('sinnet.two-flat.2', 40, 2);
    const model = tightened('half-knot.fixed') + tightened('half-knot.per-hull') * (2 + Math.PI);
    expect(flat / model).toBeGreaterThan(0.95);
    expect(flat / model).toBeLessThan(1.05);
  });
  it('leave no strand of a plait out, and none goes through another', () => {
    for (const [id, strands] of [
      ['plait.three.1.2', 3],
      ['plait.four-flat.1.2', 4],
      ['plait.four-round.2', 4],
    ] as const) {
      const lines = repeated(known[id]!, 24);
      expect(lines).toHaveLength(strands);
      const whole = 24 * known[id]!.shift!;
      for (const line of lines) {
        expect(line[0]![0]).toBeLessThan(0.15 * whole);
        expect(line.at(-1)![0]).toBeGreaterThan(0.85 * whole);
      }
      for (let i = 0; i < lines.length; i++) {
        for (let j = 0; j < i; j++) {
          const near = nearest(lines[i]!, lines[j]!);
          expect(near).toBeGreaterThan(0.85);
        }
      }
    }
  });
  it('keep their knots apart from cell to cell, mirrored or turned', () => {
    for (const id of ['sinnet.two-flat.2', 'sinnet.one.2', 'spiral.one.8']) {
      const [a, b] = repeated(known[id]!, 8);
      const near = nearest(a!, b!);
      expect(near).toBeGreaterThan(0.8);
    }
  });
});

describe('a scene', () => {
  const [, piece, plan] = plans.find(([, { strands }]) => strands.length > 1)!;
  if (!plan.ok) throw new Error('no plan');
  const scene = drawInSpace(piece, plan, known);
  it('is the same in the mirror, twice', () => {
    expect(mirroredInSpace(mirroredInSpace(scene))).toEqual(scene);
    expect(mirroredInSpace(scene)).not.toEqual(scene);
  });
  it('shows one strand alone', () => {
    const alone = strandAlone(scene, 2);
    expect(alone.cords.length).toBeGreaterThan(0);
    expect(alone.cords.every(({ strand }) => strand === 2)).toBe(true);
    expect(alone.beads).toEqual(scene.beads);
  });
});

describe('what is solid', () => {
  it('is there as thick as it is: the halves of a buckle with their windows, a bar', () => {
    const plan = planPiece(EXAMPLE_PIECE);
    if (!plan.ok) throw new Error('no plan');
    const { plates = [] } = drawInSpace(EXAMPLE_PIECE, plan, known);
    expect(plates.length).toBeGreaterThan(1);
    expect(plates.some(({ outlines }) => outlines.length > 1)).toBe(true);
    for (const { thickness, outlines } of plates) {
      expect(thickness).toBeCloseTo(EXAMPLE_BUCKLE.thickness, 6);
      expect(outlines.flat(2).every(Number.isFinite)).toBe(true);
    }
    const { piece, plan: own, part } = sampleOf('focal', EXAMPLE_CORD, undefined)!;
    const alone = drawInSpace(piece, own, known, part.id);
    expect(alone.plates).toHaveLength(1);
    expect(mirroredInSpace(mirroredInSpace(alone))).toEqual(alone);
  });
});
