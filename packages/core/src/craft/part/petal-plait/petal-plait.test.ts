import { describe, expect, it } from '@jest/globals';
import type { CordStroke } from '../../../base/kind/primitive.js';
import { PLAITS } from '../../knot/plait.js';
import { snugPetal, turnRadius } from '../../knot/snug-petal.js';
import type { Tension } from '../../../base/kind/part-kind.js';
import { testCord, testRuns, testSite } from '../../../testing.js';
import { plaitingOf, plaitUses } from '../plait/model.js';
import { petalPlait } from './index.js';
import { beside, outermost, type PetalPlaitPart } from './model.js';

const four = testRuns(
  Array.from({ length: 4 }, () => 'plaited' as const),
  testCord(2),
);
const D = plaitingOf('four-round', 'even', four)!.d;

describe('snug petals', () => {
  const snug: PetalPlaitPart = {
    id: 'p',
    kind: 'petal-plait',
    repeats: 5,
    crossings: 4,
    school: 'snug',
    petal: 20,
    tension: 'even',
  };
  const site = testSite(four);
  const perTurn = (tension: Tension) => petalPlait.layOut({ ...snug, tension }, site, 0);

  // As computed by tightening ropes without friction, in diameters of the strands.
  it.each([
    {
      tension: 'even',
      ranges: [
        [2, 2.7],
        [4, 4.4],
        [3.2, 3.5],
      ],
    },
    {
      tension: 'hard',
      ranges: [
        [1.1, 1.8],
        [5.8, 6.9],
        [1, 2],
      ],
    },
  ] as const)(
    'of a $tension hand take what was computed, over the plain plait',
    ({ tension, ranges }) => {
      const laid = perTurn(tension);
      const plain = 20 * PLAITS['four-round'].pitch[tension] * D;
      const each = (code: string): number =>
        laid.uses.find(({ reason }) => reason.code === code)!.reason.times!.each / D;
      const got = [
        (laid.length - plain) / 5 / D,
        each('knot.petal.turning'),
        each('knot.petal.turned'),
      ];
      got.forEach((value, i) => {
        expect(value).toBeGreaterThanOrEqual(0.98 * ranges[i]![0]);
        expect(value).toBeLessThanOrEqual(1.02 * ranges[i]![1]);
      });
      // The rest of each strand is the plain plait's: the cord and the length of it belong together.
      const plaited = laid.uses.filter(({ reason }) => reason.code === 'run.plait');
      const bare = plaitUses(plaitingOf('four-round', tension, four)!, plain);
      expect(plaited.map(({ reason }) => reason.mm)).toEqual(bare.map(({ reason }) => reason.mm));
    },
  );

  // Two strands that wind once round each other while the work grows by p lie on helices of radii that add
  // up to the diameter at which they touch.
  it.each(['even', 'hard'] as const)(
    'of an %s hand are a turn of strands that touch',
    (tension) => {
      const { along, turning, turned } = snugPetal(tension);
      const [outer, inner] = [turnRadius(turning, along), turnRadius(turned, along)];
      expect(outer + inner).toBeGreaterThan(0.9);
      expect(outer + inner).toBeLessThan(1.1);
      // Pulled hard, the strand that is gone round lies all but straight.
      if (tension === 'hard') expect(inner).toBeLessThan(0.1);
    },
  );

  it('are turns of the outermost strands round those beside them', () => {
    for (let crossings = 0; crossings < 8; crossings++) {
      const lie = [...outermost(crossings, 1), ...beside(crossings, 1)];
      expect([...lie].sort()).toEqual([0, 1, 2, 3]);
      // A strand stays with its side: it goes round its neighbour, never across.
      for (const k of [0, 1]) expect(lie[k]! < 2).toBe(lie[k + 2]! < 2);
    }
  });

  it('are drawn with the cord that they take', () => {
    const laid = perTurn('even');
    const drawn = petalPlait.draw(snug, site, laid, { part: 'p', firstSide: 'left', done: 5 });
    const { along, turning } = snugPetal('even');
    const halves = drawn.filter(
      (shape): shape is CordStroke =>
        shape.kind === 'cord' && /petal-0-(before|behind)/.test(shape.key),
    );
    expect(halves).toHaveLength(10);
    const radius = turnRadius(turning, along) * D;
    // Out of the picture it goes as far as a circle of that radius does.
    let cord = 0;
    for (const { lines } of halves) {
      const line = lines[0]!;
      for (let i = 1; i < line.length; i++) {
        const [[x0, y0], [x1, y1]] = [line[i - 1]!, line[i]!];
        const arc = (2 * Math.PI * radius * (x1 - x0)) / (along * D);
        cord += Math.hypot(x1 - x0, arc);
        expect(Math.abs(y1 - y0)).toBeLessThanOrEqual(arc + 1e-9);
      }
    }
    expect(cord).toBeCloseTo(5 * turning * D, 6);
  });
});
