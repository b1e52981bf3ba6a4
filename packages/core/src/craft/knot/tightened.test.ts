import { bundleShape, TIGHTENED, tightened } from '@coiled-strand/rope';
import { describe, expect, it } from '@jest/globals';
import { coilCord } from './wraps.js';
import { endKnotSize } from './end-knots.js';

import { spiralHitch, spiralPitch } from './hitch.js';
import { plaitAside, PLAIT_FORMS } from './plait.js';
import { asOneCord, grip, stopper } from './stopper.js';
import { NUMBERED, NUMBERS } from './numbers.js';

import { turksHeadCord } from './turks-head.js';

/*
 * Values that an earlier tightener found, another program by another method, in diameters of the cord. A model that is
 * changed around the numbers, or a knot that is laid as another, shows.
 */
const within = (got: number, want: number, share: number): void =>
  expect(Math.abs(got / want - 1)).toBeLessThan(share);
const alike = (m: number): number[] => Array.from({ length: m }, () => 1);

describe('knots in several cords at once', () => {
  it.each([
    [2, 13.7],
    [3, 16.8],
    [4, 18.9],
  ])('an overhand knot in %d takes %d of each', (m, want) => {
    within(stopper('overhand', alike(m)).uses, want, 0.06);
  });
  it('a double barrel in two takes 24.3 of each', () => {
    within(stopper('double-barrel', alike(2)).uses, 24.3, 0.06);
  });
  it.each(['overhand', 'double-barrel', 'triple-barrel', 'figure-eight'] as const)(
    '%s: of others 0.95 times the root of their number, and more with every cord',
    (form) => {
      const takes = [1, 2, 3, 4, 5, 6, 8, 12].map((m) => stopper(form, alike(m)).uses);
      expect(takes).toEqual([...takes].sort((a, b) => a - b));
      within(stopper(form, alike(9)).uses, stopper(form, 1).uses * 0.95 * 3, 1e-9);
    },
  );
  it('are never smaller than one in the thickest cord alone', () => {
    expect(asOneCord([3, 0.5])).toBe(3);
    expect(asOneCord([3])).toBe(3);
    expect(asOneCord([])).toBe(0);
    within(stopper('overhand', [3, 0.5]).uses, stopper('overhand', 3).uses, 0.06);
  });
  it('do not take as much as one cord of the circle that holds them', () => {
    for (const [m, circle] of [
      [2, 2],
      [3, 2.155],
      [4, 2.414],
    ] as const) {
      expect(stopper('overhand', alike(m)).uses).toBeLessThan(0.8 * 10.12 * circle);
    }
  });
});

describe('knots that grip', () => {
  it.each([
    ['overhand', 11.8],
    ['double-barrel', 21.7],
    ['triple-barrel', 31.6],
  ] as const)('%s round another cord takes %d', (form, want) => {
    within(grip(form, [1]).uses, want, 0.03);
    within(grip(form, [2]).uses, 2 * want, 0.03);
  });
  it('are shorter than the same knot alone, whose ends run through its middle', () => {
    for (const form of ['overhand', 'double-barrel', 'triple-barrel'] as const) {
      expect(grip(form, [1]).length).toBeLessThan(stopper(form, 1).length);
    }
  });
});

describe('bulky end knots', () => {
  it('take 10.7 of four ends and 20.2 of two beyond their length', () => {
    const [two, four] = [endKnotSize('diamond', 2), endKnotSize('diamond', 4)];
    within(four.inKnot - four.length, 10.7, 0.01);
    within(two.inKnot - two.length, 20.2, 0.02);
    within(two.length, 3.5, 0.08);
    within(four.length, 3.1, 0.03);
  });
  it('share their cord among the ends, and hold it: the ball is no smaller than what is in it', () => {
    for (const ends of [2, 3, 4, 6, 8]) {
      const { inKnot, length, width } = endKnotSize('diamond', ends);
      const cord = (Math.PI / 4) * ends * inKnot;
      expect((Math.PI / 4) * width ** 2 * length).toBeGreaterThan(cord);
      if (ends > 2) expect(inKnot).toBeLessThan(endKnotSize('diamond', 2).inKnot);
    }
  });
  it('a carrick bend takes 13.5 to 13.9 beyond its length; as two bundles of two more', () => {
    const two = endKnotSize('carrick', 2);
    expect(two.inKnot - two.length).toBeGreaterThan(13.2);
    expect(two.inKnot - two.length).toBeLessThan(14);
    expect(endKnotSize('carrick', 4).inKnot).toBeGreaterThan(1.3 * two.inKnot);
  });
});

describe('wound and hitched work', () => {
  it('a coil takes one diameter more a turn than turns round the bare bundle', () => {
    for (const cores of [2, 3, 4]) {
      // Hull of so many circles that touch in a ring, and of one more, about their middles.
      const bare = bundleShape(cores === 2 ? 'two-flat' : 'round', 1, cores).perimeter;
      const turns = 7;
      const plain = turns * Math.hypot(bare + Math.PI, 1) + turns;
      within(coilCord(turns, bare, 1) - plain, turns, 0.02);
    }
  });
  it('a spiral of hitches takes 7.9 + 3.13 r at a pitch of 2, and packs to 1.6', () => {
    for (const r of [1, 2, 3.5]) within(spiralHitch(r), 7.9 + 3.13 * r, 0.05);
    expect(spiralPitch('even')).toBe(2);
    expect(spiralPitch('soft')).toBe(2);
    within(spiralPitch('hard'), 1.6, 0.12);
  });
  it.each([
    [4, 1.037],
    [8, 1.013],
  ])('a Turk’s head of three passes on a core of %d takes %d of the formula', (D, more) => {
    // 3 pi m (D + 1.5 + 4.6 / (D + 1) + (m - 1)(0.22 + 2 / D)), and 3 % for a worn one.
    const formula = 9 * Math.PI * (D + 1.5 + 4.6 / (D + 1) + 2 * (0.22 + 2 / D)) * 1.03;
    within(turksHeadCord({ leads: 3, bights: 4, passes: 3 }, D), formula * more, 0.005);
  });
  it.each([
    [5, 1.05],
    [7, 1.04],
  ])('one of three leads and %d bights takes %d of its curve', (bights, more) => {
    // The curve measured as a polygon of many corners.
    const [A, radius, n] = [((2.2 + 0.85 - 1) * 4) / 8, 10 / 2 + 1, 20_000];
    const at = (i: number): readonly number[] => {
      const t = (2 * Math.PI * i) / n;
      return [A * Math.sin(bights * t), radius * Math.cos(3 * t), radius * Math.sin(3 * t)];
    };
    let curve = 0;
    for (let i = 0; i < n; i++) {
      const [p, q] = [at(i), at(i + 1)];
      curve += Math.hypot(...p.map((x, k) => x - q[k]!));
    }
    within(turksHeadCord({ leads: 3, bights, passes: 1 }, 10), curve * more * 1.03, 0.02);
  });
});

describe('plaits drawn hard', () => {
  it('go 1.60 + 0.237 / q² aside where four go round', () => {
    for (const q of [1, 1.5, 2.5, 3])
      within(plaitAside('four-round', q), 1.6 + 0.237 / q ** 2, 0.01);
  });
  it('of three go 1.16, of four flat 1.34 aside where they jam', () => {
    within(plaitAside('three', 1), 1.16, 0.01);
    within(plaitAside('four-flat', 1), 1.34, 0.02);
  });
  it('go no further the longer they are drawn', () => {
    for (const form of PLAIT_FORMS) {
      const ways = [0.8, 1, 1.2, 1.5, 2, 3].map((q) => plaitAside(form, q));
      expect(ways).toEqual([...ways].sort((a, b) => b - a));
    }
  });
});

describe('the data', () => {
  it('are all told, each once', () => {
    expect([...NUMBERED].sort()).toEqual(Object.keys(TIGHTENED).sort());
    const [first] = NUMBERS;
    expect(first!.rows[0]).toEqual({
      what: 'cord it uses',
      value: String(tightened('overhand.uses')),
      error: '± 0.03 %',
    });
  });
  it('states how far each value may be off, and none by more than a tenth but petals', () => {
    for (const [name, { value, error }] of Object.entries(TIGHTENED)) {
      expect(value).toBeGreaterThan(0);
      expect(error).toBeGreaterThan(0);
      // How hard the middle of a petal is pulled is the hand's own, and so is how many half knots go round once.
      expect(error).toBeLessThanOrEqual(/^petal|a-turn|pushed/.test(name) ? 0.35 : 0.1);
    }
  });
  it('meets published ropelengths where a knot closes: a trefoil takes more than an overhand knot', () => {
    // Ropelength L / r of the tight trefoil 32.74 and of the figure-eight knot 42.09 (Ashton, Cantarella,
    // Piatek, Rawdon 2011), closed: 16.37 and 21.05 diameters.
    expect(TIGHTENED['overhand.uses'].value + TIGHTENED['overhand.length'].value).toBeLessThan(
      16.37,
    );
    expect(
      TIGHTENED['figure-eight.uses'].value + TIGHTENED['figure-eight.length'].value,
    ).toBeLessThan(21.05);
  });
});
