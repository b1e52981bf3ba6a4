import type { Point } from '../../base/point.js';

import type { TurksHead } from '../../curves/turks-head-curve.js';
import { withPasses } from '../layout.js';
import type { Lead, Tying, TyingStrand } from '../tying.js';

interface Form extends TurksHead {
  readonly passes: 1 | 2 | 3;
}

/** From the middle of one pass to that of the next beside it, in diameters. */
const BESIDE = 2.1;
/** Room between crossings of one round, for passes beside each other. */
const ROOM = 3.2;
/** Radius of the post in the middle. */
const POST = 3;
/** Points of a slant. */
const STEPS = 6;

/** @example idOf({ leads: 3, bights: 4, passes: 1 }) // 'turks-head.3x4.1' */
const idOf = ({ leads, bights, passes }: TurksHead): string =>
  `turks-head.${leads}x${bights}.${passes}`;

/** From 0 to 1 without a corner. */
const eased = (t: number): number => t * t * (3 - 2 * t);

/**
 * A Turk's head laid flat round a post: the end goes from the outer rim to the inner and back, past what lies there
 * over and under in turn; every further pass follows the one before on its inside.
 *
 * @param form of leads and bights without a common divisor: others are not of one cord
 */
export function turksHead({ leads, bights, passes }: Form): Tying {
  const row = BESIDE * (passes - 1) + ROOM;
  // Rows of crossings lie closest near the rims: half the way from rim to rim, by so much of a cosine apart.
  const wide = row / (1 - Math.cos(Math.PI / leads));
  const middle = POST + 1 + wide + BESIDE * passes;
  const slants = 2 * bights;
  const at = (slant: number, share: number): Point => {
    const half = slant + share;
    const passed = half / slants;
    const pass = Math.floor(passed);
    // It comes beside the pass before on its last half slant.
    const beside = pass + eased(Math.max(0, 1 - (pass + 1 - passed) * slants));
    const r = middle + wide * Math.cos(Math.PI * half) - BESIDE * beside;
    const a = (2 * Math.PI * leads * half) / slants;
    return [r * Math.cos(a), r * Math.sin(a)];
  };
  const rim = middle + wide;
  const start: TyingStrand = {
    kind: 'cord',
    name: 'beginning',
    end: 'end',
    heading: 'inwards',
    way: [
      [(rim + 9) * Math.cos(-0.9), (rim + 9) * Math.sin(-0.9)],
      [(rim + 4) * Math.cos(-0.45), (rim + 4) * Math.sin(-0.45)],
      [(rim + 0.4) * Math.cos(-0.04), (rim + 0.4) * Math.sin(-0.04)],
    ],
  };
  const moves = Array.from({ length: slants * passes }, (_, slant): Omit<Lead, 'passes'> => ({
    strand: 0,
    way: Array.from({ length: STEPS }, (_, i) => at(slant, (i + 1) / STEPS)),
    makes: 'slant',
    number: slant + 1,
  }));
  return withPasses(
    {
      id: idOf({ leads, bights, passes }),
      name: `Turk’s head of ${leads} leads and ${bights} bights, ${PASSES[passes - 1]!}`,
      round: 'rims',
      head: { leads, bights, passes },
      strands: [start],
      moves,
      drawUp: [
        'Work the slack round from the beginning to the end, a little at every slant, until it lies snug.',
      ],
    },
    // Over and under take turns on the way of one pass; the others do as it does.
    ({ point }) => Math.sin((leads - 1) * Math.PI * ((point - start.way.length + 1) / STEPS)) > 0,
  );
}

/**
 * The tying of a Turk's head by its id; null for the id of another tying.
 *
 * @example turksHeadCalled('turks-head.3x7.1')?.moves.length // 14
 */
export function turksHeadCalled(id: string): Tying | null {
  const [, leads, bights, passes] = /^turks-head\.(\d)x(\d{1,2})\.([123])$/.exec(id) ?? [];
  return passes === undefined
    ? null
    : turksHead({
        leads: Number(leads),
        bights: Number(bights),
        passes: Number(passes) as 1 | 2 | 3,
      });
}

const PASSES = ['one pass', 'two passes', 'three passes'] as const;

const forms: readonly (readonly [leads: number, bights: number])[] = [
  [3, 2],
  [3, 4],
  [3, 5],
  [4, 3],
  [5, 4],
];

/** Turk's heads that are tied with one cord, in one to three passes. */
export const TURKS_HEAD_TYINGS: readonly (readonly [id: string, make: () => Tying])[] =
  forms.flatMap(([leads, bights]) =>
    ([1, 2, 3] as const).map((passes) => {
      const form = { leads, bights, passes };
      return [idOf(form), () => turksHead(form)] as const;
    }),
  );
