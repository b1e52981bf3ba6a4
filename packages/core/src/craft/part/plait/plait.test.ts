import { layoutOf, mirror, polylineLength, tyingOf } from '@coiled-strand/rope';
import { describe, expect, it } from '@jest/globals';
import { sumOf } from '../../../base/kind/reason.js';

import {
  bundlesAfter,
  crossingsPerTurn,
  PLAIT_FORMS,
  plaitCurve,
  plaitRatio,
  plaitSection,
  PLAITS,
  roundLook,
  splitEvenly,
} from '../../knot/plait.js';
import { inMm, testBead, testCord, testRuns, testSite, planned } from '../../../testing.js';
import { templateById } from '../../../plan/template/templates.js';
import { beadedPlait } from '../beaded-plait/index.js';
import { petalPlait } from '../petal-plait/index.js';
import { outermost, petalsOf } from '../petal-plait/model.js';
import { plait } from './index.js';
import { plaitingOf, tiedPlait, type PlaitPart } from './model.js';

const runs = (n: number, d = 1) =>
  testRuns(
    Array.from({ length: n }, () => 'plaited' as const),
    testCord(d),
  );
const part = (more: Partial<PlaitPart> = {}): PlaitPart => ({
  id: 'p',
  kind: 'plait',
  form: 'three',
  tension: 'even',
  length: 100,
  ...more,
});
const taken = (n: number, more: Partial<PlaitPart>) =>
  plait.layOut(part(more), testSite(runs(n)), 0).uses.map((use) => use.reason.mm / 100);

describe('plaits', () => {
  it.each([
    // Computed: see `tightened.ts`. Jammed they go further aside than drawn long.
    ['three', 'hard', 1.53, 1.54],
    ['three', 'even', 1.24, 1.25],
    ['three', 'soft', 1.14, 1.15],
    ['four-round', 'hard', 2.08, 2.1],
    ['four-round', 'even', 1.19, 1.21],
    ['four-round', 'soft', 1.13, 1.15],
  ] as const)(
    '%s, pulled %s, takes between %f and %f of its length',
    (form, tension, low, high) => {
      for (const ratio of taken(PLAITS[form].bundles, { form, tension })) {
        expect(ratio).toBeGreaterThanOrEqual(low - 0.005);
        expect(ratio).toBeLessThanOrEqual(high + 0.005);
      }
    },
  );
  it('take more cord the tighter they are, and are as wide as their bundles', () => {
    for (const form of PLAIT_FORMS) {
      expect(plaitRatio(form, 1)).toBeGreaterThan(plaitRatio(form, 2));
      expect(plaitSection(form, 1).width).toBeGreaterThanOrEqual(3);
    }
    const laid = plait.layOut(part(), testSite(runs(6)), 0);
    expect(laid.width).toBeCloseTo(6, 6);
    expect(laid.units).toBe(Math.round(100 / 3));
  });
  it.each(PLAIT_FORMS)('%s: strands keep a cord apart where one crosses the other', (form) => {
    const q = PLAITS[form].pitch.hard;
    const n = PLAITS[form].bundles;
    for (let i = 0; i < 400; i++) {
      const at = Array.from({ length: n }, (_, b) => plaitCurve(form, b, i / 400, q));
      for (let a = 0; a < n; a++) {
        for (let b = a + 1; b < n; b++) {
          const apart = Math.abs(at[a]![1] - at[b]![1]);
          if (apart < 0.02) expect(Math.abs(at[a]![2] - at[b]![2])).toBeGreaterThan(0.4);
        }
      }
    }
  });
  it.each(PLAIT_FORMS)('%s: every strand comes back to where it was', (form) => {
    const close = (a: readonly number[], b: readonly number[]) =>
      a.forEach((v, k) => expect(v).toBeCloseTo(b[k]!, 6));
    for (let b = 0; b < PLAITS[form].bundles; b++) {
      close(plaitCurve(form, b, 0.13, 1.5), plaitCurve(form, b, 1.13, 1.5));
    }
    expect(crossingsPerTurn(form)).toBeGreaterThan(3);
  });
  it('the drawn three-bundle plait is about as long as the model says', () => {
    const q = 1.5;
    const line = Array.from({ length: 601 }, (_, i) => {
      const [, y, z] = plaitCurve('three', 0, i / 600, q);
      return [(i / 600) * 6 * q, y, z];
    });
    expect(Math.abs(polylineLength(line) / (6 * q) / plaitRatio('three', q) - 1)).toBeLessThan(
      0.06,
    );
  });
  it('of four, flat, change at the edges and in the middle by turns, as the drawing does', () => {
    // Half a crossing on, no two bundles lie over each other.
    const drawn = (n: number): number[] =>
      [0, 1, 2, 3].sort((a, b) => {
        const across = (bundle: number): number =>
          plaitCurve('four-flat', bundle, (n + 0.5) / crossingsPerTurn('four-flat'), 1)[1];
        return across(a) - across(b);
      });
    for (let n = 0; n < 16; n++) expect(bundlesAfter('four-flat', drawn(0), n)).toEqual(drawn(n));
  });
  it.each([
    ['three', 6],
    ['four-flat', 4],
    ['four-round', 4],
  ] as const)('%s is tied so that its strands lie where they are said to', (form, crossings) => {
    const { board } = layoutOf(tyingOf(`plait.${form}`));
    const lie = [...board.cords.keys()].sort(
      (a, b) => board.cords[a]!.at(-1)![0] - board.cords[b]!.at(-1)![0],
    );
    expect(lie).toEqual(bundlesAfter(form, [...board.cords.keys()], crossings));
  });
  it.each([
    ['three', 6],
    ['four-round', 4],
  ] as const)(
    '%s goes on from the other side after an odd number of crossings',
    (form, crossings) => {
      const strands = runs(form === 'three' ? 3 : 4);
      const plaiting = plaitingOf(form, 'even', strands)!;
      const tied = tiedPlait(plaiting, 'left', 3);
      const { board } = layoutOf(mirror(tyingOf(tied.tying)));
      const lie = [...board.cords.keys()].sort(
        (a, b) => board.cords[a]!.at(-1)![0] - board.cords[b]!.at(-1)![0],
      );
      const numbers = strands.map(({ strand }) => strand);
      expect(tied.mirrored).toBe(true);
      expect(lie.map((i) => tied.strands[i])).toEqual(bundlesAfter(form, numbers, crossings, 3));
    },
  );
  it('are shown move by move, bundles of several cords as bundles', () => {
    const tied = (n: number, form: PlaitPart['form'], first: 'left' | 'right') => {
      const site = testSite(runs(n));
      return plait.steps(part({ form }), site, plait.layOut(part({ form }), site, 0), first)[0]!
        .tied;
    };
    expect(tied(4, 'four-flat', 'left')).toEqual([
      { tying: 'plait.four-flat', mirrored: false, strands: [1, 2, 3, 4] },
    ]);
    expect(tied(8, 'four-round', 'right')).toEqual([
      {
        tying: 'plait.four-round.bundles',
        mirrored: true,
        strands: [1, 3, 5, 7],
        together: [[2], [4], [6], [8]],
      },
    ]);
  });
  it('split strands into bundles as even as can be', () => {
    expect(splitEvenly([1, 2, 3, 4, 5, 6, 7], 3).map((b) => b.length)).toEqual([2, 3, 2]);
    expect(splitEvenly([1, 2, 3, 4, 5, 6, 7, 8], 3).map((b) => b.length)).toEqual([3, 2, 3]);
    expect(splitEvenly([1, 2, 3, 4, 5], 4).flat()).toEqual([1, 2, 3, 4, 5]);
  });
  it('ask for cords enough, and tell what the colours make', () => {
    expect(plait.layOut(part({ form: 'four-flat' }), testSite(runs(3)), 0).advice[0]!.code).toBe(
      'plait.cords',
    );
    expect(roundLook(['a', 'a', 'b', 'b'])).toBe('stripes');
    expect(roundLook(['a', 'b', 'b', 'a'])).toBe('spiral');
    expect(roundLook(['a', 'a', 'a', 'b'])).toBe('spots');
    expect(roundLook(['a', 'b', 'c', 'b'])).toBe('mixed');
    const two = runs(4).map((run, i) => ({
      ...run,
      cord: testCord(1, { colour: { name: 'c', hex: i % 2 ? '#111111' : '#eeeeee' } }),
    }));
    const laid = plait.layOut(part({ form: 'four-round' }), testSite(two), 0);
    expect(laid.advice[0]!.message).toMatch(/spiral/);
  });
  it('the look of a round plait is what lies outside at its crossings', () => {
    // Independent of the rule: the outermost strand at front and side of every crossing.
    const seen = (colours: readonly string[], angle: number): string =>
      Array.from({ length: 8 }, (_, k) => {
        const turn = (k * Math.PI) / 2 / (2 * Math.PI);
        const at = [0, 1, 2, 3].map((b) => plaitCurve('four-round', b, turn, 1));
        const [y, z] = [Math.sin(angle), Math.cos(angle)];
        const best = at.reduce(
          (out, p, b) => (p[1] * y + p[2] * z > at[out]![1] * y + at[out]![2] * z + 1e-9 ? b : out),
          0,
        );
        const height = at[best]![1] * y + at[best]![2] * z;
        return height > 0.6 ? colours[best]! : '-';
      }).join('');
    expect(new Set(seen('aabb'.split(''), 0).replaceAll('-', '')).size).toBe(1);
    expect(new Set(seen('abab'.split(''), 0).replaceAll('-', '')).size).toBe(2);
  });
});

describe('plaits with beads and with petals', () => {
  const bead = testBead('b', 4);
  const beaded = {
    id: 'b',
    kind: 'beaded-plait',
    bead: 'b',
    count: 5,
    every: 2,
    tension: 'even',
  } as const;
  it('a bead makes its crossing as long as itself, and goes on the middle pair', () => {
    const laid = beadedPlait.layOut(beaded, testSite(runs(6, 0.7), [bead]), 0);
    expect(laid.beads).toHaveLength(5);
    expect(laid.length).toBeCloseTo(5 * (4 + 1.5 * 1.4), 6);
    expect(laid.passages[0]!.runs).toHaveLength(2);
    const bare = beadedPlait.layOut(beaded, testSite(runs(6, 0.7), [testBead('b', 1)]), 0);
    expect(sumOf(laid.uses.map((u) => u.reason))).toBeGreaterThan(
      sumOf(bare.uses.map((u) => u.reason)),
    );
    const [step] = beadedPlait.steps(beaded, testSite(runs(6), [bead]), laid, 'left');
    expect(inMm(step!.unitText!(2))).toMatch(/bead 2/);
  });
  it('petals are made by the strands that lie outermost then', () => {
    // By hand: the outer strand of a side becomes its inner one at every crossing of that side.
    const order = [0, 1, 2, 3];
    for (let c = 0; c < 9; c++) {
      expect(outermost(c, 0)).toEqual([order[0], order[3]]);
      if (c % 2 === 0) [order[0], order[1]] = [order[1]!, order[0]!];
      else [order[2], order[3]] = [order[3]!, order[2]!];
    }
    const five = {
      id: 'p',
      kind: 'petal-plait',
      repeats: 5,
      crossings: 4,
      petal: 20,
      tension: 'even',
    } as const;
    expect(petalsOf(five, 0).reduce((a, b) => a + b)).toBe(10);
    expect(petalsOf({ ...five, crossings: 2 }, 0)).toEqual([2, 3, 3, 2]);
    const laid = petalPlait.layOut(five, testSite(runs(4)), 0);
    const loops = laid.uses.filter((u) => u.reason.code === 'knot.petal');
    expect(sumOf(loops.map((u) => u.reason))).toBeCloseTo(200, 6);
    expect(petalPlait.layOut(five, testSite(runs(3)), 0).advice[0]!.code).toBe('plait.cords');
  });
});

describe('laces of the trade', () => {
  it('four laces of 15 in make 3 in of plait, five 13 mm beads, 3 in of plait, and seized ends', () => {
    // Common practice, no source.
    const piece = templateById('seized-laces').make({
      name: 'x',
      wearer: { name: 'Somebody', wrist: 165, hand: 200 },
      cutting: { confidence: 0.95, step: 10, practice: 'practised' },
    });
    const fixed = {
      ...piece,
      wear: { ...piece.wear, length: 240 },
      parts: piece.parts.map((p) => (p.kind === 'plait' ? { ...p, length: 76.2 } : p)),
    };
    for (const strand of planned(fixed).strands) {
      const inWork = sumOf(
        strand.reasons.filter(
          ({ area, code }) => area === 'run' || (area === 'knot' && code !== 'knot.end'),
        ),
      );
      expect(inWork).toBeLessThan(15 * 25.4);
      expect(inWork).toBeGreaterThan(9 * 25.4);
    }
  });
});
