import { stopper } from '../../knot/stopper.js';
import { describe, expect, it } from '@jest/globals';
import { inMm, testBead, testRuns, testSite } from '../../testing.js';
import { beads } from './index.js';
import { aroundBead, threading, type BeadsPart } from './model.js';

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
  it('take more of a working cord than their length, less than half a circle of it outside', () => {
    for (const d of [0.5, 1, 2]) {
      expect(aroundBead(6, 6, d)).toBeGreaterThan(Math.hypot(6, 6 + d));
      expect(aroundBead(6, 6, d)).toBeLessThan((Math.PI * (6 + d)) / 2 + 1e-9);
    }
    // A circle's half perimeter where length and height with the cord are alike.
    expect(aroundBead(7, 6, 1)).toBeCloseTo((Math.PI * 7) / 2, 9);
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
