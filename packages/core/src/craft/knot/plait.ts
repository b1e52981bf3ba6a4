import { tightened } from '@coiled-strand/rope';
import type { Tension } from '../../base/kind/part-kind.js';
import type { Point3 } from '../../base/kind/primitive.js';

/** Ways to plait, by the number of bundles and how they lie. */
export const PLAIT_FORMS = ['three', 'four-flat', 'four-round'] as const;
export type PlaitForm = (typeof PLAIT_FORMS)[number];

interface PlaitNumbers {
  readonly label: string;
  readonly bundles: 3 | 4;
  /** Plait length for each crossing by tension, in bundle diameters. */
  readonly pitch: Readonly<Record<Tension, number>>;
}

/** Ways to plait, and the length for each crossing that hands of a tension make, in bundle diameters. */
export const PLAITS: Readonly<Record<PlaitForm, PlaitNumbers>> = {
  three: {
    label: 'Three bundles',
    bundles: 3,
    pitch: { hard: 1, even: 1.5, soft: 2 },
  },
  'four-flat': {
    label: 'Four flat',
    bundles: 4,
    pitch: { hard: 1, even: 1.5, soft: 2 },
  },
  'four-round': {
    label: 'Four round',
    bundles: 4,
    pitch: { hard: 1, even: 2.5, soft: 3 },
  },
};

/** Where plaits of three and four flat stop growing wider as they are drawn tighter. */
const LOOSE = 1.5;

/**
 * Way aside k that a bundle goes for each crossing, in its diameters. A plait that is jammed is thicker, and
 * its strands go further:
 *
 *     four round:        k = a + b / q^2                      about 1.6 and 0.24
 *     three, four flat:  what was computed at q = 1.5 from there on, and at q = 1, straight between
 *
 * Source: `tightened.ts`.
 *
 * @param q plait length for each crossing in bundle diameters, > 0
 * @example plaitAside('four-round', 1) // 1.84
 */
export function plaitAside(form: PlaitForm, q: number): number {
  if (form === 'four-round') {
    return tightened('plait.four-round') + tightened('plait.four-round.per-q2') / q ** 2;
  }
  const jammed = Math.min(1, Math.max(0, (LOOSE - q) / (LOOSE - 1)));
  const loose = tightened(`plait.${form}`);
  return loose + (tightened(`plait.${form}.jammed`) - loose) * jammed;
}

/**
 * Strand length / plait length:
 *
 *     sqrt(1 + (k / q)^2)      k = way aside, q = plait length for each crossing, in bundle diameters
 *
 * @param q > 0
 * @example plaitRatio('three', 1.5) // 1.24
 */
export const plaitRatio = (form: PlaitForm, q: number): number =>
  Math.hypot(1, plaitAside(form, q) / q);

/** Length for each crossing at which a round plait is as thin as it gets. */
const DRAWN = 2;

/**
 * Width and thickness in bundle diameters. A round plait is widest when it is jammed; drawn to twice the length it
 * has become as thin as it gets, straight between. Source: `tightened.ts`.
 */
export function plaitSection(
  form: PlaitForm,
  q: number,
): { readonly width: number; readonly thickness: number } {
  if (form !== 'four-round') return { width: PLAITS[form].bundles, thickness: 2 };
  const [jammed, drawn] = [
    tightened('plait.four-round.width.jammed'),
    tightened('plait.four-round.width'),
  ];
  const across = drawn + (jammed - drawn) * Math.min(1, Math.max(0, DRAWN - q) / (DRAWN - 1));
  return { width: across, thickness: across };
}

/** Crossings after which every strand is where it began: of a flat plait of four they are at the edges and in the middle by turns. */
export const crossingsPerTurn = (form: PlaitForm): number =>
  form === 'three' ? 6 : form === 'four-flat' ? 8 : 4;

/**
 * Middle of a bundle in space as it goes through the plait.
 *
 * Flat: y = A sin(t), and z changes sign between the crossings that lie on one way across, so that
 * over and under alternate. Round: two bundles go round one way, two the other, and change from
 * outside to inside at every meeting.
 *
 * @param bundle from 0
 * @param turn how far along: 1 for every crossingsPerTurn
 * @returns x is left at 0; y across, z towards the viewer, in bundle diameters
 */
export function plaitCurve(form: PlaitForm, bundle: number, turn: number, q: number): Point3 {
  const { width, thickness } = plaitSection(form, q);
  const t = 2 * Math.PI * turn;
  if (form === 'four-round') {
    // Bundles 0 and 1 lie at the left and go round clockwise, 2 and 3 the other way.
    const clockwise = bundle < 2;
    const angle = (clockwise ? t : -t) + (bundle % 2) * Math.PI;
    // No strand comes nearer to the middle than four of them, lying side by side, would let it.
    const furthest = (width - 1) / 2;
    const sway = (furthest - 0.5) / 2;
    const radius = furthest - sway + sway * Math.cos(2 * t) * (clockwise ? 1 : -1);
    return [0, radius * Math.sin(angle), radius * Math.cos(angle)];
  }
  const n = PLAITS[form].bundles;
  const theta = t + (2 * Math.PI * bundle) / n;
  const side = n === 3 ? Math.sin(2 * theta) : -Math.cos(4 * theta) * Math.sign(Math.cos(theta));
  return [0, ((width - 1) / 2) * Math.sin(theta), ((thickness - 1) / 2) * side];
}

/** What a round plait of four looks like. */
export const ROUND_LOOKS = {
  plain: 'one colour',
  stripes: 'stripes that run along it',
  spiral: 'a spiral that winds round it',
  spots: 'spots that wind round it',
  mixed: 'a pattern of more than two colours',
} as const;
export type RoundLook = keyof typeof ROUND_LOOKS;

/**
 * How the colours of four bundles show on a round plait, from the left as they are laid out: the two
 * at the left go round one way, the two at the right the other.
 *
 * At every crossing the bundle outside shows: those of the left pair at front and back, those of the
 * right pair at the sides. A pair of one colour therefore stays on its two sides, in stripes; mixed
 * pairs climb round.
 *
 * @param colours four of them, in any form that can be compared
 * @example roundLook(['a', 'a', 'b', 'b']) // 'stripes'
 */
export function roundLook([a, b, c, d]: readonly [string, string, string, string]): RoundLook {
  const kinds = new Set([a, b, c, d]);
  if (kinds.size === 1) return 'plain';
  if (kinds.size > 2) return 'mixed';
  if (a === b && c === d) return 'stripes';
  return a !== b && c !== d ? 'spiral' : 'spots';
}

/**
 * Where the bundles of a plait lie after some crossings, from the side that it begins on.
 *
 * - three: the outer bundle of a side comes over the middle one and is the new middle, sides by turns
 * - four round: the outer one of a side goes behind two and comes back as the inner one of its own side
 * - four flat: by turns both outer ones go past their neighbours, and the two in the middle change
 *
 * @param before crossings of the same plait before these: they say which side is next
 * @example bundlesAfter('three', ['a', 'b', 'c'], 2)[0] // 'b'
 */
export function bundlesAfter<T>(
  form: PlaitForm,
  bundles: readonly T[],
  crossings: number,
  before = 0,
): T[] {
  const at = [...bundles];
  const change = (i: number, j: number): void => {
    [at[i], at[j]] = [at[j]!, at[i]!];
  };
  for (let n = before; n < before + crossings; n++) {
    const second = n % 2 === 1;
    if (form === 'three') change(second ? 1 : 0, second ? 2 : 1);
    else if (form === 'four-round') change(second ? 2 : 0, second ? 3 : 1);
    else if (second) change(1, 2);
    else {
      change(0, 1);
      change(2, 3);
    }
  }
  return at;
}

/**
 * Items split into bundles as even as can be, from both sides alike where their number allows it.
 *
 * @param bundles >= 1
 * @example splitEvenly([1, 2, 3, 4, 5, 6, 7], 3)[1].length // 3
 */
export const splitEvenly = <T>(items: readonly T[], bundles: number): T[][] => {
  const from = (i: number): number => Math.floor((i * items.length) / bundles + 0.5);
  return Array.from({ length: bundles }, (_, i) => items.slice(from(i), from(i + 1)));
};
