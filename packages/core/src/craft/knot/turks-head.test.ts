import { polylineLength } from '@coiled-strand/rope';
import { describe, expect, it } from '@jest/globals';
import { endKnot } from '../part/end-knot/index.js';
import { chainCord } from '../part/chain-cord/index.js';
import { layChain, type ChainPart } from '../part/chain-cord/model.js';
import { hitchesOf } from '../part/hitch-spiral/index.js';
import { turksHeadSlider } from '../closure/turks-head-slider/index.js';
import {
  inMm,
  adviceCodes,
  planned,
  testBead,
  testClosureSite,
  testCord,
  testRuns,
  testSite,
} from '../../testing.js';
import { makeSteps } from '../../plan/steps/steps.js';
import { planPiece } from '../../plan/steps/plan-piece.js';
import { templateById } from '../../plan/template/templates.js';
import { sumOf } from '../../base/kind/reason.js';

import {
  cordsOfTurksHead,
  nearestBights,
  slackRounds,
  tubeFor,
  turksHeadCord,
  turksHeadCurve,
  turksHeadWidth,
} from './turks-head.js';

describe('the Turk’s head', () => {
  it('is tied with one cord exactly when leads and bights share no divisor', () => {
    // The law of the common divisor, Ashley Book of Knots (1944); counted here by following the curve.
    for (let leads = 2; leads <= 9; leads++) {
      for (let bights = 2; bights <= 12; bights++) {
        const seen = new Set<number>();
        let rings = 0;
        for (let i = 0; i < bights; i++) {
          if (seen.has(i)) continue;
          rings++;
          for (let b = i; !seen.has(b); b = (b + leads) % bights) seen.add(b);
        }
        expect(cordsOfTurksHead(leads, bights)).toBe(rings);
      }
    }
    expect(() => turksHeadCord({ leads: 4, bights: 6, passes: 1 }, 8)).toThrow(/cannot be tied/);
  });
  it('of 3 by 4, three passes, over eight 1/8 in laces, takes 2 ft of fine linen', () => {
    // Common practice, no source.
    const laces = testRuns(['plaited', 'plaited', 'plaited', 'plaited'], testCord(3.175));
    const slider = turksHeadSlider.make(testCord(1));
    const { auxiliary } = turksHeadSlider.layOut(slider, testClosureSite(laces), []);
    const total = sumOf(auxiliary[0]!.reasons);
    expect(total).toBeLessThanOrEqual(2 * 304.8);
    expect(total).toBeGreaterThan(1.5 * 304.8);
  });
  it('has a curve of the length that it is charged with, within a tenth', () => {
    const knot = { leads: 3, bights: 4, passes: 1 };
    for (const cylinder of [6, 10, 16]) {
      const line = Array.from({ length: 2001 }, (_, i) =>
        turksHeadCurve(knot, cylinder, (2 * Math.PI * i) / 2000),
      );
      expect(Math.abs(polylineLength(line) / turksHeadCord(knot, cylinder) - 1)).toBeLessThan(0.1);
    }
  });
  it('of other leads and bights agrees with the tightened one where they meet', () => {
    const general = turksHeadCord({ leads: 3, bights: 5, passes: 1 }, 12);
    const known = turksHeadCord({ leads: 3, bights: 4, passes: 1 }, 12);
    expect(general / known).toBeGreaterThan(0.95);
    expect(general / known).toBeLessThan(1.2);
  });
  it('grows with passes, and is tied on a wider tube from which the slack is taken up', () => {
    const knot = { leads: 3, bights: 4, passes: 3 };
    expect(turksHeadWidth(knot)).toBeCloseTo(2.2 * 3 + 0.85, 9);
    expect(turksHeadCord(knot, 10)).toBeGreaterThan(3 * turksHeadCord({ ...knot, passes: 1 }, 10));
    expect(tubeFor(10, 1)).toBeGreaterThan(10);
    expect(slackRounds(knot, 17, 10)).toBeGreaterThanOrEqual(3);
    expect(slackRounds(knot, 10.1, 10)).toBe(2);
  });
  it('finds bights for all leads that are offered', () => {
    for (let leads = 2; leads <= 9; leads++) {
      for (let bights = 2; bights <= 16; bights++) {
        const near = nearestBights(leads, bights, 2, 16);
        expect(cordsOfTurksHead(leads, near)).toBe(1);
        expect(near).toBeGreaterThanOrEqual(2);
        expect(near).toBeLessThanOrEqual(16);
      }
    }
  });
  it('says why leads and bights do not go together, and offers a number that does', () => {
    const piece = templateById('seized-laces').make({
      name: 'x',
      wearer: { name: 'Somebody', wrist: 165, hand: 200 },
      cutting: { confidence: 0.95, step: 10, practice: 'practised' },
    });
    const wrong = { ...piece, closure: { ...piece.closure, leads: 3, bights: 6 } } as typeof piece;
    expect(adviceCodes(wrong)).toContain('turks-head.divisor');
    const shared = {
      ...piece,
      closure: { ...piece.closure, leads: 6, bights: 16 },
    } as typeof piece;
    const fix = planPiece(shared).advice.find((f) => f.code === 'turks-head.divisor')?.fix;
    // 17 would do and is more than is offered; 15 shares 3, 14 shares 2 with the leads.
    expect(fix?.value).toBe(13);
    const right = { ...piece, closure: { ...piece.closure, leads: 3, bights: 7 } } as typeof piece;
    expect(adviceCodes(right)).not.toContain('turks-head.divisor');
  });
});

describe('bulky end knots', () => {
  const four = (d: number) => testRuns(['core', 'core', 'core', 'core'], testCord(d));
  const allowance = (practice: 'learner' | 'practised' | 'expert'): number =>
    endKnot
      .layOut(
        { id: 'k', kind: 'end-knot', form: 'diamond' },
        testSite(four(4), [], { practice }),
        0,
      )
      .uses.find((use) => use.reason.code === 'end.bulky')!.reason.mm;
  it('a learner trims about half a foot off each end of a diamond knot in 4 mm cord', () => {
    // Common practice, no source.
    expect(Math.abs(allowance('learner') / 152.4 - 1)).toBeLessThan(0.1);
    expect(allowance('expert')).toBeLessThan(allowance('practised'));
  });
  it('take a number of ends that they can be tied with', () => {
    const carrick = { id: 'k', kind: 'end-knot', form: 'carrick' } as const;
    expect(endKnot.layOut(carrick, testSite(testRuns(['core'])), 0).advice[0]!.code).toBe(
      'end-knot.cords',
    );
    expect(endKnot.layOut(carrick, testSite(testRuns(['core', 'core'])), 0).advice).toEqual([]);
  });
});

describe('a spiral of hitches', () => {
  it('shares the hitches by blocks', () => {
    expect(hitchesOf(3, 20, 70)).toEqual([30, 20, 20]);
    expect(hitchesOf(2, 10, 40)).toEqual([20, 20]);
  });
});

describe('a crocheted chain', () => {
  const chain = (more: Partial<ChainPart> = {}): ChainPart => ({
    ...chainCord.make({ id: 'c', bead: 'b', cord: testCord(0.8), runs: 1 }),
    gauge: 50,
    perStitch: 7,
    between: 4,
    ...more,
  });
  const site = testSite(testRuns(['core'], testCord(0.8)), [testBead('b', 3)]);

  it.each([60, 100, 123.4, 400, 611])(
    'of %f mm is alike from both ends, and ends on chain',
    (length) => {
      const laid = chainCord.layOut(chain({ length }), site, 0);
      const at = laid.beads.map((bead) => bead.at);
      at.forEach((x, i) => expect(x + at[at.length - 1 - i]!).toBeCloseTo(length, 6));
      expect(at[0]! - 1.5).toBeGreaterThanOrEqual(3 * 2 - 1e-6);
      // One bead more would leave too little chain.
      expect(layChain(chain(), site, length).end).toBeLessThan(3 * 2 + (4 * 2 + 3) / 2 + 1e-6);
    },
  );
  it('takes the cord of the maker’s own swatch', () => {
    const laid = chainCord.layOut(chain({ length: 200 }), site, 0);
    expect(laid.uses[0]!.reason.times).toEqual({ count: laid.units, each: 7 });
    expect(laid.units).toBeGreaterThan(70);
  });
  it('tells how much comes out of an endless loop on both sides', () => {
    const laid = chainCord.layOut(chain({ length: 400, loop: 480 }), site, 0);
    expect(inMm(laid.advice[0]!.message)).toMatch(/40 mm on either side/);
    expect(chainCord.layOut(chain({ length: 400, loop: 300 }), site, 0).advice[0]!.code).toBe(
      'chain.loop',
    );
  });
  it('cuts nothing for a loop that is there, and opens it in one step', () => {
    const piece = templateById('chain-necklace').make({
      name: 'x',
      wearer: { name: 'Somebody', wrist: 165, hand: 200, neck: 360 },
      cutting: { confidence: 0.95, step: 10, practice: 'practised' },
    });
    const looped = {
      ...piece,
      parts: piece.parts.map((part) => ({ ...part, loop: 600 })),
    } as typeof piece;
    const [made, opened] = [planned(piece), planned(looped)];
    expect(made.totals.cut).toBeGreaterThan(1000);
    expect(opened.strands[0]!.given).toBe(true);
    expect(opened.totals.cut).toBe(0);
    const titles = makeSteps(looped, opened, { hand: 'right' }).map((step) => step.title);
    expect(titles[0]).toBe('Have the endless loop ready');
    expect(titles).toContain('Open the loop and shorten it on both sides');
    expect(opened.parts[0]!.layout.units).toBe(1);
  });
  it('questions a stitch that cannot be, and more than one cord', () => {
    expect(chainCord.layOut(chain({ perStitch: 1 }), site, 0).advice.map((f) => f.code)).toContain(
      'chain.stitch',
    );
    const two = testSite(testRuns(['core', 'core']), [testBead('b', 3)]);
    expect(chainCord.layOut(chain(), two, 0).advice.map((f) => f.code)).toContain('chain.cords');
  });
});
