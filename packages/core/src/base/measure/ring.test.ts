import { describe, expect, it } from '@jest/globals';
import { innerCircumference, shareFor, turnAt } from './fit.js';
import { angleOf, ringAngles, type SITS, type RoundPart } from './ring.js';

type Point = readonly [number, number];

/** Length of a string drawn taut round some points: their convex hull (monotone chain). */
function tautRound(points: readonly Point[]): number {
  const sorted = [...points].sort((p, q) => p[0] - q[0] || p[1] - q[1]);
  const turns = (o: Point, p: Point, q: Point): number =>
    (p[0] - o[0]) * (q[1] - o[1]) - (p[1] - o[1]) * (q[0] - o[0]);
  const chain = (list: readonly Point[]): Point[] => {
    const hull: Point[] = [];
    for (const p of list) {
      while (hull.length >= 2 && turns(hull.at(-2)!, hull.at(-1)!, p) <= 0) hull.pop();
      hull.push(p);
    }
    return hull;
  };
  const around = [...chain(sorted), ...chain([...sorted].reverse())];
  return around.reduce((sum, p, i) => {
    const q = around[(i + 1) % around.length]!;
    return sum + Math.hypot(p[0] - q[0], p[1] - q[1]);
  }, 0);
}

/** An oval of half axes a and b, and cord on it: every point out by `off` along the normal. */
const oval = (a: number, b: number, off: number): Point[] =>
  Array.from({ length: 20_000 }, (_, i): Point => {
    const t = (2 * Math.PI * i) / 20_000;
    const [nx, ny] = [Math.cos(t) / a, Math.sin(t) / b];
    const n = Math.hypot(nx, ny);
    return [a * Math.cos(t) + (off * nx) / n, b * Math.sin(t) + (off * ny) / n];
  });

const R = 170 / (2 * Math.PI);
const cord = (height = 1): RoundPart => ({ kind: 'flexible', length: 0, height });
/** All of the ring that is not the part: what the model says. */
const modelled = (part: RoundPart, height = 1): number =>
  shareFor(2 * Math.PI * R, [part, { fill: height }]);

describe('a taut string round body and bead', () => {
  it.each([
    [10, 10, 3],
    [14, 14, 5],
    [20, 20, 10],
  ])(
    'a bead of %d by %d mm on a cord of 2 mm: a piece would be about %d mm short',
    (p, h, about) => {
      const bead: RoundPart = { kind: 'beads', length: p, height: h / 2, count: 1 };
      const hull = tautRound([...oval(R, R, 1), [-p / 2, R + h / 2], [p / 2, R + h / 2]]);
      expect(modelled(bead)).toBeCloseTo(hull - p, 2);
      // Common practice, no source, for the order of it: what is left out where beads just take their angle.
      const short = hull - p - (2 * Math.PI - angleOf(bead, R)) * (R + 1);
      expect(Math.abs(short / about - 1)).toBeLessThan(0.35);
    },
  );
  it('five beads of 13 mm touch, and the cord leaves the outer ones straight', () => {
    const row: RoundPart = { kind: 'beads', length: 65, height: 6.5, count: 5 };
    const line = R + 6.5;
    const step = 2 * Math.asin(6.5 / line);
    const at = (angle: number, along: number): Point => [
      line * Math.sin(angle) + along * Math.cos(angle),
      line * Math.cos(angle) - along * Math.sin(angle),
    ];
    // From the middle of one outer bead to that of the other the cord goes from centre to centre.
    const outer = [-2, -1, 0, 1, 2].map((n) => at(n * step, 0));
    const free = tautRound([...oval(R, R, 1), at(-2 * step, -6.5), at(2 * step, 6.5), ...outer]);
    const chord = tautRound([at(-2 * step, -6.5), ...outer, at(2 * step, 6.5)]);
    const closing = Math.hypot(
      at(-2 * step, -6.5)[0] - at(2 * step, 6.5)[0],
      at(-2 * step, -6.5)[1] - at(2 * step, 6.5)[1],
    );
    // The hull goes over the row on its far side; what is left is the cord round the body.
    expect(modelled(row)).toBeCloseTo(free - (chord - closing), 1);
  });
  it('where cord between two beads is too short to touch the body it runs straight', () => {
    const bead: RoundPart = { kind: 'beads', length: 8, height: 4, count: 1 };
    const ring = (length: number): RoundPart[] =>
      Array.from({ length: 6 }, () => [bead, { ...cord(), length }]).flat();
    // Six beads and six equal chords: mouths on a circle of radius rho, every second side a bead.
    const inner = innerCircumference(ring(10)) / (2 * Math.PI);
    const rho = Math.hypot(inner + 4, 4);
    expect(2 * Math.atan(4 / (inner + 4)) + 2 * Math.asin(5 / rho)).toBeCloseTo(Math.PI / 3, 9);
  });
  it('turns from lying on the body to hanging free without a step', () => {
    const bead: RoundPart = { kind: 'beads', length: 12, height: 6, count: 1 };
    let before = turnAt([bead, { ...cord(), length: 0.01 }, bead, { ...cord(), length: 100 }], R);
    for (let length = 0.06; length < 60; length += 0.05) {
      const now = turnAt([bead, { ...cord(), length }, bead, { ...cord(), length: 100 }], R);
      expect(now).toBeGreaterThanOrEqual(before - 1e-9);
      expect(now - before).toBeLessThan(0.004);
      before = now;
    }
  });
});

describe('a bar and the real wrist', () => {
  // An oval of 1.3 to 1 as long round as the circle.
  const k = 170 / tautRound(oval(1.3, 1, 0));
  const [a, b] = [1.3 * k, k];
  const bar = (sits: keyof typeof SITS, length = 40): RoundPart => ({
    kind: 'rigid',
    length,
    height: 2,
    sits,
  });
  const onOval = (length: number, side: 'flat' | 'narrow'): number => {
    const mouths: Point[] =
      side === 'flat'
        ? [
            [-length / 2, b + 2],
            [length / 2, b + 2],
          ]
        : [
            [a + 2, -length / 2],
            [a + 2, length / 2],
          ];
    return (
      tautRound([...oval(a, b, 1), ...mouths]) - tautRound(oval(a, b, 1)) + 2 * Math.PI * (R + 1)
    );
  };
  it.each([25, 32, 40])(
    'of %d mm takes what a taut string round an oval takes, within 1 mm',
    (l) => {
      expect(Math.abs(modelled(bar('flat', l)) + l - onOval(l, 'flat'))).toBeLessThan(1);
      expect(Math.abs(modelled(bar('narrow', l)) + l - onOval(l, 'narrow'))).toBeLessThan(1);
    },
  );
  it('of 40 mm wants 8 mm of cord more on the narrow side than on the flat one', () => {
    const more = modelled(bar('narrow')) - modelled(bar('flat'));
    expect(more).toBeGreaterThan(7);
    expect(more).toBeLessThan(10);
  });
  it('lies on the flat side when nothing is said', () => {
    const { sits: _sits, ...plain } = bar('flat');
    expect(modelled(plain)).toBe(modelled(bar('flat')));
  });
});

describe('the ring', () => {
  const parts: readonly RoundPart[] = [
    { kind: 'beads', length: 30, height: 3, count: 5 },
    { kind: 'flexible', length: 40, height: 1 },
    { kind: 'rigid', length: 20, height: 2 },
    { kind: 'flexible', length: 25, height: 2 },
    { kind: 'flexible', length: 30, height: 1 },
  ];
  it('has no beginning: turned, its parts take the same', () => {
    const sum = turnAt(parts, 20);
    for (let i = 1; i < parts.length; i++) {
      const turned = [...parts.slice(i), ...parts.slice(0, i)];
      expect(turnAt(turned, 20)).toBeCloseTo(sum, 12);
      expect(ringAngles(turned, 20)[0]).toBeCloseTo(ringAngles(parts, 20)[i]!, 12);
    }
  });
  it('takes less of a larger body', () => {
    let before = Infinity;
    for (let r = 1; r < 80; r += 0.5) {
      const now = turnAt(parts, r);
      expect(now).toBeLessThan(before);
      before = now;
    }
  });
  it('of cord alone is as long as the parallel of the body (Steiner)', () => {
    const plain: RoundPart = { kind: 'flexible', length: 2 * Math.PI * (R + 3), height: 3 };
    expect(ringAngles([plain], R)[0]).toBeCloseTo(2 * Math.PI, 12);
  });
  it('of beads alone is a polygon', () => {
    const row: RoundPart = { kind: 'beads', length: 120, height: 4, count: 12 };
    expect(ringAngles([row], R)[0]).toBeCloseTo(angleOf(row, R), 12);
  });
});
