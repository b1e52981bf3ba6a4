import { HITCH_WIDTH } from '../../knot/hitch.js';
import { describe, expect, it } from '@jest/globals';
import { sumOf } from '../../../base/kind/reason.js';
import { readyPattern } from '../../floss/ready.js';
import { hitchHeight } from '../../knot/hitch.js';
import { inMm, planned, pointsOf, testCord, testRuns, testSite } from '../../../testing.js';
import { templateById } from '../../../plan/template/templates.js';
import { floss } from './index.js';
import type { FlossPart } from './model.js';

const part = (strands: number, more: Partial<FlossPart> = {}): FlossPart => ({
  ...floss.make({ id: 'band', bead: '', cord: testCord(1), runs: strands }),
  ...more,
});
const site = (strands: number, d = 1) =>
  testSite(
    testRuns(
      Array.from({ length: strands }, () => 'plaited' as const),
      testCord(d),
    ),
  );
const drawn = { part: 'band', done: 0, firstSide: 'left' } as const;

describe('a knotted band', () => {
  it.each([
    [4, 4.0],
    [6, 4.4],
    [8, 4.7],
    [12, 4.9],
  ])('of slanting stripes on %i threads takes %f times its length of each', (n, ratio) => {
    // Tightened model ropes; common practice, no source, has 3 to 5.
    const laid = floss.layOut(part(n, { repeats: 20 }), site(n), 0);
    // The turns at the edges come on top of them.
    const knots = laid.uses.map((use) => use.reason).filter(({ code }) => code !== 'run.bare');
    expect(Math.abs(sumOf(knots) / n / laid.length / ratio - 1)).toBeLessThan(0.02);
  });
  it('is as long as its rows, and as wide as its places', () => {
    const laid = floss.layOut(part(8, { repeats: 3 }), site(8, 0.5), 0);
    expect(laid.length).toBeCloseTo(
      48 * (Math.hypot(HITCH_WIDTH, hitchHeight('even')) / 2) * 0.5,
      9,
    );
    expect(laid.width).toBeCloseTo(8 * (HITCH_WIDTH / Math.SQRT2) * 0.5, 9);
  });
  it('lands within a row of the length it is given, or on whole repeats', () => {
    const anywhere = floss.layOut(part(8, { repeats: null }), site(8), 150);
    expect(Math.abs(anywhere.length - 150)).toBeLessThan(anywhere.pitch * 2);
    const whole = floss.layOut(part(8, { repeats: null, ending: 'whole' }), site(8), 150);
    expect((whole.length / whole.pitch) % 16).toBeCloseTo(0, 6);
  });
  it('is shorter and takes more when rows are pushed up', () => {
    const even = floss.layOut(part(8, { repeats: 5 }), site(8), 0);
    const hard = floss.layOut(part(8, { repeats: 5, tension: 'hard' }), site(8), 0);
    expect(hard.length).toBeLessThan(even.length);
    const ties = (laid: typeof even) =>
      sumOf(laid.uses.map((use) => use.reason).filter(({ code }) => code === 'knot.hitch'));
    expect(ties(hard)).toBeGreaterThan(ties(even));
    expect(hitchHeight('soft')).toBe(hitchHeight('even'));
  });
  it('charges each strand for what it ties, where it lies', () => {
    const straight = part(5, { lay: 'leader', rows: ['----', '||||'], repeats: 1 });
    const laid = floss.layOut({ ...straight, order: [3, 0, 1, 2, 4] }, site(5), 0);
    const tied = new Map(
      laid.uses
        .filter((use) => use.reason.code === 'knot.hitch')
        .map((use) => [use.strand, use.reason.times!.count]),
    );
    // The run at place 1 leads; it ties the first row, the others one knot each of the second.
    expect([...tied].sort((a, b) => a[0] - b[0])).toEqual([
      [1, 1],
      [2, 1],
      [3, 1],
      [4, 4],
      [5, 1],
    ]);
  });
  it('tells when a strand works much harder, and when the order does not return', () => {
    const leader = floss.layOut(
      part(12, { lay: 'leader', rows: ['-----------'], repeats: 40 }),
      site(12),
      0,
    );
    expect(leader.advice.map((f) => f.code)).toContain('floss.hungry');
    const shifting = floss.layOut(part(8, { rows: ['>>>>', '>>>'] }), site(8), 0);
    expect(shifting.advice.map((f) => f.code)).toEqual(['floss.returns']);
  });
  it('names what keeps it from being tied, and is still drawn', () => {
    for (const [wrong, code] of [
      [part(8, { rows: ['>>>'] }), 'floss.odd'],
      [part(6), 'floss.row'],
      [part(8, { order: [0, 1] }), 'floss.order'],
    ] as const) {
      const laid = floss.layOut(wrong, site(8), 40);
      expect(laid.advice.map((f) => f.code)).toContain(code);
      expect(floss.draw(wrong, site(8), laid, drawn).length).toBeGreaterThan(0);
      expect(floss.steps(wrong, site(8), laid, 'left')).toEqual([]);
    }
  });
  it('fills on the drawing in the order it is tied', () => {
    const band = part(8, { repeats: 1 });
    const laid = floss.layOut(band, site(8), 0);
    const bars = (done: number, state: string): number =>
      floss
        .draw(band, site(8), laid, { ...drawn, done })
        .filter((s) => s.kind === 'cord' && s.key.startsWith(`band-knots-${state}`))
        .reduce((sum, s) => sum + (s.kind === 'cord' ? s.lines.length : 0), 0);
    expect(bars(0, 'laid')).toBe(0);
    expect(bars(5, 'laid')).toBe(10);
    expect(bars(5, 'planned')).toBe(2 * (laid.units - 5));
    expect(bars(laid.units, 'planned')).toBe(0);
  });
  it('says of every knot who works over whom, and where the strand ends', () => {
    const band = part(4, { repeats: 2 });
    const laid = floss.layOut(band, site(4), 0);
    const [step] = floss.steps(band, site(4), laid, 'left');
    const words = Array.from({ length: laid.units }, (_, i) => inMm(step!.unitText!(i)));
    expect(words[0]).toMatch(/^Row 1: strand 3 .* at place 3 over strand 4 .* ends at place 4/);
    expect(words.some((text) => text.includes('goes on over 2 more and ends at place 4'))).toBe(
      true,
    );
    expect(words.join()).not.toMatch(/undefined/);
    for (const unit of [0, 3, laid.units - 1]) {
      const shapes = floss.picture!(band, site(4), laid, unit, 'left');
      expect(shapes.some((s) => s.kind === 'cord' && s.state === 'moving')).toBe(true);
      expect(pointsOf(shapes).flat().every(Number.isFinite)).toBe(true);
    }
  });
});

describe('bands of the trade', () => {
  const start = {
    name: 'x',
    wearer: { name: 'Somebody', wrist: 165, hand: 200 },
    cutting: { confidence: 0.95, step: 10, practice: 'practised' },
  } as const;
  it('slanting stripes of seven strands with plaited ends stay inside an arm span', () => {
    // Common practice, no source: an arm span (1.65 m) for each strand is more than enough.
    const piece = templateById('floss-stripe').make(start);
    const seven = {
      ...piece,
      strands: piece.strands.slice(0, 7),
      parts: piece.parts.map((p) => ({
        ...p,
        ...readyPattern('stripe').make({ strands: 7, colours: 4 }).pattern,
      })),
    };
    for (const strand of planned(seven).strands) {
      expect(strand.cut).toBeLessThanOrEqual(1650);
      expect(strand.kept).toBeLessThan(0.7 * 1650);
    }
  });
  it('a spiral with blocks of 20 takes no more than 5 ft of a colour, folded', () => {
    // Common practice, no source.
    for (const strand of planned(templateById('floss-spiral').make(start)).strands) {
      expect(strand.cut).toBeLessThanOrEqual(5 * 304.8);
    }
  });
});
