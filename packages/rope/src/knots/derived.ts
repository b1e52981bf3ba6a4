import { bundleShape } from '../curves/hull.js';
import { curveOfTurksHead, formulaOfTurksHead } from '../curves/turks-head-curve.js';
import type { Computed } from '../engine/compute.js';
import { LONG_STITCH } from './chain.js';
import { HITCHED, HITCHED_PUSHED } from './hitches.js';
import { HITCHED_ROUND } from './hitch-spirals.js';
import { PULLS } from './petals.js';
import { ALTERNATING } from './rings.js';
import { SPIRALS } from './sinnets.js';

/** Looks a number up by its name. */
export type Known = (name: string) => Computed;

type Named = Readonly<Record<string, Computed>>;

/** Least error that is stated for what a formula says of many knots. */
const MIN_FIT = 0.002;

/** A number made of others: as sure as they are, in what they come to. */
function made(value: number, of: readonly Computed[], off: number): Computed {
  return {
    value,
    error: Math.max(MIN_FIT, Math.abs(off / value)),
    points: Math.max(...of.map(({ points }) => points)),
    rounds: Math.max(...of.map(({ rounds }) => rounds)),
  };
}

const offOf = ({ value, error }: Computed): number => Math.abs(value) * error;

/**
 * The straight line y = a + b x that goes nearest to some numbers, by least squares; both may be off as far as to
 * miss the worst of the numbers.
 */
export function line(at: readonly (readonly [x: number, y: Computed])[]): {
  readonly fixed: Computed;
  readonly slope: Computed;
} {
  const n = at.length;
  const [mx, my] = [0, 1].map(
    (k) => at.reduce((sum, one) => sum + (k === 0 ? one[0] : one[1].value), 0) / n,
  ) as [number, number];
  const sxx = at.reduce((sum, [x]) => sum + (x - mx) ** 2, 0);
  const sxy = at.reduce((sum, [x, { value }]) => sum + (x - mx) * (value - my), 0);
  const slope = sxy / sxx;
  const fixed = my - slope * mx;
  const worst = Math.max(...at.map(([x, y]) => Math.abs(fixed + slope * x - y.value) + offOf(y)));
  const of = at.map(([, y]) => y);
  return {
    fixed: made(fixed, of, worst),
    slope: made(slope, of, worst / Math.max(...at.map(([x]) => x))),
  };
}

const difference = (a: Computed, b: Computed, per = 1): Computed =>
  made((a.value - b.value) / per, [a, b], (offOf(a) + offOf(b)) / Math.abs(per));

/** Cores that the cord of a half knot was computed on, and how they lie. */
const ON = [
  ['one', 'one', 1],
  ['one-thin', 'one', 0.5],
  ['one-thick', 'one', 2],
  ['two-flat', 'two-flat', 1],
  ['three-flat', 'three-flat', 1],
  ['four-flat', 'four-flat', 1],
  ['two-by-two', 'two-by-two', 1],
] as const;

function halfKnots(known: Known): Named {
  const snug = line(
    ON.map(([cores, bundle, ratio]) => [
      bundleShape(bundle, ratio).perimeter,
      known(`sinnet.${cores}.2.cord`),
    ]),
  );
  const at = (pitch: number): Computed => known(`sinnet.two-flat.${pitch}.cord`);
  const perPitch = difference(at(2.5), at(2), 0.5);
  return {
    'half-knot.fixed': snug.fixed,
    'half-knot.per-hull': snug.slope,
    'half-knot.pitch': known('sinnet.two-flat.free.pitch'),
    'half-knot.per-pitch': perPitch,
    'half-knot.packed.1.75': difference(at(1.75), at(2)),
    'half-knot.packed.1.5': difference(at(1.5), at(2)),
    'half-knot.width.two': known('sinnet.two-flat.2.width'),
    'half-knot.thickness.two': known('sinnet.two-flat.2.thickness'),
  };
}

/** Spirals whose cord differs by less than this share are alike. */
const ALIKE = 5e-4;

/** Of a spiral, the half knots in a turn with the least cord; of those that are alike in it, the ones that turn least. */
function spirals(known: Known): Named {
  return Object.fromEntries(
    Object.entries(SPIRALS).flatMap(([cores, turns]) => {
      const takes = (aTurn: number): number => known(`spiral.${cores}.${aTurn}.cord`).value;
      const least = Math.min(...turns.map(takes));
      const best = Math.max(...turns.filter((aTurn) => takes(aTurn) < least * (1 + ALIKE)));
      const cord = known(`spiral.${cores}.${best}.cord`);
      return [
        [`spiral.cord.${cores}`, cord],
        [`spiral.pitch.${cores}`, known(`spiral.${cores}.${best}.pitch`)],
        // A half knot more or less in a turn takes hardly more cord: which it is, the hand says.
        [`spiral.a-turn.${cores}`, made(best, [cord], 1)],
      ];
    }),
  );
}

function hitches(known: Known): Named {
  const even = line(HITCHED.map((ratio) => [ratio, known(`hitch.even.${ratio}.cord`)]));
  const round = line(HITCHED_ROUND.map((ratio) => [ratio, known(`hitch-spiral.${ratio}.2.cord`)]));
  const packed = HITCHED_ROUND.map((ratio) => known(`hitch-spiral.${ratio}.free.pitch`));
  const pitches = packed.map(({ value }) => value);
  const least = (Math.min(...pitches) + Math.max(...pitches)) / 2;
  const pushed = (what: string): Computed => known(`hitch.pushed.${HITCHED_PUSHED}.${what}`);
  return {
    'hitch.fixed': even.fixed,
    'hitch.per-ratio': even.slope,
    'hitch.width': known('hitch.even.1.width'),
    'hitch.height': known('hitch.even.1.height'),
    'hitch.thickness': known('hitch.even.1.thickness'),
    'hitch.pushed.more': difference(pushed('cord'), known('hitch.even.1.cord')),
    'hitch.pushed.height': pushed('height'),
    'hitch-spiral.fixed': round.fixed,
    'hitch-spiral.per-ratio': round.slope,
    // Where they are not pushed they lie as far apart as was taken: between thin and thick bundles it hardly matters.
    'hitch-spiral.pitch': made(2, packed, 0.1),
    'hitch-spiral.pushed': made(least, packed, Math.max(...pitches) - least),
  };
}

function plaits(known: Known): Named {
  const four = [1, 1.5, 2, 2.5, 3].map(
    (q) => [1 / q ** 2, known(`plait.four-round.${q}.aside`)] as const,
  );
  const round = line(four);
  return {
    'plait.three': known('plait.three.1.5.aside'),
    'plait.three.jammed': known('plait.three.1.aside'),
    'plait.three.width': known('plait.three.1.5.width'),
    'plait.four-flat': known('plait.four-flat.1.5.aside'),
    'plait.four-flat.jammed': known('plait.four-flat.1.aside'),
    'plait.four-flat.width': known('plait.four-flat.1.5.width'),
    'plait.four-round': round.fixed,
    'plait.four-round.per-q2': round.slope,
    'plait.four-round.width': known('plait.four-round.2.5.width'),
    'plait.four-round.width.jammed': known('plait.four-round.1.width'),
  };
}

/** How hard the middle of a petal is pulled is the hand’s own: about as far as half the way to even. */
const PULLED = 0.15;

function petals(known: Known): Named {
  return Object.fromEntries(
    (['even', 'hard'] as const).flatMap((pull) =>
      (['along', 'turning', 'turned'] as const).map((what) => {
        const turns = known(`petals.turns.${PULLS[pull]}.${what}`);
        const more = difference(turns, known(`petals.plain.${PULLS.even}.${what}`));
        return [
          `petal.${pull}.${what}`,
          { ...more, error: Math.max(more.error, pull === 'hard' ? 2 * PULLED : PULLED / 3) },
        ];
      }),
    ),
  );
}

/** What Turk’s heads take over their closed forms. */
function turksHeads(known: Known): Named {
  const over = (leads: number, bights: number, passes: number, core: number): Computed => {
    const cord = known(`turks-head.${leads}x${bights}.${passes}.${core}.cord`);
    const knot = { leads, bights, passes };
    const form = bights === 4 ? formulaOfTurksHead(passes, core) : curveOfTurksHead(knot, core);
    return made(cord.value / form, [cord], cord.error * (cord.value / form));
  };
  return {
    'turks-head.one-pass.4': over(3, 4, 1, 4),
    'turks-head.one-pass.8': over(3, 4, 1, 8),
    'turks-head.two-passes.4': over(3, 4, 2, 4),
    'turks-head.two-passes.8': over(3, 4, 2, 8),
    'turks-head.three-passes.4': over(3, 4, 3, 4),
    'turks-head.three-passes.8': over(3, 4, 3, 8),
    'turks-head.bights.5': over(3, 5, 1, 4),
    'turks-head.bights.7': over(3, 7, 1, 8),
  };
}

const SAME = [
  ...['overhand', 'figure-eight', 'double-barrel', 'triple-barrel'].flatMap((form) =>
    ['uses', 'length', 'width'].map((what) => `${form}.${what}`),
  ),
  ...['overhand.uses.2', 'overhand.uses.3', 'overhand.uses.4'],
  ...['figure-eight.uses.2', 'double-barrel.uses.2', 'double-barrel.uses.3'],
  ...[1, 2, 3].flatMap((turns) =>
    ['uses', 'length', 'width'].map((what) => `barrel-round.${what}.${turns}`),
  ),
  ...[2, 3, 4].flatMap((ends) =>
    ['beyond', 'length', 'width'].map((what) => `diamond.${what}.${ends}`),
  ),
  ...['carrick.beyond', 'carrick.length', 'carrick.width', 'carrick.thickness'],
  ...['chain.cord', 'chain.pitch', 'chain.width', 'chain.thickness'],
  ...Object.keys(ALTERNATING).map((name) => `rings.${name}.period`),
] as const;

/** All constants that the core uses, by name, from the numbers read off the knots. */
export function constants(known: Known): Named {
  return {
    ...Object.fromEntries(SAME.map((name) => [name, known(name)])),
    'carrick.beyond.flat': known('carrick.flat.beyond'),
    'chain.long': known(`chain.${LONG_STITCH}.cord`),
    'two-cord.cord': known('two-cord.360.cord'),
    'two-cord.pitch': known('two-cord.360.pitch'),
    'two-cord.width': known('two-cord.360.width'),
    ...halfKnots(known),
    ...spirals(known),
    ...hitches(known),
    ...plaits(known),
    ...petals(known),
    ...turksHeads(known),
  };
}
