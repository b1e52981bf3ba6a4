import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { ClosureBase, ClosureKind } from '../../base/kind/closure-kind.js';
import { sumOf } from '../../base/kind/reason.js';
import { innerCircumference } from '../../base/measure/fit.js';
import type { RoundPart } from '../../base/measure/ring.js';
import { inMm, testClosureSite, testCord, testRuns } from '../../testing.js';
import { coiledSlider } from './coiled-slider/index.js';
import { squareKnotSlider } from './square-knot-slider/index.js';
import { twoSlidingKnots } from './two-sliding-knots/index.js';
import { twoWayBead } from './two-way-bead/index.js';

const cord = testCord(2);
const site = testClosureSite(testRuns(['core'], cord));
/** A body such as the fit leaves under a slider. */
const body: RoundPart[] = [{ kind: 'flexible', length: 165, height: 1 }];
const shortBody: RoundPart[] = [{ kind: 'flexible', length: 100, height: 1 }];

const sliders = [
  squareKnotSlider,
  coiledSlider,
  twoWayBead,
  twoSlidingKnots,
] as readonly ClosureKind[];
const sizes = (kind: ClosureKind, closure: ClosureBase, of = body): number[] =>
  kind.layOut(closure, site, of).states.map(({ extra }) => innerCircumference([...of, ...extra]));

describe.each(sliders.map((kind) => [kind.entry.label, kind] as const))('%s', (_, kind) => {
  const closure = kind.make(cord);
  const of = kind.entry.type === 'two-sliding-knots' ? shortBody : body;
  it('passes the hand when drawn out, and is small enough to wear drawn in', () => {
    const [shortest, longest] = sizes(kind, closure, of);
    expect(longest).toBeGreaterThanOrEqual(226 + 4.9);
    expect(shortest).toBeLessThan(196 + 10);
  });
  it('never has its shortest above its longest, whatever its tails', () => {
    fc.assert(
      fc.property(fc.double({ min: 5, max: 400, noNaN: true }), (tails) => {
        const [shortest, longest] = sizes(kind, { ...closure, tails } as ClosureBase, of);
        expect(shortest).toBeLessThanOrEqual((longest ?? 0) + 1e-6);
      }),
    );
  });
  it('says by how much tails are too short, and offers what would do', () => {
    const least = (kind.layOut(closure, site, of).measures.tail ?? 0) - 10;
    const layout = kind.layOut({ ...closure, tails: least } as ClosureBase, site, of);
    const item = layout.advice.find((f) => f.code === 'closure.range');
    expect(inMm(item!.message)).toMatch(/10 mm longer/);
    const mended = { ...closure, tails: item?.fix?.value } as ClosureBase;
    expect(kind.layOut(mended, site, of).advice.map((f) => f.code)).not.toContain('closure.range');
  });
  it('refuses a fold where both ends must be free', () => {
    const folded = testClosureSite(testRuns(['core'], cord, { folded: true }));
    expect(kind.layOut(closure, folded, of).advice.map((f) => f.code)).toContain('closure.folded');
  });
  it('takes its tails, and names what goes wrong', () => {
    const { uses, measures } = kind.layOut(closure, site, of);
    const tails = uses.filter((use) => use.reason.code === 'closure.tails');
    expect(tails.map((use) => use.reason.mm)).toEqual([measures.tail, measures.tail]);
    expect(kind.mistakes.length).toBeGreaterThan(0);
  });
});

describe('slider of square knots', () => {
  it('takes within a foot of cord for ten half knots over two cords of 1 mm', () => {
    // Common practice, no source: 1 ft of slider cord for about ten half knots.
    const fine = testClosureSite(testRuns(['core'], testCord(1)));
    const { auxiliary } = squareKnotSlider.layOut(squareKnotSlider.make(testCord(1)), fine, body);
    // As makers cut it, with what practised fingers need on both sides.
    expect(sumOf(auxiliary[0]?.reasons ?? [])).toBeLessThanOrEqual(304.8 * 1.1);
    expect(auxiliary[0]?.cord?.diameter).toBe(1);
  });
  it('holds both tails and their way apart: the range is s to 2 T - s', () => {
    const layout = squareKnotSlider.layOut(
      { ...squareKnotSlider.make(cord), tails: 90 },
      site,
      body,
    );
    const grip = layout.measures.grip ?? 0;
    expect(layout.states.map((state) => state.extra[0]?.length)).toEqual([grip, 180 - grip]);
  });
});

describe('two sliding knots', () => {
  it('range from S + k to 2 S, where each knot lies against the other', () => {
    const layout = twoSlidingKnots.layOut(
      { ...twoSlidingKnots.make(cord), tails: 120 },
      site,
      shortBody,
    );
    const k = layout.measures.grip ?? 0;
    expect(layout.states.map((state) => state.extra[0]?.length)).toEqual([120 + k, 240]);
  });
});

describe('tight two-way bead', () => {
  const bead = twoWayBead.make(cord);
  it('lets both tails through squeezed, and slips when its hole is wide', () => {
    expect(twoWayBead.layOut(bead, site, body).passages[0]?.runs).toHaveLength(2);
    const wide = twoWayBead.layOut({ ...bead, hole: 6 }, site, body);
    expect(wide.advice.map((f) => f.code)).toContain('two-way.loose');
  });
  it('needs the bead and two for the ends', () => {
    expect(twoWayBead.layOut(bead, site, body).needs.map((need) => need.count)).toEqual([1, 2]);
  });
});

describe('coiled slider', () => {
  it('takes more cord the more wraps it has', () => {
    const cordOf = (turns: number): number =>
      sumOf(
        coiledSlider.layOut({ ...coiledSlider.make(cord), turns }, site, body).auxiliary[0]
          ?.reasons ?? [],
      );
    expect(cordOf(7)).toBeGreaterThan(cordOf(5));
  });
});
