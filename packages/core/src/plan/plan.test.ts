import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { sumOf } from '../base/kind/reason.js';
import type { Cord } from '../base/material/cord.js';
import { EXAMPLE_BUCKLE, EXAMPLE_CORD, EXAMPLE_PIECE } from '../piece/example.js';
import type { Piece } from '../piece/piece.js';
import type { SinnetPart } from '../craft/part/square-knot-sinnet/index.js';
import {
  BAND_CORDS,
  BAND_WAYS,
  adviceCodes as codes,
  MEASURED_HAND,
  planned,
  type BandCords,
} from '../testing.js';
import { costOfWaste } from './cost-of-waste.js';
import { planPiece } from './steps/plan-piece.js';
import type { Plan } from './plan-types.js';

const buckle = EXAMPLE_BUCKLE;
const cord = (hex = EXAMPLE_CORD.colour.hex): Cord => ({
  ...EXAMPLE_CORD,
  colour: { name: 'slate', hex },
});
const piece = (more: Partial<Piece> = {}): Piece => ({
  ...EXAMPLE_PIECE,
  wearer: { name: 'Somebody', wrist: 7 * 25.4 },
  ...more,
});
const inScheme = (way: BandCords): Partial<Piece> => ({ strands: BAND_CORDS[way](cord()) });
const band = (more: object): Partial<Piece> => ({
  parts: [{ ...(piece().parts[0] as SinnetPart), ...more }],
});

describe('a 7 in wrist in 4 mm cord', () => {
  // Common practice, no source, unless a line says otherwise.
  const plan = planned(piece());
  it('leaves an inch for two fingers', () => {
    expect(plan.fit.target).toBeCloseTo(8 * 25.4, 9);
  });
  it('takes 9 to 12.5 times its knotted length in the band', () => {
    expect(plan.totals.perLength).toBeGreaterThan(9);
    expect(plan.totals.perLength).toBeLessThan(12.5);
  });
  it('is cut at 8 to 10 ft with the default reserve', () => {
    expect(plan.totals.cut / 304.8).toBeGreaterThan(8);
    expect(plan.totals.cut / 304.8).toBeLessThan(10);
  });
  it('lies near the rule of thumb of a foot per inch and 1 to 1.5 ft', () => {
    expect(plan.rules[0]!.low / 304.8).toBeCloseTo(plan.fit.length / 25.4 + 1, 9);
    expect(plan.totals.cut).toBeGreaterThan(plan.rules[0]!.low * 0.85);
    expect(plan.totals.cut).toBeLessThan(plan.rules[0]!.high * 1.1);
  });
  it('adds the angle the work takes times half its thickness', () => {
    // Steiner's formula: pi times the thickness all round, less the share of the buckle.
    const of = (code: string): number =>
      plan.fit.lengthReasons.find((r) => r.code === code)?.mm ?? 0;
    const r = plan.fit.target / (2 * Math.PI);
    // A part of length l whose middle runs h above the skin covers l r / (r + h) of it.
    const h = (plan.parts[0]?.layout.thickness ?? 0) / 2;
    expect(of('fit.thickness')).toBeCloseTo((plan.fit.fitted * h) / (r + h), 6);
  });
});

describe('every plan', () => {
  const pieces = fc.record({
    wrist: fc.double({ min: 125, max: 215, noNaN: true }),
    scheme: fc.constantFrom(...BAND_WAYS),
    form: fc.constantFrom('flat', 'spiral'),
    tension: fc.constantFrom('soft', 'even', 'hard'),
    diameter: fc.double({ min: 1, max: 6, noNaN: true }),
    step: fc.constantFrom(5, 10, 6.35, 25.4),
    confidence: fc.constantFrom(0.9, 0.95, 0.99),
  });
  const build = (r: {
    wrist: number;
    scheme: BandCords;
    form: string;
    tension: string;
    diameter: number;
    step: number;
    confidence: number;
  }): Piece =>
    piece({
      wearer: { name: 'x', wrist: r.wrist },
      strands: BAND_CORDS[r.scheme]({ ...cord(), diameter: r.diameter }),
      ...band({ form: r.form, tension: r.tension }),
      cutting: { step: r.step, confidence: r.confidence, practice: 'practised' },
    });

  it('has lengths that are the exact sums of their reasons', () => {
    fc.assert(
      fc.property(pieces, (r) => {
        const plan = planned(build(r));
        expect(sumOf(plan.fit.targetReasons)).toBe(plan.fit.target);
        expect(sumOf(plan.fit.lengthReasons)).toBeCloseTo(plan.fit.fitted, 9);
        for (const strand of plan.strands) {
          expect(sumOf(strand.reasons)).toBe(strand.total);
          expect(strand.reasons.every((reason) => Number.isFinite(reason.mm))).toBe(true);
        }
      }),
    );
  });
  it('cuts a whole number of steps, at most one step too much', () => {
    fc.assert(
      fc.property(pieces, (r) => {
        for (const strand of planned(build(r)).strands) {
          expect(strand.cut - strand.total).toBeGreaterThanOrEqual(-1e-6);
          expect(strand.cut - strand.total).toBeLessThan(r.step);
          expect(strand.cut / r.step).toBeCloseTo(Math.round(strand.cut / r.step), 9);
        }
      }),
    );
  });
  it('closes on the size it aims at', () => {
    fc.assert(
      fc.property(pieces, (r) => {
        const { fit } = planned(build(r));
        expect(fit.circumference).toBeCloseTo(fit.target, 6);
      }),
    );
  });
  it('needs no less cord for a larger wrist or more confidence', () => {
    fc.assert(
      fc.property(pieces, fc.double({ min: 9, max: 20, noNaN: true }), (r, more) => {
        const total = (p: Piece): number => planned(p).strands.reduce((s, x) => s + x.total, 0);
        const base = total(build(r));
        expect(total(build({ ...r, wrist: Math.min(219, r.wrist + more) }))).toBeGreaterThan(
          base - r.diameter * 4,
        );
        expect(total(build({ ...r, confidence: 0.999 }))).toBeGreaterThan(base);
      }),
    );
  });
});

describe('schemes', () => {
  it('uses the same cord whether in one length or two halves, but for the joint', () => {
    const one = planned(piece(), MEASURED_HAND);
    const two = planned(piece(inScheme('joined-at-fold')), MEASURED_HAND);
    const total = (p: Plan): number => p.strands.reduce((s, x) => s + x.total, 0);
    expect(total(two) - total(one)).toBeCloseTo(20, 6);
  });
  it('gives the fold point of folded cords and none of single ones', () => {
    const own = planned(piece(inScheme('own-core')));
    for (const strand of own.strands) expect(strand.fold).toBeCloseTo(strand.cut / 2, 9);
    expect(planned(piece(inScheme('joined-at-fold'))).strands.map((s) => s.fold)).toEqual([
      null,
      null,
    ]);
  });
  it('knots over the hidden core ends with more cord', () => {
    const own = planned(piece(inScheme('own-core')));
    const knots = own.strands[1]?.reasons.filter((r) => r.area === 'knot');
    expect(knots).toHaveLength(2);
    expect(knots?.[0]?.times?.each).toBeGreaterThan(knots?.[1]?.times?.each ?? Infinity);
  });
});

describe('the maker’s own length', () => {
  it('moves the size it closes on, and is questioned', () => {
    const fitted = planned(piece()).fit;
    const own = planned(piece(band({ length: fitted.length + 12 })));
    expect(own.fit.circumference - fitted.circumference).toBeCloseTo(12, 0);
    expect(own.advice.map((f) => f.code)).toContain('fit.off-target');
    expect(codes(piece(band({ length: 130 })))).toContain('fit.too-small');
  });
});

describe('stretch', () => {
  it('plans leather shorter than it will be worn', () => {
    const leather = planned(
      piece({
        strands: BAND_CORDS['one-cord']({ ...cord(), kind: 'leather', effective: 0.9 }),
        ends: 'glue',
      }),
    ).fit;
    const nylon = planned(piece()).fit;
    expect(leather.length).toBeCloseTo(nylon.length / 1.02, 6);
    expect(leather.circumference).toBeCloseTo(nylon.circumference, 6);
  });
});

describe('checks', () => {
  it.each([
    ['measure.implausible', { wearer: { name: 'x', wrist: 17 } }],
    ['strands.none', { strands: [] }],
    ['strands.core', { strands: BAND_CORDS['own-core'](cord()).slice(1) }],
    ['wearer.girth', { wear: { site: 'ankle' as const, turns: 1, length: null } }],
    ['ease.missing', { ease: { rule: 'own' as const } }],
    ['ends.flame', { strands: BAND_CORDS['one-cord']({ ...cord(), kind: 'hemp' }) }],
    ['buckle.slot', { closure: { ...buckle, slot: 6 } }],
    ['parts.none', { parts: [] }],
    ['work.short', band({ length: 2 })],
  ])('stops on %s, with a remedy', (code, more) => {
    const plan = planPiece(piece(more));
    expect(plan.ok).toBe(false);
    const item = plan.advice.find((f) => f.code === code);
    expect(item?.severity).toBe('error');
    expect(item?.remedy).not.toBe('');
    expect(item?.path).not.toBe('');
  });
  it('warns of joined cords of unequal thickness', () => {
    const more = inScheme('joined-at-fold');
    expect(
      codes(
        piece({
          strands: [more.strands![0]!, { ...more.strands![1]!, cord: { ...cord(), diameter: 3 } }],
        }),
      ),
    ).toContain('cords.unequal');
  });
  it('shows the cautions that go with a child', () => {
    expect(codes(piece({ wearer: { name: 'x', wrist: 138, child: true } }))).toContain(
      'wearer.child',
    );
  });
  it('notes a band much wider than its buckle', () => {
    const narrow = { ...buckle, slot: 8 };
    expect(codes(piece({ closure: narrow }))).toContain('buckle.narrow');
  });

  it('tells what is left over and what that cost, at each confidence', () => {
    const priced = (confidence: number, price?: number): Plan =>
      planned({
        ...EXAMPLE_PIECE,
        cutting: { ...EXAMPLE_PIECE.cutting, confidence },
        strands: EXAMPLE_PIECE.strands.map((strand) => ({
          ...strand,
          cord: { ...strand.cord, ...(price === undefined ? {} : { price }) },
        })),
      });
    const plan = priced(0.95, 0.4);
    expect(costOfWaste(plan)).toBeCloseTo((plan.totals.leftover / 1000) * 0.4, 9);
    expect(costOfWaste(priced(0.99, 0.4))!).toBeGreaterThan(costOfWaste(plan)!);
    expect(costOfWaste(priced(0.95))).toBeNull();
  });
});
