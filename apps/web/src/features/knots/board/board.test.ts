import { crossings, type Board, type Point } from '@coiled-strand/core';
import { describe, expect, it } from '@jest/globals';
import { FROM_ABOVE, lookByKey, nearer, turned } from '../../piece/space/view-store';
import { boxOf } from '../../piece/space/scene';
import { cordFrom, sightOf } from './pencil';
import { crossingWords, sayLikeness, sayMeasure, sayVerdict } from './words';

const loop: Point[] = [
  [-10, 0],
  [6, 0],
  [6, 6],
  [-2, 6],
  [-2, -6],
];

describe('a line as a finger drew it', () => {
  it('becomes a cord without corners that ends where it ended', () => {
    const cord = cordFrom(loop)!;
    expect([cord[0], cord.at(-1)]).toEqual([loop[0], loop.at(-1)]);
    expect(cord.length).toBeGreaterThan(loop.length);
    expect(crossings({ cords: [cord], turned: [] })).toHaveLength(1);
    for (let i = 1; i + 1 < cord.length; i++) {
      const [p, q, r] = [cord[i - 1]!, cord[i]!, cord[i + 1]!];
      const turn = Math.abs(
        Math.atan2(r[1] - q[1], r[0] - q[0]) - Math.atan2(q[1] - p[1], q[0] - p[0]),
      );
      expect(Math.min(turn, 2 * Math.PI - turn)).toBeLessThan(1.1);
    }
  });
  it('has no more points than a board takes, however long the finger went on', () => {
    const scribble = Array.from({ length: 4000 }, (_, i): Point => [
      12 * Math.sin(i / 30),
      8 * Math.sin(i / 47),
    ]);
    expect(cordFrom(scribble)!.length).toBeLessThanOrEqual(120);
  });
  it('is nothing where the hand only slipped', () => {
    expect(cordFrom([[0, 0]])).toBeNull();
    expect(
      cordFrom([
        [0, 0],
        [0.4, 0.3],
      ]),
    ).toBeNull();
  });
});

describe('the board', () => {
  it('shows all that is drawn, and room about it', () => {
    const { x, width } = sightOf({
      cords: [
        [
          [-40, 0],
          [9, 0],
        ] as Point[],
      ],
      turned: [],
    });
    expect(x).toBeLessThan(-40);
    expect(x + width).toBeGreaterThan(12);
  });
  it('tells each crossing in words', () => {
    const board: Board = {
      cords: [loop.slice(0, 2), [[0, -5] as Point, [0, 5] as Point]],
      turned: [],
      cores: [0],
    };
    const [one] = crossings(board);
    expect(crossingWords(one!, 0, board.cores)).toBe('Crossing 1: cord 2 lies over core 1');
    const [own] = crossings({ cords: [loop], turned: [] });
    expect(crossingWords(own!, 2)).toBe(
      'Crossing 3: cord 1 lies over itself, the later part on top',
    );
  });
});

describe('what is said of a knot', () => {
  it('has no more figures than its error leaves standing', () => {
    expect(sayMeasure({ value: 10.098, off: 0.05 })).toBe('10.1 ± 0.1');
    expect(sayMeasure({ value: 3.0229, off: 0.004 })).toBe('3.02 ± 0.01');
  });
  it('says what to do where it does not hold', () => {
    expect(sayVerdict({ how: 'falls-apart' })).toMatch(/Turn a crossing over/);
    expect(sayVerdict({ how: 'locks', overlap: 0.3 })).toMatch(/Draw it wider/);
    expect(sayVerdict({ how: 'overlaps', at: [0, 0, 0] })).toMatch(/Lead one round/);
  });
  it('names what it is alike to', () => {
    expect(sayLikeness([])).toBeNull();
    expect(sayLikeness([{ name: 'an overhand knot', how: 'mirrored' }])).toBe(
      'It has the same crossings as an overhand knot, seen in the mirror.',
    );
  });
});

describe('the view in space', () => {
  it('turns by keys, comes nearer, and goes back to where it began', () => {
    const right = lookByKey(FROM_ABOVE, 'ArrowRight')!;
    expect(right.turn).toBe(15);
    expect(lookByKey(right, 'ArrowLeft')).toEqual(FROM_ABOVE);
    expect(lookByKey(right, 'b')!.turn).toBe(195);
    expect(lookByKey(nearer(right, 3), 'Home')).toEqual(FROM_ABOVE);
    expect(lookByKey(right, 'x')).toBeNull();
  });
  it('never goes over the top, nor out of sight', () => {
    expect(turned(FROM_ABOVE, 0, 500).tilt).toBe(90);
    expect(nearer(FROM_ABOVE, 1e6).near).toBeLessThan(10);
    expect(nearer(FROM_ABOVE, 1e-6).near).toBeGreaterThan(0.1);
  });
  it('has a box that holds cords and beads', () => {
    const { middle, size } = boxOf({
      cords: [
        {
          key: 'a',
          line: [
            [0, 0, 0],
            [10, 0, 0],
          ],
          strand: 1,
          diameter: 2,
          colour: '#000',
          texture: 'smooth',
        },
      ],
      beads: [{ key: 'b', shape: 'round', at: [5, 4, 0], length: 2, height: 2, colour: '#000' }],
    });
    expect(size).toEqual([12, 6, 2]);
    expect(middle[0]).toBe(5);
    expect(boxOf({ cords: [], beads: [] }).size).toEqual([1, 1, 1]);
  });
});
