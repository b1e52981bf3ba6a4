import type { Point, Point3 } from '../../base/point.js';

import { carrickWays, diamondOfTwo } from '../../knots/end-knots.js';
import { fromCurves, type CurveLaid } from '../layout.js';
import type { Tying, TyingStrand } from '../tying.js';
import { ORDINALS } from '../ordinals.js';
import { polar } from './shared.js';

/** Where cords come up out of the hand, in the middle. */
const MIDDLE = 1.6;

/**
 * A diamond knot of three and more, seen from above, the cords coming up out of the hand: each is laid out as a bight
 * round the next, and then led over that one and up through the middle under the one after it.
 */
function diamond(ends: 3 | 4): Tying {
  const step = 360 / ends;
  const cord = (k: number): TyingStrand => ({
    kind: 'cord',
    name: `${ORDINALS[k]!} cord`,
    end: `${ORDINALS[k]!} end`,
    heading: 'outwards',
    way: [polar(MIDDLE, k * step), polar(5, k * step)],
  });
  const out = (k: number): Point[] => [
    polar(9, k * step + 0.05 * step),
    polar(11.5, k * step + 0.3 * step),
    polar(13, k * step + 0.75 * step),
    polar(13.4, k * step + 1.05 * step),
  ];
  const back = (k: number): Point[] => [
    polar(12.4, k * step + 1.35 * step),
    polar(9.5, k * step + 1.65 * step),
    polar(6.6, k * step + 1.9 * step),
    polar(4.4, k * step + 2.2 * step),
    polar(2.6, k * step + 2.45 * step),
  ];
  const all = Array.from({ length: ends }, (_, k) => k);
  return {
    id: `diamond.${ends}`,
    name: `Diamond knot of ${ends === 3 ? 'three' : 'four'}`,
    cell: `diamond.${ends}`,
    round: 'middle',
    strands: all.map(cord),
    moves: [
      ...all.map((k) => ({ strand: k, way: out(k), passes: '', makes: `${ORDINALS[k]!} bight` })),
      ...all.map((k) => ({ strand: k, way: back(k), passes: 'ou' })),
    ],
    drawUp: ['Draw the ends up together, one after the other, and the bights down round them.'],
  };
}

/** Laid so much wider than the curves that the numbers begin from, and with so few of their points. */
const WIDER = 3;
const EVERY = 4;
/** From the middle of one cord to that of another beside it that goes the same way. */
const BESIDE = 2.2;

const wider = (curve: readonly Point3[], by: number): Point3[] =>
  curve.map(([x, y, z]): Point3 => [x * by, y * by, z]);
const fewer = <T>(all: readonly T[]): T[] =>
  all.filter((_, i) => i % EVERY === 0 || i === all.length - 1);

/** A curve moved aside to its left, in its plane. */
const aside = (curve: readonly Point3[], by: number): Point3[] =>
  curve.map(([x, y, z], i): Point3 => {
    const [p, q] = [curve[Math.max(0, i - 1)]!, curve[Math.min(curve.length - 1, i + 1)]!];
    const long = Math.hypot(q[0] - p[0], q[1] - p[1]);
    return [x - (by * (q[1] - p[1])) / long, y + (by * (q[0] - p[0])) / long, z];
  });

/**
 * A carrick bend: two cords from both sides, each laid as a bight through that of the other. Of three and four, one or
 * both go double.
 */
function carrick(ends: 2 | 3 | 4): Tying {
  const ways = carrickWays().map((way) => wider(fewer(way), ends === 2 ? WIDER : 1.6 * WIDER));
  const [right, left] = ways as [Point3[], Point3[]];
  const out = (way: readonly Point3[], to: 1 | -1): Point3[] => {
    const [from, until] = [way[0]!, way.at(-1)!];
    return [
      [to * 1.8 * Math.abs(from[0]), from[1] * 1.6, 0],
      ...way,
      [-to * 1.8 * Math.abs(until[0]), until[1] * 1.6, 0],
    ];
  };
  const single = (name: string, heading: 'left' | 'right', curve: readonly Point3[]) => ({
    kind: 'cord' as const,
    name,
    end: `${name.replace(' cord', '')} end`,
    heading,
    curve,
    lies: 2,
  });
  const double = (name: string, heading: 'left' | 'right', curve: readonly Point3[]) => [
    single(`inner ${name}`, heading, aside(curve, BESIDE / 2)),
    single(`outer ${name}`, heading, aside(curve, -BESIDE / 2)),
  ];
  const [fromRight, fromLeft] = [out(right, 1), out(left, -1)];
  const strands = [
    ...(ends === 4
      ? double('right cord', 'left', fromRight)
      : [single('right cord', 'left', fromRight)]),
    ...(ends > 2
      ? double('left cord', 'right', fromLeft)
      : [single('left cord', 'right', fromLeft)]),
  ];
  const points = fromRight.length;
  const bight = Math.round(points / 2);
  return fromCurves({
    id: `carrick.${ends}`,
    name: `Carrick bend of ${['two', 'three', 'four'][ends - 2]!}`,
    ...(ends === 2 ? { cell: 'carrick' } : {}),
    strands,
    moves: strands.flatMap(({ name }, strand): CurveLaid['moves'][number][] => [
      { strand, to: bight, makes: name.replace('cord', 'bight') },
      { strand, to: points, makes: name.replace('cord', 'return') },
    ]),
    drawUp: ['Draw the ends out to both sides a little at a time, so that both bights stay alike.'],
  });
}

/** How far cords that come up in the middle are laid aside, in degrees: off the crossings that they go past. */
const ASIDE = 18;

const turnedBy = ([x, y, z]: Point3, degrees: number): Point3 => {
  const [c, s] = polar(1, degrees);
  return [c * x - s * y, s * x + c * y, z];
};

/**
 * A diamond knot of two, seen from above: a carrick bend round the fingers, whose ends go on round the outside of the
 * other’s beginning and up through the middle.
 */
function diamondOfTwoCords(): Tying {
  const curves = diamondOfTwo().map((curve) => {
    // Its cords come up along x; they are laid open from where they come up.
    const seen = curve.map(([x, y, z]): Point3 => [y, z, x]);
    const [from, way, on] = [seen.slice(1, 5), seen.slice(5, -7), seen.slice(-7, -1)];
    const aside = from.map((point): Point3 => turnedBy(point, ASIDE));
    return wider([...aside, ...fewer(way), ...on], WIDER);
  });
  const [n, on] = [curves[0]!.length, 6];
  const names = ORDINALS.slice(0, 2);
  return fromCurves({
    id: 'diamond.2',
    name: 'Diamond knot of two',
    cell: 'diamond.2',
    round: 'middle',
    strands: curves.map((curve, k) => ({
      kind: 'cord',
      name: `${names[k]!} cord`,
      end: `${names[k]!} end`,
      heading: 'outwards',
      curve,
      lies: 2,
    })),
    moves: [
      ...names.flatMap((name, strand) => [
        { strand, to: 4, makes: `${name} leg` },
        { strand, to: Math.round(n / 2), makes: `${name} bight` },
        { strand, to: n - on, makes: `${name} return` },
      ]),
      ...names.map((_, strand) => ({ strand, to: n })),
    ],
    drawUp: ['Draw the ends up together, one after the other, and the bights down round them.'],
  });
}

/** Knots of two to four ends. */
export const END_KNOT_TYINGS: readonly (readonly [id: string, make: () => Tying])[] = [
  ['diamond.2', diamondOfTwoCords],
  ['diamond.3', () => diamond(3)],
  ['diamond.4', () => diamond(4)],
  ['carrick.2', () => carrick(2)],
  ['carrick.3', () => carrick(3)],
  ['carrick.4', () => carrick(4)],
];
