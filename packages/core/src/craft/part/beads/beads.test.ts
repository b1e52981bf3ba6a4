import { polylineLength } from '@coiled-strand/rope';
import { stopper } from '../../knot/stopper.js';
import { describe, expect, it } from '@jest/globals';
import { inMm, testBead, testRuns, testSite } from '../../../testing.js';
import { beads } from './index.js';
import { threading, type BeadsPart } from './model.js';
import { roundBeads } from './round.js';

const palette = [testBead('six', 6), testBead('eight', 8)];
const part = (more: Partial<BeadsPart> = {}): BeadsPart => ({
  id: 'b',
  kind: 'beads',
  beads: ['six', 'eight', 'six'],
  through: 'core',
  runs: null,
  between: 'touching',
  gap: 0,
  ...more,
});
const band = testSite(testRuns(['core', 'working', 'working']), palette);
const cords = testSite(testRuns(['core', 'core', 'core']), palette);
const layOut = (more: Partial<BeadsPart> = {}, site = band) => beads.layOut(part(more), site, 0);

describe('beads', () => {
  it('lie one behind the other at their size', () => {
    const layout = layOut();
    expect(layout.length).toBe(20);
    expect(layout.beads.map((bead) => bead.at)).toEqual([3, 10, 17]);
  });
  it('go round as they are: each straight, its hole above the skin', () => {
    expect(layOut().round).toEqual([
      { kind: 'beads', length: 6, height: 3, count: 1 },
      { kind: 'beads', length: 8, height: 4, count: 1 },
      { kind: 'beads', length: 6, height: 3, count: 1 },
    ]);
    expect(layOut({ beads: ['six', 'six'] }).round).toHaveLength(1);
  });
  it('are strung on the core, the working cords go round', () => {
    const { through, around } = threading(part(), band);
    expect(through.map((run) => run.role)).toEqual(['core']);
    expect(around).toHaveLength(2);
    const round = layOut().uses.filter((use) => use.reason.code === 'run.around');
    expect(round).toHaveLength(2);
    expect(round[0]?.reason.mm).toBeGreaterThan(20);
  });
  it('are strung on some cords and lie beside the others', () => {
    const { through, beside } = threading(part({ through: 'some', runs: [1] }), cords);
    expect(through.map((run) => run.index)).toEqual([1]);
    expect(beside).toHaveLength(2);
    expect(threading(part({ through: 'all' }), cords).through).toHaveLength(3);
  });
  it('stand apart by a knot, or by bare cord', () => {
    const { length, uses } = stopper('overhand', 1);
    const knotted = layOut({ between: 'overhand' });
    expect(knotted.length).toBeCloseTo(20 + 2 * length, 9);
    const used = knotted.uses.find((use) => use.reason.code === 'knot.between');
    expect(used?.reason.mm).toBeCloseTo(2 * uses, 9);
    expect(layOut({ between: 'space', gap: 5 }).length).toBe(30);
  });
  it('ask each kind of bead once whether its cords go through', () => {
    const { passages } = layOut({ through: 'all' }, cords);
    expect(passages.map((p) => [p.what, p.hole, p.runs.length])).toEqual([
      ['six', 3, 3],
      ['eight', 4, 3],
    ]);
  });
  it('take of a working cord the shortest way over their sides, from knot to knot', () => {
    // A string over a circle of radius 3.5 from 1.9 beside its middle line: two tangents and the arc between.
    const out = Math.hypot(3, 1.9);
    const tangent = Math.sqrt(out ** 2 - 3.5 ** 2);
    const arc = Math.PI - 2 * (Math.atan2(1.9, 3) + Math.acos(3.5 / out));
    const [over] = roundBeads([{ length: 6, height: 6 }], 0, 1, 1.9).shares;
    expect(over! / (2 * tangent + 3.5 * arc)).toBeCloseTo(1, 3);
    // Where the knots are wider than the bead it goes straight by.
    expect(roundBeads([{ length: 4, height: 2 }], 0, 1, 1.9).shares).toEqual([4]);
    // A row is gone round as one: the cord does not dip between beads that touch.
    const like = { length: 6, height: 6 };
    const row = roundBeads([like, like, like], 0, 1, 1.9).shares;
    expect(row[1]).toBeCloseTo(6, 6);
    expect(row[0]! + row[2]!).toBeCloseTo(over! + 6, 2);
    // A bead between larger ones is not touched.
    const dip = roundBeads([like, { length: 6, height: 3 }, like], 0, 1, 1.9).shares;
    expect(dip[1]).toBeCloseTo(6, 6);
  });
  // Two tangents and the arc between them; the engine that draws ropes tight comes to the same.
  it.each([
    [6, 1.9],
    [8, 2.4],
    [4, 1.9],
  ])('of %d diameters, from %d beside the middle, are a string over a circle', (bead, aside) => {
    const [radius, out] = [(bead + 1) / 2, Math.hypot(bead / 2, aside)];
    const arc = Math.PI - 2 * (Math.atan2(aside, bead / 2) + Math.acos(radius / out));
    const want = 2 * Math.sqrt(out ** 2 - radius ** 2) + radius * arc;
    const [share] = roundBeads([{ length: bead, height: bead }], 0, 1, aside).shares;
    expect(share! / want).toBeCloseTo(1, 3);
  });

  it('take what their drawing shows', () => {
    const layout = layOut({ between: 'space', gap: 2 });
    const shapes = beads.draw(part({ between: 'space', gap: 2 }), band, layout, {
      part: 'b',
      done: 3,
      firstSide: 'left',
    });
    const drawn = shapes.flatMap((shape) =>
      shape.kind === 'cord' && shape.key.startsWith('b-around') ? shape.lines : [],
    );
    const told = layout.uses.filter(({ reason }) => reason.code === 'run.around');
    expect(drawn.map(polylineLength)).toEqual(told.map(({ reason }) => reason.mm));
  });
  it('call out the next one', () => {
    const [step] = beads.steps(part(), band, layOut(), 'left');
    expect(step?.units).toBe(3);
    expect(inMm(step!.unitText!(1))).toBe('eight');
  });
  it('are drawn at their size, working cords over them', () => {
    const shapes = beads.draw(part(), band, layOut(), { part: 'b', done: 2, firstSide: 'left' });
    const solids = shapes.flatMap((shape) => (shape.kind === 'bead' ? [shape] : []));
    expect(solids.map((bead) => [bead.length, bead.state])).toEqual([
      [6, 'laid'],
      [8, 'laid'],
      [6, 'planned'],
    ]);
    const arc = shapes.findIndex((shape) => shape.key.startsWith('b-around'));
    expect(arc).toBeGreaterThan(shapes.findIndex((shape) => shape.kind === 'bead'));
  });
  it('turn round end for end', () => {
    const row = part({ beads: ['six', 'eight', 'eight'] });
    expect(beads.mirror?.(row).beads).toEqual(['eight', 'eight', 'six']);
  });
});
