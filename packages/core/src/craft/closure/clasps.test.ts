import { describe, expect, it } from '@jest/globals';
import { endKnotSize } from '../knot/end-knots.js';
import { workingEnd } from '../../base/material/working-end.js';
import { effectiveDiameter } from '../../base/material/cord.js';
import { sumOf } from '../../base/kind/reason.js';
import { loop } from '../part/loop/index.js';
import { innerCircumference } from '../../base/measure/fit.js';
import type { RoundPart } from '../../base/measure/ring.js';
import { testClosureSite, testCord, testRuns } from '../../testing.js';
import { breakawayClasp } from './breakaway-clasp/index.js';
import { cordEnds } from './cord-ends/index.js';
import { glueInClasp } from './glue-in-clasp/index.js';
import { hookAndRing } from './hook-and-ring/index.js';
import { lariat } from './lariat/index.js';
import { lobster } from './lobster/index.js';
import { loopAndButton } from './loop-and-button/index.js';
import { loopAndKnot } from './loop-and-knot/index.js';
import { tieEnds } from './tie-ends/index.js';
import { toggle } from './toggle/index.js';
import { loopFor } from '../knot/loop.js';

const IN = 25.4;
const cord = testCord(2);
const single = testClosureSite(testRuns(['core'], cord));
const folded = testClosureSite(testRuns(['core', 'core'], cord, { folded: true }));
const body: RoundPart[] = [{ kind: 'flexible', length: 180, height: 1 }];
const codes = (advice: readonly { code: string }[]): string[] => advice.map((f) => f.code);

describe('glue-in clasp', () => {
  const thick = testClosureSite(testRuns(['core'], testCord(8)), {
    thickness: 8,
    target: 7.5 * IN,
  });
  const clasp = { ...glueInClasp.make(testCord(8)), length: 41, recess: 6 };
  it('takes 29 mm off the cord: 8 3/4 in becomes 7 5/8 in', () => {
    // Common practice, no source. A clasp of 41 mm with two recesses of 6 mm; on the rule to 1/16 in.
    const off = clasp.length - 2 * clasp.recess;
    expect(off).toBe(29);
    const rule = (mm: number): number => Math.round((mm / IN) * 16) / 16;
    expect(rule(8.75 * IN - off)).toBe(7.625);
  });
  it('closes 7.5 in inside on the 8 1/2 in that thick cord takes, less the clasp', () => {
    // Common practice, no source: about 8.5 in of 8 mm cord for 7.5 in inside, before a clasp.
    const bare = 7.5 * IN + Math.PI * 8;
    expect(Math.abs(bare / IN - 8.5)).toBeLessThan(0.05);
    const visible: RoundPart[] = [{ kind: 'flexible', length: bare - 41, height: 4 }];
    const { states, uses } = glueInClasp.layOut(clasp, thick, visible);
    expect(innerCircumference([...visible, ...(states[0]?.extra ?? [])])).toBeCloseTo(7.5 * IN, 6);
    const inRecess = uses
      .filter(({ reason }) => reason.area === 'closure')
      .reduce((sum, use) => sum + use.reason.mm, 0);
    expect(bare - 41 + inRecess).toBeCloseTo(bare - 29, 9);
  });
  it('refuses recesses deeper than the clasp is long, and folds', () => {
    expect(codes(glueInClasp.layOut({ ...clasp, recess: 21 }, thick, body).advice)).toContain(
      'clasp.recess',
    );
    expect(codes(glueInClasp.layOut(clasp, folded, body).advice)).toContain('clasp.fold');
  });
  it('is tried on before it is glued', () => {
    const titles = glueInClasp.steps(
      clasp,
      thick,
      glueInClasp.layOut(clasp, thick, body),
      180,
      'left',
    ).end;
    const at = (part: string): number => titles.findIndex((step) => step.title.includes(part));
    expect(at('Try it on')).toBeLessThan(at('Glue'));
  });
});

describe('loop and button', () => {
  const disc = loopAndButton.make(cord);
  it('ties the loop as long as the disc’s way round, tight', () => {
    // A disc passes edge on: twice its diameter and thickness, a rectangle as an upper bound.
    const needed = loopFor({ shape: 'disc', diameter: 15, thickness: 3 });
    expect(needed).toBeGreaterThan(2 * 15);
    expect(needed).toBeLessThanOrEqual(2 * (15 + 3));
  });
  it('has a second size with a second loop', () => {
    const sizes = loopAndButton
      .layOut({ ...disc, loops: 2 }, single, body)
      .states.map((state) => innerCircumference([...body, ...state.extra]));
    expect(sizes).toHaveLength(2);
    expect(sizes[1]).toBeGreaterThan(sizes[0] ?? Infinity);
  });
  it('hangs the second loop from the first, without a gap', () => {
    const two = { ...disc, loops: 2 };
    const layout = loopAndButton.layOut(two, single, body);
    const shapes = loopAndButton.draw(two, single, layout, {
      length: 180,
      tails: true,
      done: true,
      firstSide: 'left',
    });
    const xs = (part: string): number[] =>
      shapes.flatMap((shape) =>
        shape.kind === 'cord' && shape.key.includes(part) ? shape.lines.flat().map(([x]) => x) : [],
      );
    const firstEye = xs('closure-0-eye');
    const secondRun = xs('closure-1-run');
    // At the start of the piece the loops lie to the left, the second one further out.
    expect(Math.max(...secondRun)).toBeGreaterThanOrEqual(Math.min(...firstEye) - 1e-6);
  });
  it('strings the button on the fold where there is one, without a knot', () => {
    const start = loopAndButton.layOut({ ...disc, buttonAt: 'start' }, folded, body);
    expect(start.uses.some((use) => use.reason.code === 'knot.button')).toBe(false);
    expect(
      loopAndButton
        .layOut(disc, single, body)
        .uses.some((use) => use.reason.code === 'knot.button'),
    ).toBe(true);
  });
});

describe('loop and stopper knot', () => {
  it('needs nothing but cord, and a larger loop for a larger knot', () => {
    const small = loopAndKnot.layOut({ type: 'loop-and-knot', form: 'overhand' }, single, body);
    const large = loopAndKnot.layOut(
      { type: 'loop-and-knot', form: 'triple-barrel' },
      single,
      body,
    );
    expect(small.needs).toEqual([]);
    expect(large.measures.perimeter).toBeGreaterThan(small.measures.perimeter ?? Infinity);
  });
  it('may be a diamond knot of two ends or more, a button of cord', () => {
    const diamond = { type: 'loop-and-knot', form: 'diamond' } as const;
    expect(codes(loopAndKnot.layOut(diamond, single, body).advice)).toEqual(['knot.ends']);
    const two = loopAndKnot.layOut(diamond, folded, body);
    expect(two.advice).toEqual([]);
    const knot = two.uses.find((use) => use.reason.code === 'knot.end')!.reason.mm;
    expect(knot).toBeCloseTo(endKnotSize('diamond', 2).inKnot * effectiveDiameter(cord), 6);
  });
  it('leaves a learner more to work the knot with', () => {
    const allowance = (practice: 'learner' | 'expert'): number =>
      loopAndKnot
        .layOut(loopAndKnot.make(cord), { ...single, practice }, body)
        .uses.filter((use) => use.reason.area === 'end')
        .reduce((sum, use) => sum + use.reason.mm, 0);
    expect(allowance('learner')).toBeGreaterThan(allowance('expert'));
  });
});

describe('clasps tied to rings', () => {
  it('has a longest size with a chain', () => {
    const plain = lobster.layOut(lobster.make(cord), single, body);
    const chain = lobster.layOut({ ...lobster.make(cord), extender: 50 }, single, body);
    expect(plain.states).toHaveLength(1);
    const [first, last] = chain.states.map((s) => innerCircumference([...body, ...s.extra]));
    expect((last ?? 0) - (first ?? 0)).toBeCloseTo(50, 0);
    expect(chain.needs.some((need) => need.id === 'extender')).toBe(true);
  });
  it('closes on a loop only where there is one', () => {
    const onLoop = { ...lobster.make(cord), to: 'loop' as const };
    expect(codes(lobster.layOut(onLoop, single, body).advice)).toEqual(['lobster.loop']);
    const site = testClosureSite(testRuns(['core', 'core'], cord), { first: loop.entry });
    expect(lobster.layOut(onLoop, site, body).advice).toEqual([]);
  });
  it('compares what must pass the ring of a toggle with its opening, less the cords in it', () => {
    // One cord of 2 mm lies in the ring of 12 mm: 10 mm are left, and a bead of 10 mm does not pass.
    const bar = { ...toggle.make(cord), rings: 0, bar: 30 };
    const advice = (endSize: number) =>
      codes(toggle.layOut(bar, { ...single, endSize }, body).advice);
    const room = bar.ring - effectiveDiameter(cord);
    expect(advice(room - 0.1)).not.toContain('toggle.room');
    expect(advice(room)).toContain('toggle.room');
  });
  it('needs two rings for the bar of a toggle, and room to turn', () => {
    const bar = toggle.make(cord);
    expect(toggle.layOut(bar, single, body).needs).toContainEqual(
      expect.objectContaining({ id: 'jump-ring-5', count: 2 }),
    );
    const wide = { ...single, endSize: 14 };
    expect(codes(toggle.layOut({ ...bar, rings: 0, bar: 30 }, wide, body).advice)).toContain(
      'toggle.room',
    );
    expect(codes(toggle.layOut({ ...bar, bar: 13 }, single, body).advice)).toContain(
      'toggle.short',
    );
  });
  it('ties a fold with a hitch and cut ends with a knot', () => {
    const of = (site: typeof single): string[] =>
      hookAndRing.layOut(hookAndRing.make(cord), site, body).uses.map((use) => use.reason.code);
    expect(of(folded)).toContain('start.hitch');
    expect(of(single)).not.toContain('start.hitch');
  });
  it('warns of an adult’s breakaway clasp on a child', () => {
    const child = { ...single, child: true };
    expect(codes(breakawayClasp.layOut(breakawayClasp.make(cord), child, body).advice)).toEqual([
      'breakaway.adult',
    ]);
    const rated = { ...breakawayClasp.make(cord), rated: 'child' as const };
    expect(breakawayClasp.layOut(rated, child, body).advice).toEqual([]);
  });
});

describe('cord ends', () => {
  it('add half an inch or so to the way round, and hide cord in both', () => {
    // Common practice, no source: the findings of a necklace take about half an inch; these have a hook.
    const layout = cordEnds.layOut(cordEnds.make(cord), single, body);
    // And a centimetre a side to try and trim.
    expect(layout.uses.map((use) => use.reason.mm)).toEqual([6, 10, 6, 10]);
    const along = layout.states[0]!.extra.reduce((sum, part) => sum + part.length, 0);
    expect(along).toBeGreaterThan(0.5 * IN);
  });
  it('ask whether the cord goes in', () => {
    expect(cordEnds.layOut(cordEnds.make(cord), single, body).passages[0]?.hole).toBeCloseTo(
      2.3,
      9,
    );
    expect(
      codes(cordEnds.layOut({ ...cordEnds.make(cord), socket: 12 }, single, body).advice),
    ).toContain('cord-ends.socket');
  });
});

describe('tie ends', () => {
  it('stay, at both sides', () => {
    const { uses } = tieEnds.layOut({ type: 'tie-ends', length: 90 }, single, body);
    const end = workingEnd('stopper', cord, 'practised');
    expect(uses.map((use) => use.reason.mm)).toEqual([90, 90, end, end]);
  });
  it('of less than three inches are questioned', () => {
    // Common practice, no source: three to four inches each.
    expect(codes(tieEnds.layOut({ type: 'tie-ends', length: 50 }, single, body).advice)).toEqual([
      'ties.short',
    ]);
    expect(tieEnds.layOut({ type: 'tie-ends', length: 3 * IN }, single, body).advice).toEqual([]);
  });
});

describe('lariat', () => {
  const open = lariat.make(cord);
  const neck = { ...single, target: 380 };
  const length = (way: typeof open.way): number =>
    sumOf(lariat.open!({ ...open, way, drop: 200 }, neck).length);
  it('goes twice round and hangs twice when worn through its own loop', () => {
    expect(length('own-loop')).toBe(2 * 380 + 2 * 200);
    expect(length('ring')).toBe(380 + 200);
  });
  it('takes the knot as well when it is tied', () => {
    expect(length('tied')).toBeGreaterThan(380 + 2 * 200);
  });
  it('wants a ring that lets the end beads pass', () => {
    const ring = { ...open, way: 'ring' as const, ring: 3 };
    expect(lariat.layOut(ring, { ...neck, endSize: 8 }, []).advice.length).toBeGreaterThan(0);
    expect(lariat.layOut({ ...ring, ring: 14 }, { ...neck, endSize: 8 }, []).advice).toEqual([]);
    // What just fits does not pass, least of all beside the cords that lie in the ring already.
    const equal = lariat.layOut({ ...ring, ring: 8 }, { ...neck, endSize: 8 }, []);
    expect(codes(equal.advice)).toEqual(['lariat.ring']);
  });
});
