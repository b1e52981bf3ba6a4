import { describe, expect, it } from '@jest/globals';
import type { ClosureKind } from '../../base/kind/closure-kind.js';
import { sumOf } from '../../base/kind/reason.js';
import { chainCord } from '../part/chain-cord/index.js';
import { plaitRatio } from '../knot/plait.js';
import { inMm, pointsOf, testClosureSite, testCord, testRuns } from '../../testing.js';
import { coiledSlider, type CoiledSlider } from './coiled-slider/index.js';
import { cordEnds } from './cord-ends/index.js';
import { squareKnotSlider, type SquareKnotSlider } from './square-knot-slider/index.js';
import { tieEnds, type TieEnds } from './tie-ends/index.js';
import { turksHeadSlider, type TurksHeadSlider } from './turks-head-slider/index.js';

const floss = testCord(0.5);
const runs = (n: number) =>
  testRuns(
    Array.from({ length: n }, () => 'plaited' as const),
    floss,
  );
const body = [{ kind: 'flexible', length: 150, height: 1 }] as const;

type Slider = CoiledSlider | SquareKnotSlider | TurksHeadSlider;
const sliders = [
  coiledSlider,
  squareKnotSlider,
  turksHeadSlider,
] as unknown as ClosureKind<Slider>[];

describe.each(sliders.map((kind) => [kind.entry.label, kind] as const))(
  '%s on plaited tails',
  (_, kind) => {
    const straight = { ...kind.make(testCord(1)), tails: 80 };
    const plaited = { ...straight, tailForm: 'plaited' } as Slider;
    const site = testClosureSite(runs(8));
    const tails = (slider: Slider): number =>
      sumOf(
        kind
          .layOut(slider, site, body)
          .uses.map((use) => use.reason)
          .filter(({ code }) => code === 'closure.tails'),
      );

    it('takes as much more cord as a plait of three does', () => {
      expect(tails(plaited) / tails(straight)).toBeCloseTo(plaitRatio('three', 1.5), 6);
    });
    it('has the plaits made before it closes over them', () => {
      const titles = (slider: Slider): string[] =>
        kind
          .steps(slider, site, kind.layOut(slider, site, body), 150, 'left')
          .end.map((step) => inMm(step.title));
      expect(titles(plaited)[0]).toMatch(/^Plait the ends/);
      expect(titles(straight)[0]).not.toMatch(/^Plait/);
    });
    it('splits seven strands two, three and two', () => {
      const seven = testClosureSite(runs(7));
      const layout = kind.layOut(plaited, seven, body);
      expect(inMm(kind.steps(plaited, seven, layout, 150, 'left').end[0]!.text)).toContain(
        'two strands (slate), three strands (slate), two strands (slate)',
      );
    });
    it('is drawn with the plaits', () => {
      const draw = (slider: Slider) =>
        kind.draw(slider, site, kind.layOut(slider, site, body), {
          length: 150,
          tails: true,
          done: true,
          firstSide: 'left',
        });
      expect(draw(plaited).length).toBeGreaterThan(draw(straight).length);
      expect(pointsOf(draw(plaited)).flat().every(Number.isFinite)).toBe(true);
    });
    it('needs three cords for them, and says so', () => {
      const codes = kind.layOut(plaited, testClosureSite(runs(2)), body).advice.map((f) => f.code);
      expect(codes).toContain('plait.cords');
    });
    it('of an older piece, which does not say, is straight', () => {
      const { tailForm: _form, ...older } = straight;
      expect(kind.layOut(older as Slider, site, body).uses).toEqual(
        kind.layOut(straight, site, body).uses,
      );
    });
  },
);

describe('ties', () => {
  const site = testClosureSite(runs(10), { runs: runs(10) });
  it('are 3 to 4 in long', () => {
    // Common practice, no source.
    const { length } = tieEnds.make(floss);
    expect(length).toBeGreaterThanOrEqual(3 * 25.4);
    expect(length).toBeLessThanOrEqual(4 * 25.4);
  });
  it('are plaited where it is wanted, of three cords at least', () => {
    const ties: TieEnds = { type: 'tie-ends', length: 90, tailForm: 'plaited' };
    const each = tieEnds.layOut(ties, site, []).uses[0]!.reason;
    expect(each.mm).toBeCloseTo(90 * plaitRatio('three', 1.5), 6);
    const [step] = tieEnds.steps(ties, site, tieEnds.layOut(ties, site, []), 150, 'left').end;
    expect(inMm(step!.title)).toMatch(/^Plait/);
    expect(tieEnds.layOut(ties, testClosureSite(runs(2)), []).advice[0]!.code).toBe('plait.cords');
  });
});

describe('ends of strands that are folded at the start', () => {
  const folded = testRuns(['plaited', 'plaited', 'plaited'], floss, { folded: true });
  const site = testClosureSite(folded);
  it('lie at one side alone, and are tied through the loop at the other', () => {
    for (const tailForm of ['straight', 'plaited'] as const) {
      const ties: TieEnds = { type: 'tie-ends', length: 90, tailForm };
      const layout = tieEnds.layOut(ties, site, []);
      const shapes = tieEnds.draw(ties, site, layout, {
        length: 150,
        tails: true,
        done: true,
        firstSide: 'left',
      });
      expect(Math.min(...pointsOf(shapes).map(([x]) => x))).toBeGreaterThan(140);
      expect(layout.reach.start).toBeLessThan(10);
      expect(layout.uses.filter(({ reason }) => reason.area === 'closure')).toHaveLength(3);
    }
  });
});

describe('cord ends on a crocheted chain', () => {
  const site = testClosureSite(testRuns(['core'], testCord(0.8)), {
    first: chainCord.entry,
    last: chainCord.entry,
    thickness: 2,
  });
  it('are as wide as the chain, and a narrow one offers the width that does', () => {
    const narrow = cordEnds.layOut({ ...cordEnds.make(floss), bore: 1.1 }, site, []);
    expect(narrow.advice[0]).toMatchObject({ code: 'cord-ends.chain', fix: { value: 2 } });
    const wide = cordEnds.layOut({ ...cordEnds.make(floss), bore: 2 }, site, []);
    expect(wide.advice.map((f) => f.code)).not.toContain('cord-ends.chain');
  });
  it('need two ends, a clasp and its rings', () => {
    const { needs } = cordEnds.layOut({ ...cordEnds.make(floss), bore: 2 }, site, []);
    expect(needs.reduce((sum, need) => sum + need.count, 0)).toBe(5);
  });
});
