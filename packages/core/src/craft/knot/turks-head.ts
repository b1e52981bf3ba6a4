import {
  tightened,
  curveOfTurksHead,
  formulaOfTurksHead,
  turksHeadWidth,
  type TurksHead,
} from '@coiled-strand/rope';
export { turksHeadWidth, type TurksHead } from '@coiled-strand/rope';
import type { Point3 } from '../../base/kind/primitive.js';
import { gcd } from '../../base/measure/gcd.js';

/**
 * How many cords a Turk's head of these leads and bights takes: one exactly when they have no common
 * divisor. Source: the law of the common divisor, Ashley Book of Knots (1944).
 *
 * @example cordsOfTurksHead(3, 6) // 3
 */
export const cordsOfTurksHead = (leads: number, bights: number): number => gcd(leads, bights);

/**
 * The number of bights nearest to one wanted that goes with these leads on one cord.
 *
 * @param least fewest bights, and `most` the most
 * @example nearestBights(6, 8, 2, 16) // 7
 */
export function nearestBights(leads: number, bights: number, least: number, most: number): number {
  for (let away = 0; away <= most - least; away++) {
    for (const near of [bights + away, bights - away]) {
      if (near >= least && near <= most && cordsOfTurksHead(leads, near) === 1) return near;
    }
  }
  // Neighbouring numbers have no common divisor.
  return leads + 1;
}

/** A worn one is wider than the shortest, and takes 2 to 3 % more. */
const WORN = 1.03;

/** Heads of three leads and four bights that were computed, by passes. */
export const PASSES = { 1: 'one-pass', 2: 'two-passes', 3: 'three-passes' } as const;

/** Cores in cord diameters that they were computed on, and how thin and thick ones are taken to go on. */
const [THIN, THICK] = [4, 8];
const CORES = [3, 16] as const;

/**
 * What passes take over the formula, the more the thinner the core: straight in 1 / D through the two cores that
 * were computed. More than three passes are taken as three (assumed).
 */
function ofPasses(passes: number, D: number): number {
  const name = PASSES[Math.min(3, Math.max(1, passes)) as 1 | 2 | 3];
  const [thin, thick] = [tightened(`turks-head.${name}.4`), tightened(`turks-head.${name}.8`)];
  const core = Math.min(CORES[1], Math.max(CORES[0], D));
  const share = (1 / core - 1 / THICK) / (1 / THIN - 1 / THICK);
  return thick + (thin - thick) * share;
}

/** What the closed curve leaves out, by the bights of three leads; between and beyond them assumed. */
function ofBights(bights: number): number {
  const [five, seven] = [tightened('turks-head.bights.5'), tightened('turks-head.bights.7')];
  const share = Math.min(1, Math.max(0, (bights - 5) / 2));
  return five + (seven - five) * share;
}

/**
 * Cord in a Turk's head on a cylinder, in cord diameters, ends not counted.
 *
 *     3 leads, 4 bights:  3 pi m (D + 1.5 + 4.6 / (D + 1) + (m - 1)(0.22 + 2 / D))
 *     others, each pass:  the length of  z = A sin(B t), angle = L t  at radius D/2 + 1
 *
 * D = diameter of the cylinder, m = passes, A = (width - 1) / 2. What was computed is so much more or less
 * than these forms (`ofPasses`, `ofBights`). A worn one takes 3 % more besides. Source: `tightened.ts`; of other leads than three
 * assumed.
 *
 * @param cylinder in cord diameters, > 0
 * @throws RangeError where leads and bights share a divisor: it cannot be tied with one cord
 * @example turksHeadCord({ leads: 3, bights: 4, passes: 1 }, 4) // 62.0
 */
export function turksHeadCord(knot: TurksHead, cylinder: number): number {
  const { leads, bights, passes } = knot;
  if (cordsOfTurksHead(leads, bights) !== 1) {
    throw new RangeError(`${leads} leads and ${bights} bights cannot be tied with one cord`);
  }
  if (leads === 3 && bights === 4) {
    return formulaOfTurksHead(passes, cylinder) * ofPasses(passes, cylinder) * WORN;
  }
  return (
    (curveOfTurksHead(knot, cylinder) * ofBights(bights) * WORN * ofPasses(passes, cylinder)) /
    ofPasses(1, cylinder)
  );
}

/**
 * Middle line of one pass on the cylinder, in cord diameters: x along it, y across, z towards the
 * viewer. Over and under alternate from crossing to crossing, as far out and in as a cord is thick.
 *
 * @param t from 0 to 2 pi, once along the whole cord
 */
export function turksHeadCurve(knot: TurksHead, cylinder: number, t: number): Point3 {
  const { leads, bights } = knot;
  const A = (turksHeadWidth(knot) - 1) / 2;
  const radius = cylinder / 2 + 1 + 0.5 * Math.sin(bights * (leads - 1) * t);
  const angle = leads * t;
  return [A * Math.sin(bights * t), radius * Math.sin(angle), radius * Math.cos(angle)];
}

/**
 * Diameter of the tube to tie it on, in the unit of the bundle: half as much again as the bundle, and
 * room for the needle. Common practice, no source.
 */
export const tubeFor = (bundle: number, cord: number): number => 1.5 * bundle + 2 * cord;

/** Share of its cord that one round of drawing up takes out of a Turk's head. Assumed. */
const PER_ROUND = 0.12;

/**
 * How many times round the slack is taken up, from the tube to the bundle.
 * @param tube in cord diameters; so is `bundle`
 */
export function slackRounds(knot: TurksHead, tube: number, bundle: number): number {
  const loose = turksHeadCord(knot, tube);
  return Math.max(
    2,
    Math.ceil(Math.log(loose / turksHeadCord(knot, bundle)) / -Math.log(1 - PER_ROUND)),
  );
}
