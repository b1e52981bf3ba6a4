import { describe, expect, it } from '@jest/globals';
import { drawBench } from '../../view/drawing/bench.js';
import { drawClosed } from '../../view/drawing/closed.js';
import { sumOf } from '../../base/kind/reason.js';
import { readPieceFile, toPieceFile } from '../../piece/format/piece-file.js';
import { makeSteps } from '../steps/steps.js';
import { partKind } from '../../craft/part/registry.js';
import { duplicatePart, mirrorAbout, mirrorPart } from '../../piece/edit.js';
import { draftPlan } from '../plan.js';
import { inMm, planned, pointsOf, start } from '../../testing.js';
import { TEMPLATES, templateById } from './templates.js';

const habits = { unit: 'cm', cordUnit: 'cm', hand: 'right' } as const;
const has = (id: string, ...codes: string[]): boolean =>
  planned(templateById(id).make(start)).advice.some((f) => codes.includes(f.code));

describe.each(TEMPLATES.map((template) => [template.id, template] as const))(
  '%s',
  (_, template) => {
    const piece = template.make(start);
    const plan = planned(piece);

    it('is planned without a warning, and lands on its size', () => {
      const warnings = plan.advice.filter((f) => f.severity !== 'note');
      expect(warnings).toEqual([]);
      expect(Math.abs(plan.fit.circumference - plan.fit.target)).toBeLessThan(3.1);
    });
    it('has lengths that are the exact sums of their reasons', () => {
      for (const strand of [...plan.strands, ...plan.auxiliary]) {
        expect(sumOf(strand.reasons)).toBe(strand.total);
        expect(strand.cut).toBeGreaterThanOrEqual(strand.total - 1e-6);
      }
      expect(sumOf(plan.fit.lengthReasons)).toBeCloseTo(plan.fit.fitted, 6);
      expect(plan.parts.reduce((sum, part) => sum + part.layout.length, 0)).toBeCloseTo(
        plan.fit.length,
        9,
      );
    });
    it('takes no less cord of any strand for a larger body', () => {
      // But where other strands take over: how long the plait is says which lie outermost at its petals.
      if (piece.parts.some((part) => part.kind === 'petal-plait')) return;
      // A bead more on a chain takes the place of stitches that take more.
      if (piece.parts.some((part) => part.kind === 'chain-cord')) return;
      const at = (more: number) =>
        draftPlan(
          piece.wear.length === null
            ? {
                ...piece,
                wearer: {
                  ...piece.wearer,
                  [piece.wear.site]: piece.wearer[piece.wear.site]! + more,
                },
              }
            : { ...piece, wear: { ...piece.wear, length: piece.wear.length + more } },
        );
      let before: readonly number[] | null = null;
      for (let more = -20; more <= 35; more++) {
        const larger = at(more);
        const now = larger.ok ? larger.strands.map(({ total }) => total) : null;
        // Tails that pass a hand of the same size are shorter by as much as the body is longer, to a hair.
        if (now && before) now.forEach((mm, i) => expect(mm).toBeGreaterThan(before![i]! - 0.5));
        before = now;
      }
    });
    it('takes no less cord of any strand for one part more', () => {
      for (const part of piece.parts) {
        // A second loop or a second tail has no place; a part left to the fit only shares it.
        const kind = partKind(part.kind);
        if (['loop', 'tail'].includes(part.kind) || kind.fills(part)) continue;
        // Nor can two things be caught in the middle of one cord.
        if (kind.entry.fromMiddle) continue;
        const fixed = {
          ...piece,
          parts: piece.parts.map((p, i) =>
            partKind(p.kind).fills(p) ? { ...p, length: plan.parts[i]!.layout.length } : p,
          ),
          closure: 'tails' in piece.closure ? { ...piece.closure, tails: 200 } : piece.closure,
        } as typeof piece;
        const more = planned(duplicatePart(fixed, part.id));
        planned(fixed).strands.forEach((strand, i) => {
          expect(more.strands[i]!.total).toBeGreaterThanOrEqual(strand.total - 1e-6);
        });
        break;
      }
    });
    it('is the same after mirroring twice, and symmetric after mirroring about its middle', () => {
      expect(piece.parts.map((part) => mirrorPart(mirrorPart(part)))).toEqual(piece.parts);
      const even = mirrorAbout(piece, Math.floor(piece.parts.length / 2));
      expect(even.parts.length % 2).toBe(1);
      expect(new Set(even.parts.map((part) => part.id)).size).toBe(even.parts.length);
    });
    it('comes back from a file as it went', () => {
      const file = toPieceFile(piece);
      expect(readPieceFile(JSON.stringify(file))).toEqual({ ok: true, value: file });
    });
    it('is drawn whole, lying and closed', () => {
      const bench = drawBench(piece, plan, { firstSide: 'left', tails: true });
      const closed = drawClosed(piece, plan);
      for (const { shapes } of [bench, closed]) {
        expect(pointsOf(shapes).flat().every(Number.isFinite)).toBe(true);
        expect(new Set(shapes.map((shape) => shape.key)).size).toBe(shapes.length);
      }
      const named = new Set(bench.shapes.map((shape) => ('part' in shape ? shape.part : '')));
      for (const part of piece.parts) expect(named).toContain(part.id);
    });
    it('is made in steps with every word in place', () => {
      const steps = makeSteps(piece, plan, habits);
      expect(new Set(steps.map((step) => step.id)).size).toBe(steps.length);
      for (const step of steps) {
        const words = [step.title, step.text, ...(step.calls?.said ?? [])];
        expect(words.map(inMm).join(' ')).not.toMatch(/undefined|NaN/);
      }
      for (const part of piece.parts)
        expect(steps.some((step) => step.part === part.id)).toBe(true);
    });
    it('has a shortest size that is no larger than its longest', () => {
      const sizes = plan.fit.states.map((state) => state.circumference);
      expect(sizes).toEqual([...sizes].sort((a, b) => a - b));
    });
  },
);

describe('the trade’s rules', () => {
  // Common practice, no source.
  it('a hemp band: core and working cord together within twice and six times the wrist and 4 in', () => {
    const plan = planned(templateById('hemp-band').make(start));
    const rule = 2 * (165 + 4 * 25.4);
    const bare = plan.strands.map(
      (strand) => strand.total - (strand.reasons.find((r) => r.code === 'reserve')?.mm ?? 0),
    );
    expect(bare[0]! + bare[1]!).toBeLessThan(4 * rule);
    expect(bare[0]).toBeLessThan(rule * 1.15);
    expect(bare[1]).toBeLessThan(3 * rule);
  });
  it('a beaded band in 1 mm cord: core within 3 ft, slider within 1 ft', () => {
    const plan = planned(templateById('beaded-band').make(start));
    expect(plan.strands[0]!.cut).toBeLessThanOrEqual(3 * 304.8);
    expect(plan.auxiliary[0]!.total).toBeLessThanOrEqual(304.8 * 1.15);
    // Three feet of working cord suit fewer knots than these sixty; per knot it is within that.
    const knots = plan.totals.counts.find((c) => c.unitName === 'half knot')?.count ?? 0;
    expect(plan.strands[1]!.total / knots).toBeLessThan((3 * 304.8) / 30);
  });
  it('a necklace of 20 in on one cord: about 40 in of cord, ends to tie with apart', () => {
    const wrapped = templateById('wrapped-stone').make(start);
    const piece = {
      ...wrapped,
      parts: wrapped.parts.slice(0, 1),
      wear: { ...wrapped.wear, length: 508 },
    };
    const plan = planned(piece);
    const cord = plan.strands[0]!;
    const kept = cord.reasons
      .filter((r) => r.area === 'run' || r.area === 'closure')
      .reduce((sum, r) => sum + r.mm, 0);
    expect(Math.abs(kept / 508 - 1)).toBeLessThan(0.35);
    expect(cord.total).toBeLessThan(2 * 508);
  });
});

describe('what belongs to a wearer', () => {
  const child = { ...start, wearer: { ...start.wearer, child: true } };
  it('shows the cautions of a child, and takes the child’s clasp', () => {
    const piece = templateById('large-bead-band').make(child);
    const codes = planned(piece).advice.map((f) => f.code);
    expect(codes).toEqual(expect.arrayContaining(['wearer.child', 'wearer.small-parts']));
    expect(codes).not.toContain('breakaway.adult');
  });
  it('warns of a cord round a child’s neck that does not give way', () => {
    const codes = planned(templateById('wrapped-stone').make(child)).advice.map((f) => f.code);
    expect(codes).toContain('wearer.child-neck');
    const safe = planned(templateById('knotted-necklace').make(child)).advice.map((f) => f.code);
    expect(safe).not.toContain('wearer.child-neck');
  });
  it('finds nothing to warn of in beads whose holes fit', () => {
    expect(has('knotted-necklace', 'passage.no')).toBe(false);
  });
  it('names a template it does not have', () => {
    expect(() => templateById('tiara')).toThrow(/tiara/);
  });
});
