import type { Point3 } from '../kind/primitive.js';
import { gcd } from '../measure/gcd.js';
import { tightened } from './tightened.js';

/** Leads (strands side by side) and bights (scallops at each edge) of a Turk's head. */
export interface TurksHead {
  readonly leads: number;
  readonly bights: number;
  /** How many times the cord follows round, side by side with itself. */
  readonly passes: number;
}

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

/**
 * Width in cord diameters: three leads lie 2.2 m + 0.85 wide; each further lead adds what a third of
 * the way between does (assumed for others than three).
 *
 * @example turksHeadWidth({ leads: 3, bights: 4, passes: 3 }) // 7.45
 */
export const turksHeadWidth = ({ leads, passes }: TurksHead): number =>
  ((2.2 * passes + 0.85) * (leads + 1)) / 4;

/** A worn one is wider than the shortest, and takes 2 to 3 % more. */
const WORN = 1.03;

/**
 * Three passes lie less close than the formula says, the less so the thicker the core: a power of its
 * diameter through the two that were computed. More than three are taken as three (assumed).
 */
function ofPasses(passes: number, D: number): number {
  if (passes < 3) return 1;
  const [four, eight] = [
    tightened('turks-head.three-passes.4') - 1,
    tightened('turks-head.three-passes.8') - 1,
  ];
  return 1 + four * (4 / D) ** Math.log2(four / eight);
}

/** What the closed curve leaves out, by the bights of three leads; between and beyond them assumed. */
function ofBights(bights: number): number {
  const [five, seven] = [tightened('turks-head.bights.5'), tightened('turks-head.bights.7')];
  const share = Math.min(1, Math.max(0, (bights - 5) / 2));
  return five + (seven - five) * share;
}

/** Steps in which the curve is measured. */
const SAMPLES = 2000;

/**
 * Cord in a Turk's head on a cylinder, in cord diameters, ends not counted.
 *
 *     3 leads, 4 bights:  3 pi m (D + 1.5 + 4.6 / (D + 1) + (m - 1)(0.22 + 2 / D))
 *     others, each pass:  the length of  z = A sin(B t), angle = L t  at radius D/2 + 1
 *
 * D = diameter of the cylinder, m = passes, A = (width - 1) / 2. Three passes take 3.7 % more on a core of
 * 4 diameters and 1.3 % more on one of 8; other heads than 3 by 4 take 5 % (five bights) to 4 % (seven) more
 * than their curve. A worn one takes 3 % more besides. Source: `tightened.ts`; of other leads than three
 * assumed.
 *
 * @param cylinder in cord diameters, > 0
 * @throws RangeError where leads and bights share a divisor: it cannot be tied with one cord
 * @example turksHeadCord({ leads: 3, bights: 4, passes: 1 }, 4) // 62.3
 */
export function turksHeadCord(knot: TurksHead, cylinder: number): number {
  const { leads, bights, passes } = knot;
  if (cordsOfTurksHead(leads, bights) !== 1) {
    throw new RangeError(`${leads} leads and ${bights} bights cannot be tied with one cord`);
  }
  if (leads === 3 && bights === 4) {
    const D = cylinder;
    const round = D + 1.5 + 4.6 / (D + 1) + (passes - 1) * (0.22 + 2 / D);
    return 3 * Math.PI * passes * round * ofPasses(passes, D) * WORN;
  }
  const A = (turksHeadWidth(knot) - 1) / 2;
  const radius = cylinder / 2 + 1;
  let length = 0;
  for (let i = 0; i < SAMPLES; i++) {
    const t = (2 * Math.PI * (i + 0.5)) / SAMPLES;
    length += Math.hypot(A * bights * Math.cos(bights * t), radius * leads);
  }
  return (
    ((length * 2 * Math.PI) / SAMPLES) *
    passes *
    ofBights(bights) *
    ofPasses(passes, cylinder) *
    WORN
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
