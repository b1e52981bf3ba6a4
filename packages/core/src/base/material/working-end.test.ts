import { describe, expect, it } from '@jest/globals';
import { MEASURED_HAND, planned, testCord } from '../../testing.js';
import { templateById } from '../../plan/template/templates.js';
import { squareKnotSlider } from '../../craft/closure/square-knot-slider/index.js';
import type { Piece } from '../../piece/piece.js';
import { knottedWith, LAST_ACTIONS, workingEnd, type LastAction } from './working-end.js';

const fine = testCord(1);
const thick = testCord(2);
const IN = 25.4;
const FT = 12 * IN;

describe('working ends', () => {
  // Common practice, no source: what a practised hand leaves of cord of 1 and of 2 mm; rules of thumb, so within a third.
  it.each([
    ['stopper', 50, 75],
    ['barrel', 60, 64],
    ['half-knot', 30, 45],
    ['hitch', 50, 75],
    ['slider', 75, 75],
  ] as const)('for %s are about %d mm of fine cord and %d of thick', (action, ofFine, ofThick) => {
    for (const [cord, want] of [
      [fine, ofFine],
      [thick, ofThick],
    ] as const) {
      expect(Math.abs(workingEnd(action, cord, 'practised') / want - 1)).toBeLessThan(0.35);
    }
  });
  it.each([
    ['socket', 10],
    ['seized', 15],
    ['chain', 150],
    ['needle', 120],
  ] as const)('for %s are %d mm of every cord', (action, want) => {
    for (const cord of [fine, thick]) expect(workingEnd(action, cord, 'practised')).toBe(want);
  });
  it('are longer the more turns a barrel has', () => {
    const [one, two, three] = ['overhand', 'double-barrel', 'triple-barrel'].map((tying) =>
      workingEnd('barrel', fine, 'practised', tying),
    );
    expect(one).toBeLessThan(two!);
    expect(two).toBeLessThan(three!);
  });
  it('are longer of stiff cord, which does not lie in a narrow bend', () => {
    const leather = testCord(1, { kind: 'leather' });
    expect(workingEnd('stopper', leather, 'practised')).toBeGreaterThan(
      workingEnd('stopper', fine, 'practised') + 10,
    );
  });
  it('are longer for a learner and shorter for an expert', () => {
    for (const action of Object.keys(LAST_ACTIONS) as LastAction[]) {
      const [learner, practised, expert] = (['learner', 'practised', 'expert'] as const).map(
        (own) => workingEnd(action, fine, own),
      );
      expect(learner! / practised!).toBeCloseTo(1.25, 9);
      expect(expert! / practised!).toBeCloseTo(0.8, 9);
    }
  });
  it('of silk are what the needle asks for, where it is knotted', () => {
    const silk = testCord(0.7, { kind: 'silk' });
    expect(knottedWith(silk, 'stopper')).toBe('needle');
    expect(knottedWith(silk, 'socket')).toBe('socket');
    expect(knottedWith(fine, 'stopper')).toBe('stopper');
  });
});

describe('cuts beside those of the trade', () => {
  const start = {
    name: 'x',
    wearer: { name: 'Somebody', wrist: 170, hand: 206 },
    cutting: { confidence: 0.95, step: 1, practice: 'practised' },
  } as const;
  const near = (mm: number, want: number, share: number): void =>
    expect(Math.abs(mm / want - 1)).toBeLessThan(share);

  it('four laces of 15 in for a wrist piece with five 13 mm beads and seized ends', () => {
    // Common practice, no source.
    for (const { cut } of planned(templateById('seized-laces').make(start)).strands) {
      near(cut, 15 * IN, 0.1);
    }
  });
  it('a beaded band of twelve 8 mm beads: working cord 3 ft, core 3 ft or less, slider 1 ft', () => {
    // Common practice, no source: five half knots at each end and two between.
    const band = templateById('beaded-band').make(start);
    const knots = (id: string, units: number): Piece['parts'][number] => ({
      id,
      kind: 'square-knot-sinnet',
      form: 'flat',
      tension: 'even',
      length: null,
      units,
    });
    const beads = band.parts.find((part) => part.kind === 'beads')!;
    const piece: Piece = {
      ...band,
      beads: band.beads.map((bead) => ({ ...bead, length: 8, height: 8 })),
      parts: [
        knots('first', 5),
        ...Array.from({ length: 12 }, (_, i) => [
          ...(i > 0 ? [knots(`between-${i}`, 2)] : []),
          { ...beads, id: `bead-${i}` },
        ]).flat(),
        knots('last', 5),
      ],
      closure: { ...squareKnotSlider.make(band.strands[0]!.cord), tails: 60 },
    };
    const plan = planned(piece);
    near(plan.strands[1]!.cut, 3 * FT, 0.15);
    expect(plan.strands[0]!.cut).toBeLessThan(3 * FT);
    near(plan.auxiliary[0]!.cut, FT, 0.15);
  });
  it('a hemp band: core twice wrist and 4 in, working cord three times that', () => {
    // Common practice, no source; both are folded.
    const band = templateById('hemp-band').make(start);
    const { strands } = planned(band, MEASURED_HAND);
    const core = 2 * (170 + 4 * IN);
    near(strands[0]!.cut, core, 0.15);
    near(strands[1]!.cut, 3 * core, 0.15);
    // A first make has more to hold on to at its core, and is as near on the whole.
    const first = planned(band).strands;
    near(first[0]!.cut + first[1]!.cut, 4 * core, 0.15);
  });
  it('a cord whose ends are knotted is asked less for them than one whose end works a chain', () => {
    const ends = (id: string): number =>
      planned(templateById(id).make(start))
        .strands[0]!.reasons.filter(({ area }) => area === 'end')
        .reduce((sum, { mm }) => sum + mm, 0);
    expect(ends('seized-laces')).toBeLessThan(ends('focal-cord'));
    expect(ends('focal-cord')).toBeLessThan(ends('chain-necklace'));
    // The reason says what for.
    const [cord] = planned(templateById('focal-cord').make(start)).strands;
    expect(cord!.reasons.find(({ code }) => code === 'end.stopper')!.detail).toMatch(
      /to tie the knot with/,
    );
  });
});
