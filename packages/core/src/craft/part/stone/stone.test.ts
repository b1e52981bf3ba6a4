import { describe, expect, it } from '@jest/globals';
import { inMm, testBead, testCord, testRuns, testSite } from '../../../testing.js';
import { stone } from './index.js';
import { girthsOf, type StonePart } from './model.js';

const palette = [testBead('cover', 6)];
const site = testSite(testRuns(['core'], testCord(1)), palette);
const part: StonePart = stone.make({ id: 's', bead: 'cover', cord: testCord(1), runs: 2 });

describe('a stone in a loop', () => {
  it('takes its girth and pi times the cord for the loop, and both tails up', () => {
    const mm = (code: string): number =>
      stone.layOut(part, site, 0).uses.find((use) => use.reason.code === code)?.reason.mm ?? 0;
    // The middle of a cord round a convex body lies half a diameter outside (Steiner's formula).
    expect(mm('start.stone')).toBeCloseTo(44 + Math.PI, 9);
    expect(mm('start.rise')).toBe(2 * (8 + 6));
  });
  it('takes more cord for a larger stone', () => {
    const total = (p: StonePart): number =>
      stone.layOut(p, site, 0).uses.reduce((sum, use) => sum + use.reason.mm, 0);
    expect(total({ ...part, girth: 62 }) - total(part)).toBeCloseTo(18, 9);
  });
  it('is refused when nothing above the loop keeps it from slipping, unless glue does', () => {
    expect(stone.layOut(part, site, 0).advice).toEqual([]);
    const [slick] = stone.layOut({ ...part, above: 44 }, site, 0).advice;
    expect(slick).toMatchObject({ code: 'stone.slips', severity: 'error' });
    const { path, value } = slick!.fix!;
    const glued = { ...part, above: 44, [path]: value } as StonePart;
    expect(stone.layOut(glued, site, 0).advice).toEqual([]);
    const [loop] = stone.steps(glued, site, stone.layOut(glued, site, 0), 'left');
    expect(loop!.cautions.map(({ kind }) => kind)).toEqual(['glue']);
    expect(loop!.actions.at(-1)).toMatchObject({ do: 'wait', for: 'glue' });
  });
  it('is asked about when no stone can be so', () => {
    // An outline of 18 by 9 mm is 40.2 to 54 mm round: the blade along its diagonal, and its box.
    const codes = (girth: number): string[] =>
      stone.layOut({ ...part, girth, above: girth * 1.1 }, site, 0).advice.map(({ code }) => code);
    expect(codes(52)).toEqual(['stone.shape']);
    expect(codes(30)).toEqual(['stone.shape']);
    expect(codes(40)).toEqual([]);
    // A ball and a cylinder: their girths are known.
    expect(girthsOf({ width: 10, thickness: 10 }).most).toBeGreaterThan(Math.PI * 10);
    expect(girthsOf({ width: 10, thickness: 10 }).least).toBeLessThan(Math.PI * 10);
  });
  it('passes both tails through the bead that hides the knot', () => {
    expect(stone.layOut(part, site, 0).passages[0]?.runs).toHaveLength(2);
  });
  it('hangs below the line of the necklace at its height', () => {
    const shapes = stone.draw(part, site, stone.layOut(part, site, 0), {
      part: 's',
      done: 1,
      firstSide: 'left',
    });
    const ys = shapes.flatMap((s) =>
      s.kind === 'plate' ? s.outlines.flat().map(([, y]) => y) : [],
    );
    expect(Math.max(...ys) - Math.min(...ys)).toBeCloseTo(part.height, 6);
    expect(Math.min(...ys)).toBeGreaterThan(0);
  });
  it('is caught first, and its bead strung after', () => {
    const titles = stone
      .steps(part, site, stone.layOut(part, site, 0), 'left')
      .map((step) => inMm(step.title));
    expect(titles).toHaveLength(3);
    expect(titles[2]).toContain('cover');
  });
  it('is told whether its bead goes over the knot or sits on it', () => {
    const told = (hole: number): string => {
      const own = testSite(site.runs, [testBead('cover', 6, { hole })]);
      return inMm(stone.steps(part, own, stone.layOut(part, own, 0), 'left')[2]!.text);
    };
    expect(told(6)).toMatch(/hides the knot/);
    expect(told(2.2)).toMatch(/It does not go over it: .* hole of 2.2 mm/);
  });
});
