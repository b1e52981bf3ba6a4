import { describe, expect, it } from '@jest/globals';
import { deep } from '../../../../../scripts/lib/deep.mjs';
import { templateById } from '../template/templates.js';
import { isSymmetric, planned, testBead } from '../../testing.js';
import type { Hand } from '../../base/learn/hand.js';
import type { BeadsPart } from '../../craft/part/beads/model.js';
import type { Piece } from '../../piece/piece.js';
import { draftPlan } from '../plan.js';
import { shareEvenly } from './alike.js';
import { orderRow, proposeLayouts, type LayoutWish } from './propose.js';
import { finish } from './solve.js';

const start = {
  name: 'x',
  wearer: { name: 'Somebody', wrist: 165, hand: 200 },
  cutting: { confidence: 0.95, step: 10, practice: 'practised' },
} as const;
const band = {
  ...templateById('beaded-band').make(start),
  beads: [testBead('six', 6, { hole: 1.4 }), testBead('four', 4, { hole: 1.2, count: 12 })],
};
const piece = {
  ...band,
  parts: band.parts.map((part) => (part.kind === 'beads' ? { ...part, beads: ['six'] } : part)),
};
const wish: LayoutWish = {
  beads: [
    { id: 'six', least: 0, most: 40 },
    { id: 'four', least: 0, most: 40 },
  ],
  symmetric: true,
  order: 'alternating',
  between: 'half-knots',
  knots: [2, 3],
  ends: 20,
  keep: 5,
};

describe('proposals', () => {
  const proposals = finish(proposeLayouts(piece, wish));
  it('land near the size, best first, and truly: planning gives that size', () => {
    expect(proposals).toHaveLength(5);
    const offs = proposals.map((p) => Math.abs(p.off));
    expect(offs).toEqual([...offs].sort((a, b) => a - b));
    expect(offs[0]).toBeLessThan(1);
    for (const proposal of proposals) {
      const { fit } = planned(proposal.piece);
      expect(fit.circumference - fit.target).toBeCloseTo(proposal.off, 9);
      expect(fit.circumference).toBeCloseTo(proposal.size, 9);
    }
  });
  it('land for the hand that ties them, whose half knots are longer', () => {
    const hand: Hand = [
      {
        technique: 'square-knot-sinnet',
        cordKind: piece.strands.find((s) => s.legs.includes('working'))!.cord.kind,
        measure: 'pitch',
        factor: 1.2,
        spread: 0.03,
        rests: 5,
      },
    ];
    const [best] = finish(proposeLayouts(piece, wish, hand));
    const { fit } = planned(best!.piece, hand);
    expect(best!.size).toBeCloseTo(fit.circumference, 6);
    expect(Math.abs(best!.off)).toBeLessThan(3);
    expect(best!.size).not.toBeCloseTo(planned(best!.piece).fit.circumference, 1);
  });
  it('are symmetric when that is wished', () => {
    for (const { row, piece: proposed } of proposals) {
      expect(isSymmetric(row)).toBe(true);
      expect(planned(proposed).counters.symmetric).toBe(true);
    }
  });
  it('never use more than there is in hand, nor fewer half knots than wished', () => {
    for (const { counts, knots } of proposals) {
      expect(counts.find((c) => c.id === 'four')?.count ?? 0).toBeLessThanOrEqual(12);
      expect([2, 3]).toContain(knots);
    }
  });
  it('leave out a bead whose hole is too narrow, and say so when none is left', () => {
    const narrow = { ...piece, beads: [testBead('six', 6, { hole: 0.4 }), testBead('four', 4)] };
    const without = finish(proposeLayouts(narrow, wish));
    expect(without.every((p) => !p.row.includes('six'))).toBe(true);
    const none = { ...wish, beads: [{ id: 'six', least: 0, most: 40 }] };
    expect(() => finish(proposeLayouts(narrow, none))).toThrow(/too narrow/);
  });
  it('work for a row that touches, on a piece worn open too', () => {
    // Its first cord alone: nothing would join three that only go through beads together.
    const three = templateById('lariat').make(start);
    const lariat: Piece = {
      ...three,
      strands: three.strands.slice(0, 1),
      parts: [
        ...three.parts.slice(0, 2),
        ...three.parts.filter((part) => part.kind === 'plain' && part.length === null),
        ...three.parts.slice(-2),
      ],
    };
    const row = finish(
      proposeLayouts(templateById('large-bead-band').make(start), {
        ...wish,
        beads: [{ id: 'wood-12', least: 1, most: 30 }],
        between: 'touching',
        ends: 5,
      }),
    );
    expect(Math.abs(row[0]?.off ?? 99)).toBeLessThanOrEqual(6.1);
    const open = finish(
      proposeLayouts(lariat, {
        ...wish,
        beads: [{ id: 'pearl-8', least: 1, most: 200 }],
        between: 'touching',
        symmetric: false,
      }),
    );
    expect(Math.abs(open[0]?.off ?? 99)).toBeLessThanOrEqual(5.1);
  });
});

describe('nothing nearer is left out', () => {
  const three = {
    ...piece,
    beads: [
      testBead('six', 6, { hole: 1.4 }),
      testBead('four', 4, { hole: 1.2 }),
      testBead('nine', 9, { hole: 1.6 }),
    ],
  };
  it.each([
    ['touching', 0, 'graded'],
    ['overhand', 0, 'alternating'],
    ['double-barrel', 0, 'blocks'],
    ['half-knots', 2, 'graded'],
  ] as const)('%s (%d knots, %s): as near as planning every row comes', (between, knots, order) => {
    const limits = { least: 0, most: between === 'touching' ? 8 : 5 };
    const all: LayoutWish = {
      ...wish,
      beads: three.beads.map(({ id }) => ({ id, ...limits })),
      between,
      order,
      knots: [knots, knots],
      symmetric: true,
    };
    const found = finish(proposeLayouts(three, all));
    // Every allowed row is planned in the place of the first that was proposed.
    const at = found[0]!.piece;
    const first = at.parts.findIndex((part) => part.kind === 'beads');
    const last = at.parts.findLastIndex((part) => part.kind === 'beads');
    const bead = at.parts[first] as BeadsPart;
    const knot = at.parts.find(
      (part) => part.kind === 'square-knot-sinnet' && part.units === knots,
    );
    const rowOf = (ids: readonly string[]): Piece => ({
      ...at,
      parts: [
        ...at.parts.slice(0, first),
        ...(between === 'half-knots'
          ? ids.flatMap((id, i) => [
              ...(i > 0 ? [{ ...knot!, id: `between-${i}` }] : []),
              { ...bead, id: `one-${i}`, beads: [id] },
            ])
          : [{ ...bead, beads: ids }]),
        ...at.parts.slice(last + 1),
      ],
    });
    const size = (id: string) => three.beads.find((own) => own.id === id)!;
    let best = Infinity;
    for (let a = 0; a <= limits.most; a++) {
      for (let b = 0; b <= limits.most; b++) {
        for (let c = 0; c <= limits.most; c++) {
          if ((a % 2) + (b % 2) + (c % 2) > 1 || a + b + c === 0) continue;
          const ids = [
            ...Array<string>(a).fill('six'),
            ...Array<string>(b).fill('four'),
            ...Array<string>(c).fill('nine'),
          ];
          const plan = draftPlan(rowOf(orderRow(ids, all, size)));
          if (plan.ok) best = Math.min(best, Math.abs(plan.fit.circumference - plan.fit.target));
        }
      }
    }
    expect(Math.abs(found[0]!.off)).toBeLessThan(best + 0.05);
  });
  it('many kinds of small beads are laid out in no time, to a hundredth of a millimetre', () => {
    const sizes = deep([2, 2.3, 2.7, 3.1, 3.6, 4.2], [2, 2.3, 2.7, 4.2]);
    const small = { ...piece, beads: sizes.map((mm, i) => testBead(`b${i}`, mm, { hole: 1.4 })) };
    const found = finish(
      proposeLayouts(small, {
        ...wish,
        beads: small.beads.map(({ id }) => ({ id, least: 0, most: 200 })),
        between: 'touching',
        order: 'graded',
      }),
    );
    expect(found).toHaveLength(5);
    for (const { off } of found) expect(Math.abs(off)).toBeLessThan(0.01);
  });
});

describe('beads that take alike', () => {
  const beads = [
    { id: 'grey', least: 0, most: 40 },
    { id: 'white', least: 0, most: 3 },
    { id: 'blue', least: 0, most: 40 },
  ];
  it('share a count evenly, in pairs for two halves alike', () => {
    expect(shareEvenly(beads, 9, false)).toEqual([3, 3, 3]);
    expect(shareEvenly(beads, 12, false)).toEqual([5, 3, 4]);
    const paired = shareEvenly(beads, 11, true);
    expect(paired.reduce((a, b) => a + b)).toBe(11);
    expect(paired.filter((n) => n % 2 === 1)).toHaveLength(1);
  });
  it('are proposed together, not one row for every mixture', () => {
    const two = {
      ...piece,
      beads: [testBead('six', 6, { hole: 1.4 }), testBead('other', 6, { hole: 1.4 })],
    };
    const rows = finish(
      proposeLayouts(two, {
        ...wish,
        beads: [
          { id: 'six', least: 0, most: 40 },
          { id: 'other', least: 0, most: 40 },
        ],
      }),
    );
    const sizes = rows.map(({ size, knots }) => `${size.toFixed(3)} ${knots}`);
    expect(new Set(sizes).size).toBe(sizes.length);
    expect(rows[0]?.counts.map(({ id }) => id)).toEqual(['six', 'other']);
  });
});

describe('the order of a row', () => {
  const size = (id: string) => ({ height: Number(id), length: Number(id) });
  it('grades towards the middle, groups or alternates, with both halves alike', () => {
    const ids = ['6', '6', '8', '8', '10'];
    expect(orderRow(ids, { symmetric: true, order: 'graded' }, size)).toEqual([
      '6',
      '8',
      '10',
      '8',
      '6',
    ]);
    for (const order of ['graded', 'blocks', 'alternating'] as const) {
      expect(isSymmetric(orderRow(ids, { symmetric: true, order }, size))).toBe(true);
      expect(orderRow(ids, { symmetric: false, order }, size).sort()).toEqual([...ids].sort());
    }
  });
});
