import type { Point3 } from '../base/point.js';
import { random } from '../base/random.js';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { deep } from '../../../../scripts/lib/deep.mjs';

import { draw, judge, type RopeOutcome } from './outcome.js';
import type { RopeProblem } from './problem.js';
import { threePlait } from '../knots/plaits.js';
import { barrel, figureEight } from '../knots/stoppers.js';
import { allOf, drawTight, lengthOf, ring, trefoil } from './testing.js';
import { tighten, USUAL } from './tighten.js';

const QUICK = { edge: 0.5, polygons: 1 };

function outcome(problem: RopeProblem, care = {}): RopeOutcome {
  const steps = draw(problem, { ...USUAL, ...QUICK, ...care });
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}
const held = (points: Point3[]): RopeProblem => ({
  strands: [{ points, diameter: 1, ends: 'held' }],
});

/** Drawn now, whatever is kept. */
const drawNow = (problem: RopeProblem) => allOf(tighten(problem, { ...USUAL, ...QUICK }));

describe('tightening does not depend on', () => {
  const usual = lengthOf(drawTight(held(barrel(1)), QUICK));
  it('how it is turned and where it lies', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
        const { uniform } = random(seed);
        const [a, b] = [2 * Math.PI * uniform(), 2 * Math.PI * uniform()];
        const shift = 50 * uniform();
        const turned = barrel(1).map(([x, y, z]): Point3 => {
          const [u, v] = [x * Math.cos(a) - y * Math.sin(a), x * Math.sin(a) + y * Math.cos(a)];
          return [
            u + shift,
            v * Math.cos(b) - z * Math.sin(b),
            v * Math.sin(b) + z * Math.cos(b) - shift,
          ];
        });
        expect(Math.abs(lengthOf(drawNow(held(turned))) / usual - 1)).toBeLessThan(0.002);
      }),
      { numRuns: deep(8, 2) },
    );
  });
  it('left and right', () => {
    const mirrored = barrel(1).map(([x, y, z]): Point3 => [x, y, -z]);
    expect(Math.abs(lengthOf(drawTight(held(mirrored), QUICK)) / usual - 1)).toBeLessThan(0.002);
  });
  it('its size: twice the thickness, twice everything', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 40, noNaN: true }), (size) => {
        const larger = drawNow({
          strands: [
            {
              points: barrel(1).map(([x, y, z]): Point3 => [size * x, size * y, size * z]),
              diameter: size,
              ends: 'held',
            },
          ],
        });
        expect(Math.abs(lengthOf(larger) / size / usual - 1)).toBeLessThan(0.001);
      }),
      { numRuns: deep(8, 2) },
    );
  });
  it('when it runs: the same comes out twice, to the last digit', () => {
    // What is kept was drawn another time, on another machine.
    expect(lengthOf(drawNow(held(barrel(1))))).toBe(usual);
  });
});

describe('stiffer cord', () => {
  it('takes hardly more: a bend limit of up to a diameter changes an overhand knot by less than 1 %', () => {
    const tightest = (bend: number): number =>
      lengthOf(
        drawTight({ strands: [{ points: barrel(1), diameter: 1, ends: 'held', bend }] }, QUICK),
      ) - 14;
    const ideal = tightest(1);
    expect(Math.abs(tightest(1.5) / ideal - 1)).toBeLessThan(0.003);
    const stiff = tightest(2) / ideal - 1;
    expect(stiff).toBeGreaterThan(0);
    expect(stiff).toBeLessThan(0.01);
  });
});

describe('what becomes of a knot', () => {
  it('is told as tight, with nothing overlapping and no bend tighter than its limit', () => {
    const told = outcome(held(figureEight()));
    if (told.how !== 'tight') throw new Error(told.how);
    const last = told.drawn.at(-1)!;
    expect(last.overlap).toBeLessThan(1e-3);
    expect(last.bend).toBeLessThan(1.01);
  });
  it('falls apart where nothing holds: a slipped half hitch on nothing', () => {
    // Up over itself and back the way it came.
    const slipped: Point3[] = [
      [-7, 0, 0],
      [-2, 0, 0],
      [1, 0.5, 0.8],
      [3, 2, 0.8],
      [1, 3, 0],
      [-1, 1.5, -0.8],
      [0, -1, -0.8],
      [1.5, -2, 0],
      [3, -1, 1],
      [2.5, 0.5, 1.9],
      [0.5, 1, 1.9],
      [-0.5, -1, 1.2],
      [1, -3, 0.5],
      [4, -2, 0],
      [7, 0, 0],
    ];
    expect(outcome(held(slipped)).how).toBe('falls-apart');
  });
  it('locks where a cell is too short for its cords', () => {
    // A plait of three whose crossings have to lie 0.7 diameters apart.
    const crowded = outcome(threePlait(0.7), { rounds: 2000 });
    if (crowded.how !== 'locks') throw new Error(crowded.how);
    expect(crowded.overlap).toBeGreaterThan(0.01);
    expect(outcome(threePlait(1)).how).toBe('tight');
  });
  it('is refused where cords were drawn through each other, with the place', () => {
    const told = outcome({
      strands: [
        [-5, 0, 0],
        [0, -5, 0],
      ].map(([x, y]) => ({
        points: [
          [x!, y!, 0],
          [-x!, -y!, 0],
        ] as Point3[],
        diameter: 1,
        ends: 'held',
      })),
    });
    if (told.how !== 'overlaps') throw new Error(told.how);
    expect(Math.hypot(...told.at)).toBeLessThan(0.5);
  });
  it('can be left at any time with the best so far', () => {
    const steps = tighten(ring(trefoil()), USUAL);
    let seen = steps.next();
    for (let i = 0; i < 5 && !seen.done; i++) seen = steps.next();
    if (seen.done) throw new Error('it was over too soon');
    const best = seen.value.soFar();
    expect(judge([best]).how).toBe('unsettled');
    expect(lengthOf([best])).toBeGreaterThan(16);
    expect(lengthOf([best])).toBeLessThan(60);
  });
});
