import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { TENSIONS } from '../../base/kind/part-kind.js';
import { CORD_KINDS } from '../../base/material/cord.js';
import { END_TREATMENTS, suitsEnd } from '../../base/material/ends.js';
import { drawBench } from './bench.js';
import { drawClosed } from './closed.js';
import { EXAMPLE_CORD, EXAMPLE_PIECE } from '../../piece/example.js';
import type { Piece } from '../../piece/piece.js';
import type { SinnetPart } from '../../craft/part/square-knot-sinnet/index.js';
import { BAND_CORDS, BAND_WAYS, inMm, planned as planOf, pointsOf } from '../../testing.js';
import { makeSteps } from '../../plan/steps/steps.js';

/** Any piece of this kind that can be planned. */
const pieces: fc.Arbitrary<Piece> = fc
  .record({
    scheme: fc.constantFrom(...BAND_WAYS),
    form: fc.constantFrom('flat' as const, 'spiral' as const),
    tension: fc.constantFrom(...TENSIONS),
    kind: fc.constantFrom(...CORD_KINDS),
    ends: fc.constantFrom(...END_TREATMENTS),
    diameter: fc.double({ min: 1, max: 5, noNaN: true }),
    wrist: fc.double({ min: 125, max: 215, noNaN: true }),
    child: fc.boolean(),
  })
  .filter(({ ends, kind }) => suitsEnd(ends, kind))
  .map(({ scheme, form, tension, kind, ends, diameter, wrist, child }) => ({
    ...EXAMPLE_PIECE,
    ends,
    wearer: { name: 'x', wrist, child },
    strands: BAND_CORDS[scheme]({ ...EXAMPLE_CORD, kind, diameter }),
    parts: EXAMPLE_PIECE.parts.map((part) => ({ ...(part as SinnetPart), form, tension })),
  }));

describe('every piece', () => {
  it('is made in steps that run from preparing over tying to finishing, each named once', () => {
    fc.assert(
      fc.property(pieces, (piece) => {
        const plan = planOf(piece);
        const steps = makeSteps(piece, plan, { hand: 'left' });
        const order = ['prepare', 'tie', 'finish'];
        const stages = steps.map((step) => order.indexOf(step.stage));
        expect(stages).toEqual([...stages].sort((a, b) => a - b));
        expect(new Set(steps.map((step) => step.id)).size).toBe(steps.length);
        const cuts = steps.filter((step) => /^cut-\d/.test(step.id));
        expect(cuts).toHaveLength(plan.strands.length);
        for (const step of steps) {
          expect(inMm(step.title)).not.toMatch(/undefined|NaN/);
          expect(inMm(step.text)).not.toMatch(/undefined|NaN/);
          expect(step.units).toBeGreaterThanOrEqual(1);
        }
      }),
    );
  });

  it('warns of a flame exactly where one is used, and of children where one wears it', () => {
    fc.assert(
      fc.property(pieces, (piece) => {
        const steps = makeSteps(piece, planOf(piece), { hand: 'right' });
        const kinds = new Set(steps.flatMap((step) => step.cautions.map((c) => c.kind)));
        const flame = steps.some((step) => /flame|Warm both ends/.test(inMm(step.text)));
        expect(kinds.has('flame')).toBe(flame);
        expect(kinds.has('child')).toBe(piece.wearer.child);
        expect(kinds.has('blade')).toBe(true);
        expect(kinds.has('load')).toBe(true);
      }),
    );
  });

  it('is drawn with every point in place, each half knot once, and in the order of painting', () => {
    fc.assert(
      fc.property(pieces, fc.nat(40), (piece, done) => {
        const plan = planOf(piece);
        const bench = drawBench(piece, plan, {
          firstSide: 'left',
          tails: true,
          done: { band: done },
        });
        const keys = bench.shapes.map((shape) => shape.key);
        expect(new Set(keys).size).toBe(keys.length);
        expect(pointsOf(bench.shapes).flat().every(Number.isFinite)).toBe(true);
        // The core lies over what runs behind it and under what crosses in front.
        const core = keys.indexOf('band-core-0');
        const behind = keys.findIndex((key) => key.startsWith('band-front-far'));
        const before = keys.findIndex((key) => key.startsWith('band-front-near'));
        expect(behind).toBeLessThan(core);
        expect(core).toBeLessThan(before);
      }),
      { numRuns: 40 },
    );
  });

  it('closes with the wrist inside it and the buckle outside', () => {
    fc.assert(
      fc.property(pieces, (piece) => {
        const closed = drawClosed(piece, planOf(piece));
        expect(closed.body).toBeLessThan(closed.inner);
        expect(closed.inner).toBeLessThan(closed.outer);
        expect(closed.bounds.height).toBeGreaterThan(2 * closed.inner);
      }),
      { numRuns: 40 },
    );
  });
});
