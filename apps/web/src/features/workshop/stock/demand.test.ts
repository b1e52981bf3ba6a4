import { describe, expect, it } from '@jest/globals';
import {
  ANY_HAND,
  EXAMPLE_PIECE,
  planPiece,
  templateById,
  type Piece,
  type Plan,
} from '@coiled-strand/core';
import { demandOf, type Wish } from './demand';
import { kitNeeds } from './kit-needs';

const start = {
  name: 'Beaded',
  wearer: { name: 'x', wrist: 165, hand: 200 },
  cutting: { confidence: 0.95, step: 10, practice: 'practised' },
} as const;
const beaded: Piece = templateById('beaded-band').make(start);
const wish = (piece: Piece, number: number, id = piece.name): Wish => ({
  ...{ id, pieceId: '00000000-0000-4000-8000-000000000001', piece, name: piece.name, number },
});

describe('what pieces take', () => {
  it('is every cut of every copy, and all beads together', () => {
    const plan = planPiece(beaded) as Plan;
    const one = plan.strands.length + plan.auxiliary.filter(({ cord }) => cord).length;
    const demand = demandOf([wish(beaded, 3), wish(beaded, 1, 'again')], ANY_HAND);
    expect(demand.cuts).toHaveLength(4 * one);
    expect(new Set(demand.cuts.map(({ id }) => id)).size).toBe(4 * one);
    expect(demand.cuts.filter(({ copy }) => copy === 3)).toHaveLength(one);
    const beads = plan.counters.beads.reduce((sum, { count }) => sum + count, 0);
    expect(demand.things.reduce((sum, { count }) => sum + count, 0)).toBe(4 * beads);
    expect(demand.unplanned).toEqual([]);
  });
  it('names what cannot be planned', () => {
    const demand = demandOf([wish({ ...EXAMPLE_PIECE, name: 'Bare', strands: [] }, 1)], ANY_HAND);
    expect(demand).toMatchObject({ cuts: [], unplanned: ['Bare'] });
  });
  it('of a kit is long enough for the largest of its sizes', () => {
    const sizes = [150, 165, 185].map((wrist) => ({ name: String(wrist), wrist }));
    const { needs, unfit } = kitNeeds(beaded, sizes, ANY_HAND);
    expect(unfit).toEqual([]);
    for (const wearer of sizes) {
      const plan = planPiece({ ...beaded, wearer }) as Plan;
      for (const strand of plan.strands) {
        const cut = needs.cuts.find((one) => one.strand === strand.number)!;
        expect(cut.length).toBeGreaterThanOrEqual(strand.cut);
      }
    }
    const alone = kitNeeds(beaded, sizes.slice(0, 1), ANY_HAND).needs;
    expect(alone.cuts[1]!.length).toBeLessThan(needs.cuts[1]!.length);
  });
});
